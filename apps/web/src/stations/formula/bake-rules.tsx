import { standardMethod, type Formula, type MixMethod } from '@jokul/core';
import { useUnits } from '../../lib/units';
import { SelectField } from '../../ui/field';
import { useDraft } from './draft-store';
import { NumberCell } from './number-cell';

const shapes = ['ball', 'mound', 'puck', 'slice'] as const;
const targets = ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'] as const;
const forms = {
  pieces: 'portioned, on trays',
  tub: 'whole, in a tub',
  bag: 'pieces in bags',
  none: 'not rested',
} as const;

const creams: Readonly<Record<MixMethod['cream'], string>> = {
  short: 'just combined',
  standard: 'standard, 3 min',
  long: 'long, pale and fluffy',
  melted: 'melted butter',
};

/** The school of a formula: how it is creamed, how far the egg is worked in, how it is finished. */
const Method = ({ formula, editing }: { formula: Formula; editing: boolean }) => {
  const change = useDraft((s) => s.change);
  const { temperature } = useUnits();
  const method: MixMethod = { ...standardMethod, ...formula.method };
  if (!editing)
    return (
      <p className="mt-3 text-[14px] text-ink-soft">
        Worked: {creams[method.cream]}; egg {method.egg === 'fully' ? 'fully worked in' : 'barely blended'};
        finished {method.finish === 'hand' ? 'by hand' : 'in the mixer'}
        {method.doughC !== undefined && `; dough at ${temperature(method.doughC)}`}.
      </p>
    );
  return (
    <div className="mt-3 grid grid-cols-4 items-end gap-3">
      <SelectField
        label="Creaming"
        value={method.cream}
        onChange={(event) =>
          change({ method: { ...method, cream: event.target.value as MixMethod['cream'] } })
        }
      >
        {Object.entries(creams).map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Egg"
        value={method.egg}
        onChange={(event) => change({ method: { ...method, egg: event.target.value as MixMethod['egg'] } })}
      >
        <option value="fully">fully worked in</option>
        <option value="barely">barely blended</option>
      </SelectField>
      <SelectField
        label="Finish"
        value={method.finish}
        onChange={(event) =>
          change({ method: { ...method, finish: event.target.value as MixMethod['finish'] } })
        }
      >
        <option value="machine">in the mixer</option>
        <option value="hand">by hand</option>
      </SelectField>
      <label className="text-[13px] text-ink-soft">
        Dough, °C
        <NumberCell
          label="Dough temperature"
          value={method.doughC ?? 22}
          min={5}
          max={35}
          onCommit={(doughC) => change({ method: { ...method, doughC } })}
        />
      </label>
    </div>
  );
};

const Box = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <section className="rounded-lg border bg-surface px-3 py-2">
    <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">{title}</h2>
    {children}
  </section>
);

const Rules = ({ formula, editing }: { formula: Formula; editing: boolean }) => {
  const change = useDraft((s) => s.change);
  const { duration, temperature } = useUnits();
  const { piece, rest, bake } = formula;
  const hours = (seconds: number) => seconds / 3600;
  if (!editing) {
    return (
      <div className="mt-4 grid grid-cols-3 gap-3">
        <Box title="Piece">
          {piece.massG} g {piece.shape}
        </Box>
        <Box title="Rest">
          {rest.form === 'none'
            ? `none, on the tray at most ${duration(rest.maxS)}`
            : `${forms[rest.form]}, ${rest.placeKind}: ${duration(rest.minS)} to ${duration(rest.maxS)}, best ${duration(rest.bestS)}`}
          {rest.temperS > 0 &&
            `, of it ${duration(rest.temperS)} ${rest.form === 'bag' ? 'thawing' : 'on the bench'}`}
        </Box>
        <Box title="Bake">
          to {bake.target.replace('-', ' ')} at {temperature(bake.setC)} {bake.fan ? 'fan' : 'still'}, gap{' '}
          {bake.gapMm} mm, {duration(bake.trayRestS)} on the tray
        </Box>
      </div>
    );
  }
  return (
    <div className="mt-4 grid grid-cols-3 gap-3">
      <Box title="Piece">
        <div className="grid grid-cols-2 items-end gap-2">
          <label className="text-[13px] text-ink-soft">
            Grams
            <NumberCell
              label="Piece weight"
              value={piece.massG}
              min={8}
              max={200}
              onCommit={(massG) => change({ piece: { ...piece, massG } })}
            />
          </label>
          <SelectField
            label="Shape"
            value={piece.shape}
            onChange={(event) =>
              change({ piece: { ...piece, shape: event.target.value as typeof piece.shape } })
            }
          >
            {shapes.map((shape) => (
              <option key={shape}>{shape}</option>
            ))}
          </SelectField>
        </div>
      </Box>
      <Box title="Rest, hours">
        <div className="grid grid-cols-3 gap-2 text-[13px] text-ink-soft">
          <label>
            Shortest
            <NumberCell
              label="Shortest rest"
              value={hours(rest.minS)}
              min={0}
              max={2160}
              onCommit={(h) => change({ rest: { ...rest, minS: h * 3600 } })}
            />
          </label>
          <label>
            Best
            <NumberCell
              label="Best rest"
              value={hours(rest.bestS)}
              min={0}
              max={2160}
              onCommit={(h) => change({ rest: { ...rest, bestS: h * 3600 } })}
            />
          </label>
          <label>
            Longest
            <NumberCell
              label="Longest rest"
              value={hours(rest.maxS)}
              min={0}
              max={2160}
              onCommit={(h) => change({ rest: { ...rest, maxS: h * 3600 } })}
            />
          </label>
        </div>
      </Box>
      <Box title="Bake">
        <div className="grid grid-cols-2 items-end gap-2">
          <SelectField
            label="To"
            value={bake.target}
            onChange={(event) =>
              change({ bake: { ...bake, target: event.target.value as typeof bake.target } })
            }
          >
            {targets.map((target) => (
              <option key={target} value={target}>
                {target.replace('-', ' ')}
              </option>
            ))}
          </SelectField>
          <label className="text-[13px] text-ink-soft">
            Oven, °C
            <NumberCell
              label="Oven temperature"
              value={bake.setC}
              min={120}
              max={260}
              onCommit={(setC) => change({ bake: { ...bake, setC } })}
            />
          </label>
          <label className="text-[13px] text-ink-soft">
            Gap, mm
            <NumberCell
              label="Gap"
              value={bake.gapMm}
              min={0}
              max={150}
              onCommit={(gapMm) => change({ bake: { ...bake, gapMm } })}
            />
          </label>
        </div>
      </Box>
    </div>
  );
};

/** Method, piece, rest and bake of a formula. */
export const BakeRules = (props: { formula: Formula; editing: boolean }) => (
  <>
    <Method {...props} />
    <Rules {...props} />
  </>
);
