import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  onLiner,
  readTyped,
  typedUnit,
  type Liner,
  type LinerStock,
  type TrayMaterial,
  type TypedKind,
} from '@jokul/core';
import { saidFigure, typedFigure, useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field, SelectField } from '../ui/field';
import type { Conditions, Variant } from './use-conditions';
import { linerNames, trayMaterialNames } from '../words/names-of-codes';

/** A figure of the bake that may be put otherwise, with the limits of the model. */
const asked = [
  { key: 'start', name: t`Dough`, kind: 'temperature', low: -30, high: 35 },
  { key: 'setC', name: t`Oven`, kind: 'temperature', low: 120, high: 260 },
  { key: 'massG', name: t`Piece`, kind: 'mass', low: 8, high: 200 },
] as const satisfies readonly {
  readonly key: string;
  readonly name: string;
  readonly kind: TypedKind;
  readonly low: number;
  readonly high: number;
}[];

const within = (value: number | null, low: number, high: number): number | null =>
  value !== null && value >= low - 1e-9 && value <= high + 1e-9 ? value : null;

const TrayAndLiner = ({
  tray,
  liner,
  onTray,
  onLiner,
}: {
  readonly tray: TrayMaterial;
  readonly liner: Liner;
  readonly onTray: (tray: TrayMaterial) => void;
  readonly onLiner: (liner: Liner) => void;
}) => (
  <>
    <SelectField
      label={t`Tray`}
      value={tray}
      onChange={(event) => onTray(event.target.value as TrayMaterial)}
    >
      {Object.entries(trayMaterialNames).map(([material, name]) => (
        <option key={material} value={material}>
          {name}
        </option>
      ))}
    </SelectField>
    <SelectField label={t`Liner`} value={liner} onChange={(event) => onLiner(event.target.value as Liner)}>
      {Object.entries(linerNames).map(([own, name]) => (
        <option key={own} value={own}>
          {name}
        </option>
      ))}
    </SelectField>
  </>
);

/** The bake on another liner: what the house knows of its own holds for no other. */
const lieOn = (base: Conditions, liner: Liner, liners: readonly LinerStock[]): Conditions => {
  if (liner === base.liner) return base;
  const { contactWPerM2K: _contact, drag: _drag, ...others } = base;
  return { ...others, ...onLiner(liner, { liners }) };
};

/** A bake of one's own beside the planned one: other dough, oven, piece, tray or liner. */
export const OwnWhatIf = ({
  base,
  liners,
  onAdd,
}: {
  readonly base: Conditions;
  readonly liners: readonly LinerStock[];
  readonly onAdd: (variant: Variant) => void;
}) => {
  const { units, temperature, mass } = useUnits();
  const planned = {
    start: typedFigure(base.start, 'temperature', units),
    setC: typedFigure(base.setC, 'temperature', units),
    massG: '',
  };
  const [text, setText] = useState(planned);
  const [tray, setTray] = useState<TrayMaterial>(base.tray);
  const [liner, setLiner] = useState<Liner>(base.liner);
  // What nobody touched is what is planned, to its last digit.
  const temperatureOf = (key: 'start' | 'setC', low: number, high: number) =>
    text[key] === planned[key] ? base[key] : within(readTyped(text[key], 'temperature', units), low, high);
  const start = temperatureOf('start', -30, 35);
  const setC = temperatureOf('setC', 120, 260);
  const massG = text.massG.trim() === '' ? undefined : within(readTyped(text.massG, 'mass', units), 8, 200);
  const read = { start, setC, massG };
  return (
    <form
      aria-label={t`A change of your own`}
      className="mt-3 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (start === null || setC === null || massG === null) return;
        const parts = [
          start !== base.start && t`dough ${temperature(start)}`,
          setC !== base.setC && t`oven ${temperature(setC)}`,
          massG !== undefined && mass(massG),
          tray !== base.tray && trayMaterialNames[tray],
          liner !== base.liner && linerNames[liner],
        ].filter(Boolean);
        onAdd({
          name: parts.join(', ') || t`the same again`,
          on: { ...lieOn(base, liner, liners), start, setC, tray, ...(massG !== undefined && { massG }) },
        });
      }}
    >
      {asked.map(({ key, name, kind, low, high }) => (
        <div key={key} className="w-24">
          <Field
            label={`${name}, ${typedUnit(kind, units)}`}
            inputMode="decimal"
            className="figures text-right"
            placeholder={key === 'massG' ? t`as it is` : undefined}
            value={text[key]}
            error={
              read[key] === null
                ? t`${saidFigure(low, kind, units)} to ${saidFigure(high, kind, units)}`
                : undefined
            }
            onChange={(event) => setText({ ...text, [key]: event.target.value })}
          />
        </div>
      ))}
      <TrayAndLiner tray={tray} liner={liner} onTray={setTray} onLiner={setLiner} />
      <Button type="submit" disabled={Object.values(read).includes(null)}>{t`Compare`}</Button>
    </form>
  );
};
