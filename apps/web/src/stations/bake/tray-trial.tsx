import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import {
  JokulError,
  layOutBars,
  layOutMixed,
  readTyped,
  showTyped,
  typedUnit,
  type Bar,
  type TraySide,
} from '@jokul/core';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field, SelectField } from '../../ui/field';

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

interface Circle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}
interface Trial {
  readonly says: string;
  readonly circles: readonly Circle[];
  readonly bars: readonly (Bar & { readonly lengthMm: number; readonly widthMm: number })[];
}

const fills = ['var(--raised)', 'var(--line)', 'var(--line-strong)'];

const Picture = ({
  lengthMm,
  widthMm,
  trial: { circles, bars, says },
}: Pick<TrayTrialProps, 'lengthMm' | 'widthMm'> & { trial: Trial }) => {
  const radii = [...new Set(circles.map(({ r }) => r))].sort((a, b) => b - a);
  return (
    <svg
      viewBox={`-4 -4 ${lengthMm + 8} ${widthMm + 8}`}
      className="w-full"
      role="img"
      aria-label={`Tray: ${says}`}
    >
      <rect
        width={lengthMm}
        height={widthMm}
        rx={14}
        fill="var(--surface)"
        stroke="var(--line-strong)"
        strokeWidth={3}
      />
      <g stroke="var(--ink-soft)" strokeWidth={1.6}>
        {circles.map(({ x, y, r }) => (
          <circle key={`${x} ${y}`} cx={x} cy={y} r={r} fill={fills[radii.indexOf(r) % fills.length]} />
        ))}
        {bars.map(({ xMm, yMm, along, lengthMm: l, widthMm: w }) => (
          <rect
            key={`${xMm} ${yMm}`}
            x={xMm - (along ? l : w) / 2}
            y={yMm - (along ? w : l) / 2}
            width={along ? l : w}
            height={along ? w : l}
            fill="var(--raised)"
          />
        ))}
      </g>
    </svg>
  );
};

const pieces = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

/**
 * One tray laid otherwise, before anybody does it: several sizes together, pieces that may touch, bars. It changes no
 * plan.
 */
