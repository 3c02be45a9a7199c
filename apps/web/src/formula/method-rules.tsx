import { t } from '@lingui/core/macro';
import { standardMethod, type Formula, type MixMethod } from '@jokul/core';
import { useUnits } from '../lib/units';
import { SelectField } from '../ui/field';
import { useDraft } from './draft-store';
import { NumberField } from './number-cell';

const creams: Readonly<Record<MixMethod['cream'], string>> = {
  short: t`just combined`,
  standard: t`standard, 3 min`,
  long: t`long, pale and fluffy`,
  melted: t`melted butter`,
};

/** The school of a formula: how it is creamed, how far the egg is worked in, how it is finished. */
export const Method = ({ formula, editing }: { formula: Formula; editing: boolean }) => {
  const change = useDraft((s) => s.change);
  const { temperature } = useUnits();
  const method: MixMethod = { ...standardMethod, ...formula.method };
  if (!editing)
    return (
      <p className="mt-3 text-[14px] text-ink-soft">{t`Method: ${creams[method.cream]}; egg ${method.egg === 'fully' ? t`fully worked in` : t`barely blended`}; finished ${method.finish === 'hand' ? t`by hand` : t`in the mixer`}${method.doughC !== undefined ? t`; dough at ${temperature(method.doughC)}` : ''}.`}</p>
    );
  return (
    <div className="mt-3 grid grid-cols-4 items-end max-[900px]:grid-cols-2 gap-3">
      <SelectField
        label={t`Creaming`}
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
        label={t`Egg`}
        value={method.egg}
        onChange={(event) => change({ method: { ...method, egg: event.target.value as MixMethod['egg'] } })}
      >
        <option value="fully">{t`fully worked in`}</option>
        <option value="barely">{t`barely blended`}</option>
      </SelectField>
      <SelectField
        label={t`Finish`}
        value={method.finish}
        onChange={(event) =>
          change({ method: { ...method, finish: event.target.value as MixMethod['finish'] } })
        }
      >
        <option value="machine">{t`in the mixer`}</option>
        <option value="hand">{t`by hand`}</option>
      </SelectField>
      <NumberField
        name={t`Dough`}
        label={t`Dough temperature`}
        kind="temperature"
        value={method.doughC ?? 22}
        min={5}
        max={35}
        onCommit={(doughC) => change({ method: { ...method, doughC } })}
      />
    </div>
  );
};
