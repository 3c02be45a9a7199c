import { t } from '@lingui/core/macro';
import { pressedRangeMm, type Formula } from '@jokul/core';
import { useUnits } from '../lib/units';
import { SelectField } from '../ui/field';
import { useDraft } from './draft-store';
import { NumberField } from './number-cell';
import { OptionalNumber } from './optional-number';
import { shapeNames, stateNames } from '../words/names-of-codes';

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

export const BakeFields = ({ bake }: { readonly bake: Formula['bake'] }) => {
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
    </div>
  );
};
