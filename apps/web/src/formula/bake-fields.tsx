import { t } from '@lingui/core/macro';
import { linerKinds, pressedRangeMm, type Formula } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { PickSome } from '../ui/pick-some';
import { SelectField } from '../ui/field';
import { useDraft } from './draft-store';
import { NumberField } from './number-cell';
import { OptionalNumber } from './optional-number';
import { LinerOptions } from '../words/liner-options';
import { linerNames, shapeNames, stateNames } from '../words/names-of-codes';

const shapes = ['ball', 'mound', 'puck', 'slice'] as const;
const targets = ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'] as const;

export const PieceFields = ({ piece }: { readonly piece: Formula['piece'] }) => {
  const change = useDraft((s) => s.change);
  const { label } = useUnits();
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <NumberField
        name={t`Raw`}
        label={t`Piece weight`}
        kind="mass"
        value={piece.massG}
        min={8}
        max={200}
        onCommit={(massG) => change({ piece: { ...piece, massG } })}
      />
      <SelectField
        label={t`Shape`}
        value={piece.shape}
        onChange={(event) => change({ piece: { ...piece, shape: event.target.value as typeof piece.shape } })}
      >
        {shapes.map((shape) => (
          <option key={shape} value={shape}>
            {shapeNames[shape]}
          </option>
        ))}
      </SelectField>
      <OptionalNumber
        name={label(t`Pressed to`, 'length')}
        value={piece.pressedMm}
        kind="length"
        {...pressedRangeMm(piece.massG)}
        usual={t`not pressed`}
        onCommit={(pressedMm) => {
          const { pressedMm: _, ...rest } = piece;
          change({ piece: pressedMm === undefined ? rest : { ...rest, pressedMm } });
        }}
      />
    </div>
  );
};

/** The ovens that it may bake in, and those of before that are out of use. */
const ItsOvens = ({
  ovens = [],
  onChoose,
}: {
  readonly ovens: readonly string[] | undefined;
  readonly onChoose: (ovens: readonly string[]) => void;
}) => {
  const { data } = useBakery();
  const all = data?.equipment.ovens.filter(({ id, retired }) => !retired || ovens.includes(id)) ?? [];
  if (all.length < 2 && ovens.length === 0) return null;
  return (
    <div className="col-span-full">
      <PickSome
        legend={t`Only in these ovens`}
        choices={[
          ...all.map(({ id, name }) => ({ id, text: name })),
          // What came with a formula of another bakery.
          ...ovens
            .filter((id) => all.every((oven) => oven.id !== id))
            .map((id) => ({ id, text: t`${id}, not here` })),
        ]}
        chosen={ovens}
        onChoose={onChoose}
        hint={ovens.length === 0 ? t`None ticked: any oven.` : undefined}
      />
    </div>
  );
};

export const BakeFields = ({ bake }: { readonly bake: Formula['bake'] }) => {
  const { data } = useBakery();
  const house = data?.rules.liner;
  const change = useDraft((s) => s.change);
  const set = (part: Partial<Formula['bake']>) => change({ bake: { ...bake, ...part } });
  return (
    <div className="grid grid-cols-2 items-end gap-x-3 gap-y-2 text-[13px] text-ink-soft">
      <SelectField
        label={t`To`}
        value={bake.target}
        onChange={(event) => set({ target: event.target.value as typeof bake.target })}
      >
        {targets.map((target) => (
          <option key={target} value={target}>
            {stateNames[target]}
          </option>
        ))}
      </SelectField>
      <NumberField
        name={t`Oven`}
        label={t`Oven temperature`}
        kind="temperature"
        value={bake.setC}
        min={120}
        max={260}
        onCommit={(setC) => set({ setC })}
      />
      <SelectField
        label={t`Temperature is for`}
        value={bake.fan ? 'fan' : 'still'}
        onChange={(event) => set({ fan: event.target.value === 'fan' })}
      >
        <option value="fan">{t`a fan oven`}</option>
        <option value="still">{t`a still oven`}</option>
      </SelectField>
      <NumberField
        name={t`Gap`}
        label={t`Gap`}
        kind="length"
        value={bake.gapMm}
        min={0}
        max={150}
        onCommit={(gapMm) => set({ gapMm })}
      />
      <NumberField
        name={t`On the hot tray, min`}
        label={t`Minutes on the tray`}
        value={bake.trayRestS / 60}
        min={0}
        max={120}
        onCommit={(minutes) => set({ trayRestS: minutes * 60 })}
      />
      <div className="col-span-full max-w-72">
        <SelectField
          label={t`On`}
          value={bake.liner ?? ''}
          onChange={(event) => {
            const { liner: _, ...rest } = bake;
            const chosen = linerKinds.find((kind) => kind === event.target.value);
            change({ bake: chosen ? { ...rest, liner: chosen } : rest });
          }}
        >
          <option value="">{house ? t`as the house: ${linerNames[house]}` : t`as the house`}</option>
          <LinerOptions equipment={data?.equipment ?? { liners: [] }} />
        </SelectField>
      </div>
      <ItsOvens
        ovens={bake.ovens}
        onChoose={(ovens) => {
          const { ovens: _, ...rest } = bake;
          change({ bake: ovens.length > 0 ? { ...rest, ovens } : rest });
        }}
      />
    </div>
  );
};
