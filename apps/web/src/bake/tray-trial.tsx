import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { readTyped, typedUnit, type TraySide } from '@jokul/core';
import { sayLength, typedFigure, useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field, SelectField } from '../ui/field';
import { layTrial } from './lay-trial';
import { TrialPicture } from './trial-picture';
import { Said } from '../ui/said';

interface TrayTrialProps {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly openSides: readonly TraySide[];
  readonly marginMm: number;
  readonly gapMm: number;
  readonly diameterMm: number;
  readonly onClose: () => void;
}

/** A size as it is typed: the second figure is how many, or the width of a bar. */
interface Typed {
  readonly id: number;
  readonly first: string;
  readonly second: string;
}

/** Length and width of the bars. */
const BarFields = ({
  bar,
  unit,
  onChange,
}: {
  readonly bar: Typed;
  readonly unit: string;
  readonly onChange: (bar: Typed) => void;
}) => (
  <div className="grid grid-cols-2 gap-2">
    <Field
      label={t`Length, ${unit}`}
      inputMode="decimal"
      value={bar.first}
      onChange={(event) => onChange({ ...bar, first: event.target.value })}
    />
    <Field
      label={t`Width, ${unit}`}
      inputMode="decimal"
      value={bar.second}
      onChange={(event) => onChange({ ...bar, second: event.target.value })}
    />
  </div>
);

/** Up to three sizes, each with how many. */
const SizeFields = ({
  sizes,
  unit,
  another,
  onChange,
}: {
  readonly sizes: readonly Typed[];
  readonly unit: string;
  /** The size that one more begins with, as it is typed. */
  readonly another: string;
  readonly onChange: (sizes: readonly Typed[]) => void;
}) => {
  const set = (id: number, change: Partial<Typed>) =>
    onChange(sizes.map((size) => (size.id === id ? { ...size, ...change } : size)));
  return (
    <>
      {sizes.map(({ id, first, second }, i) => (
        <div key={id} className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <Field
            label={t`Across, ${unit}`}
            hideLabel={i > 0}
            inputMode="decimal"
            value={first}
            onChange={(event) => set(id, { first: event.target.value })}
          />
          <Field
            label={t`How many`}
            hideLabel={i > 0}
            inputMode="numeric"
            placeholder={t`all that fit`}
            value={second}
            onChange={(event) => set(id, { second: event.target.value })}
          />
          <Button
            size="small"
            aria-label={t`Leave out size ${i + 1}`}
            disabled={sizes.length === 1}
            icon={<X size={14} aria-hidden />}
            onClick={() => onChange(sizes.filter((size) => size.id !== id))}
          />
        </div>
      ))}
      <Button
        size="small"
        disabled={sizes.length >= 3}
        icon={<Plus size={14} aria-hidden />}
        onClick={() =>
          onChange([...sizes, { id: Math.max(...sizes.map(({ id }) => id)) + 1, first: another, second: '' }])
        }
      >{t`Another size`}</Button>
    </>
  );
};

const TrialFound = ({
  lengthMm,
  widthMm,
  found,
}: {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly found: ReturnType<typeof layTrial>;
}) => (
  <div aria-live="polite">
    {typeof found === 'string' ? (
      <p className="font-medium text-hand">{found}</p>
    ) : (
      <>
        <TrialPicture lengthMm={lengthMm} widthMm={widthMm} trial={found} />
        <p className="mt-1 font-semibold">
          <Said>{found.says}</Said>
        </p>
      </>
    )}
  </div>
);

const MayTouch = ({
  touching,
  onChange,
}: {
  readonly touching: boolean;
  readonly onChange: (touching: boolean) => void;
}) => (
  <>
    <label className="flex items-center gap-2 text-[14px]">
      <input
        type="checkbox"
        checked={touching}
        onChange={(event) => onChange(event.target.checked)}
        className="size-4 accent-(--ink)"
      />
      {t`They may touch`}
    </label>
    {touching && (
      <p className="text-[12.5px] text-ink-soft">{t`What touches bakes as one sheet, slower in the middle: the times of single pieces do not hold. Bake one tray and look.`}</p>
    )}
  </>
);

/**
 * One tray laid another way, before anybody does it: several sizes together, pieces that may touch, bars. It changes no
 * plan.
 */
export const TrayTrial = ({ lengthMm, widthMm, openSides, marginMm, onClose, ...props }: TrayTrialProps) => {
  const { units } = useUnits();
  const unit = typedUnit('length', units);
  const typed = (mm: number) => typedFigure(Math.round(mm), 'length', units);
  const [kind, setKind] = useState<'round' | 'bars'>('round');
  const [touching, setTouching] = useState(false);
  const [gap, setGap] = useState(typed(props.gapMm));
  const [sizes, setSizes] = useState<readonly Typed[]>([
    { id: 0, first: typed(props.diameterMm), second: '8' },
    { id: 1, first: typed(props.diameterMm * 0.6), second: '' },
  ]);
  const [bar, setBar] = useState<Typed>({ id: 0, first: typed(110), second: typed(45) });

  const found = useMemo(() => {
    const read = (text: string) => readTyped(text, 'length', units) ?? Number.NaN;
    const many = (text: string) =>
      text.trim() === '' ? {} : { pieces: readTyped(text, 'number', units) ?? Number.NaN };
    return layTrial(
      { lengthMm, widthMm, openSides, marginMm, gapMm: touching ? 0 : read(gap) },
      kind === 'bars'
        ? { kind, lengthMm: read(bar.first), widthMm: read(bar.second) }
        : {
            kind,
            sizes: sizes.map(({ first, second }) => ({ diameterMm: read(first), ...many(second) })),
          },
      (mm) => sayLength(mm, units),
    );
  }, [lengthMm, widthMm, openSides, marginMm, touching, gap, kind, bar, sizes, units]);

  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={t`This tray, laid another way`}
      lead={t`Sizes are as baked, after the spread. Nothing of the plan changes.`}
    >
      <div className="grid grid-cols-[15rem_1fr] gap-4 max-[700px]:grid-cols-1">
        <div className="space-y-3">
          <SelectField
            label={t`Pieces`}
            value={kind}
            onChange={(event) => setKind(event.target.value === 'bars' ? 'bars' : 'round')}
          >
            <option value="round">{t`round, one size or several`}</option>
            <option value="bars">{t`bars`}</option>
          </SelectField>
          {kind === 'bars' ? (
            <BarFields bar={bar} unit={unit} onChange={setBar} />
          ) : (
            <SizeFields sizes={sizes} unit={unit} another={typed(40)} onChange={setSizes} />
          )}
          <Field
            label={t`Gap, ${unit}`}
            inputMode="decimal"
            value={touching ? '0' : gap}
            disabled={touching}
            onChange={(event) => setGap(event.target.value)}
          />
          <MayTouch touching={touching} onChange={setTouching} />
        </div>
        <TrialFound lengthMm={lengthMm} widthMm={widthMm} found={found} />
      </div>
    </Dialog>
  );
};
