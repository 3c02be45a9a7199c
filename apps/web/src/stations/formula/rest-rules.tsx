import type { Formula, RestRule } from '@jokul/core';
import { SelectField } from '../../ui/field';
import { useDraft } from './draft-store';
import { NumberField } from './number-cell';

export const restForms: Readonly<Record<RestRule['form'], string>> = {
  pieces: 'portioned, on trays',
  tub: 'whole, in a tub',
  bag: 'pieces in bags',
  none: 'not rested',
};
export const restPlaces: Readonly<Record<RestRule['placeKind'], string>> = {
  'walk-in': 'walk-in',
  freezer: 'freezer',
  bench: 'bench',
};

const hour = 3600;
/** What is usual for each way to rest: where the hours begin when it is chosen. */
const usual: Readonly<Record<RestRule['form'], RestRule>> = {
  pieces: {
    form: 'pieces',
    placeKind: 'walk-in',
    minS: hour,
    bestS: 3 * hour,
    maxS: 48 * hour,
    temperS: 0,
  },
  tub: {
    form: 'tub',
    placeKind: 'walk-in',
    minS: 12 * hour,
    bestS: 24 * hour,
    maxS: 72 * hour,
    temperS: 0,
  },
  bag: {
    form: 'bag',
    placeKind: 'freezer',
    minS: 4 * hour,
    bestS: 24 * hour,
    maxS: 60 * 24 * hour,
    temperS: hour,
  },
  none: { form: 'none', placeKind: 'bench', minS: 0, bestS: 0, maxS: hour, temperS: 0 },
};

type Hours = 'minS' | 'bestS' | 'maxS';
const rested: readonly (readonly [Hours, string, string])[] = [
  ['minS', 'Shortest', 'Shortest rest'],
  ['bestS', 'Best', 'Best rest'],
  ['maxS', 'Longest', 'Longest rest'],
];

/** How a dough rests between the mixer and the oven: as what, where, and how long. */
export const RestFields = ({ rest }: { readonly rest: Formula['rest'] }) => {
  const change = useDraft((s) => s.change);
  const set = (part: Partial<RestRule>) => change({ rest: { ...rest, ...part } });
  const hoursField = (key: Hours, name: string, label: string) => (
    <NumberField
      key={key}
      name={name}
      label={label}
      value={rest[key] / hour}
      min={0}
      max={2160}
      onCommit={(h) => set({ [key]: h * hour })}
    />
  );
  return (
    <div className="space-y-2 text-[13px] text-ink-soft">
      <div className="grid grid-cols-2 items-end gap-2">
        <SelectField
          label="Rests"
          value={rest.form}
          onChange={(event) => change({ rest: usual[event.target.value as RestRule['form']] })}
        >
          {Object.entries(restForms).map(([form, name]) => (
            <option key={form} value={form}>
              {name}
            </option>
          ))}
        </SelectField>
        {rest.form !== 'none' && (
          <SelectField
            label="In"
            value={rest.placeKind}
            onChange={(event) => set({ placeKind: event.target.value as RestRule['placeKind'] })}
          >
            {Object.entries(restPlaces).map(([place, name]) => (
              <option key={place} value={place}>
                {name}
              </option>
            ))}
          </SelectField>
        )}
      </div>
      {rest.form === 'none' ? (
        hoursField('maxS', 'On the tray at most, h', 'Longest on the tray')
      ) : (
        <>
          <div className="grid grid-cols-3 gap-2">
            {rested.map(([key, name, label]) => hoursField(key, `${name}, h`, label))}
          </div>
          <NumberField
            name={rest.form === 'bag' ? 'Of it thawing, min' : 'Of it on the bench before the bake, min'}
            label="Out of the cold before the bake"
            value={rest.temperS / 60}
            min={0}
            max={1440}
            onCommit={(minutes) => set({ temperS: minutes * 60 })}
          />
        </>
      )}
    </div>
  );
};
