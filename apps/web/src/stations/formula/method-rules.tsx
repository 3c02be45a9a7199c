import { standardMethod, type Formula, type MixMethod } from '@jokul/core';
import { useUnits } from '../../lib/units';
import { SelectField } from '../../ui/field';
import { useDraft } from './draft-store';
import { NumberField } from './number-cell';

const creams: Readonly<Record<MixMethod['cream'], string>> = {
  short: 'just combined',
  standard: 'standard, 3 min',
  long: 'long, pale and fluffy',
  melted: 'melted butter',
};

/** The school of a formula: how it is creamed, how far the egg is worked in, how it is finished. */
export const Method = ({ formula, editing }: { formula: Formula; editing: boolean }) => {
  const change = useDraft((s) => s.change);
  const { temperature } = useUnits();
  const method: MixMethod = { ...standardMethod, ...formula.method };
  if (!editing)
    return (
      <p className="mt-3 text-[14px] text-ink-soft">
        Method: {creams[method.cream]}; egg {method.egg === 'fully' ? 'fully worked in' : 'barely blended'};
        finished {method.finish === 'hand' ? 'by hand' : 'in the mixer'}
        {method.doughC !== undefined && `; dough at ${temperature(method.doughC)}`}.
      </p>
    );
  return (
    <div className="mt-3 grid grid-cols-4 items-end max-[900px]:grid-cols-2 gap-3">
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
      <NumberField
        name="Dough"
        label="Dough temperature"
        kind="temperature"
        value={method.doughC ?? 22}
        min={5}
        max={35}
        onCommit={(doughC) => change({ method: { ...method, doughC } })}
      />
    </div>
  );
};