export const TrayTrial = (props: TrayTrialProps) => {
  const { lengthMm, widthMm, openSides, marginMm, onClose } = props;
  const { units } = useUnits();
  const length = (mm: number) => `${showTyped(Math.round(mm * 10) / 10, 'length', units)} ${unit}`;
  const unit = typedUnit('length', units);
  const typed = (mm: number) => showTyped(Math.round(mm), 'length', units);
  const [kind, setKind] = useState<'round' | 'bars'>('round');
  const [touching, setTouching] = useState(false);
  const [gap, setGap] = useState(typed(props.gapMm));
  const [sizes, setSizes] = useState<readonly Typed[]>([
    { id: 0, first: typed(props.diameterMm), second: '8' },
    { id: 1, first: typed(props.diameterMm * 0.6), second: '' },
  ]);
  const [bar, setBar] = useState<Typed>({ id: 0, first: typed(110), second: typed(45) });
  const read = (text: string) => readTyped(text, 'length', units) ?? Number.NaN;
  const set = (id: number, change: Partial<Typed>) =>
    setSizes((before) => before.map((size) => (size.id === id ? { ...size, ...change } : size)));

  const lay = (): Trial => {
    const on = { lengthMm, widthMm, openSides, marginMm, gapMm: touching ? 0 : read(gap) };
    if (kind === 'bars') {
      const [l, w] = [read(bar.first), read(bar.second)];
      const bars = layOutBars({ ...on, barLengthMm: l, barWidthMm: w });
      return {
        says: `${pieces(bars.length, 'bar')} of ${length(l)} by ${length(w)}.`,
        circles: [],
        bars: bars.map((one) => ({ ...one, lengthMm: l, widthMm: w })),
      };
    }
    const asked = sizes.map(({ first, second }) => ({
      diameterMm: read(first),
      ...(second.trim() === '' ? {} : { pieces: readTyped(second, 'number', units) ?? Number.NaN }),
    }));
    const laid = layOutMixed({ ...on, sizes: asked });
    const parts = laid.sizes.map(
      ({ centresMm }, i) => `${centresMm.length} of ${length(asked[i]?.diameterMm ?? 0)}`,
    );
    const without = laid.sizes.flatMap(({ left }, i) =>
      left > 0 ? [`${left} of ${length(asked[i]?.diameterMm ?? 0)}`] : [],
    );
    return {
      says: `${parts.join(', ')}.${without.length > 0 ? ` No place for ${without.join(', ')}.` : ''}`,
      circles: laid.sizes.flatMap(({ centresMm }, i) =>
        centresMm.map(([x, y]) => ({ x, y, r: (asked[i]?.diameterMm ?? 0) / 2 })),
      ),
      bars: [],
    };
  };
  let trial: Trial | null = null;
  let problem: string | null = null;
  try {
    trial = lay();
  } catch (error) {
    if (!(error instanceof JokulError)) throw error;
    problem = error.message;
  }

  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="This tray, laid another way"
      lead="Sizes are as baked, after the spread. Nothing of the plan changes."
    >
      <div className="grid grid-cols-[15rem_1fr] gap-4 max-[700px]:grid-cols-1">
        <div className="space-y-3">
          <SelectField
            label="Pieces"
            value={kind}
            onChange={(event) => setKind(event.target.value === 'bars' ? 'bars' : 'round')}
          >
            <option value="round">round, one size or several</option>
            <option value="bars">bars</option>
          </SelectField>
          {kind === 'bars' ? (
            <div className="grid grid-cols-2 gap-2">
              <Field
                label={`Length, ${unit}`}
                inputMode="decimal"
                value={bar.first}
                onChange={(event) => setBar({ ...bar, first: event.target.value })}
              />
              <Field
                label={`Width, ${unit}`}
                inputMode="decimal"
                value={bar.second}
                onChange={(event) => setBar({ ...bar, second: event.target.value })}
              />
            </div>
          ) : (
            <>
              {sizes.map(({ id, first, second }, i) => (
                <div key={id} className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
                  <Field
                    label={`Across, ${unit}`}
                    hideLabel={i > 0}
                    inputMode="decimal"
                    value={first}
                    onChange={(event) => set(id, { first: event.target.value })}
                  />
                  <Field
                    label="How many"
                    hideLabel={i > 0}
                    inputMode="numeric"
                    placeholder="all that fit"
                    value={second}
                    onChange={(event) => set(id, { second: event.target.value })}
                  />
                  <Button
                    size="small"
                    aria-label={`Leave out size ${i + 1}`}
                    disabled={sizes.length === 1}
                    icon={<X size={14} aria-hidden />}
                    onClick={() => setSizes((before) => before.filter((size) => size.id !== id))}
                  />
                </div>
              ))}
              <Button
                size="small"
                disabled={sizes.length >= 3}
                icon={<Plus size={14} aria-hidden />}
                onClick={() =>
                  setSizes((before) => [
                    ...before,
                    { id: Math.max(...before.map(({ id }) => id)) + 1, first: typed(40), second: '' },
                  ])
                }
              >
                Another size
              </Button>
            </>
          )}
          <Field
            label={`Gap, ${unit}`}
            inputMode="decimal"
            value={touching ? showTyped(0, 'length', units) : gap}
            disabled={touching}
            onChange={(event) => setGap(event.target.value)}
          />
          <label className="flex items-center gap-2 text-[14px]">
            <input
              type="checkbox"
              checked={touching}
              onChange={(event) => setTouching(event.target.checked)}
              className="size-4 accent-(--ink)"
            />
            They may touch
          </label>
          {touching && (
            <p className="text-[12.5px] text-ink-soft">
              What touches bakes as one sheet, slower in the middle: the times of single pieces do not hold.
              Bake one tray and look.
            </p>
          )}
        </div>
        <div aria-live="polite">
          {trial && <Picture lengthMm={lengthMm} widthMm={widthMm} trial={trial} />}
          <p className={problem ? 'font-medium text-hand' : 'mt-1 font-semibold'}>{problem ?? trial?.says}</p>
        </div>
      </div>
    </Dialog>
  );
};
