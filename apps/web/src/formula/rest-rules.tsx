import { t } from '@lingui/core/macro';
import { coverOf, type Formula, type RestRule } from '@jokul/core';
import { SelectField } from '../ui/field';
import { useDraft } from './draft-store';
import { NumberField } from './number-cell';

export const restForms: Readonly<Record<RestRule['form'], string>> = {
  pieces: t`portioned, on trays`,
  tub: t`whole, in a tub`,
  bag: t`pieces in bags`,
  none: t`not rested`,
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
  ['minS', t`Shortest`, t`Shortest rest`],
  ['bestS', t`Best`, t`Best rest`],
  ['maxS', t`Longest`, t`Longest rest`],
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
          label={t`Rests`}
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
            label={t`In`}
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
      {rest.form !== 'none' && (
        <SelectField
          label={t`In the cold`}
          value={coverOf(rest)}
          onChange={(event) => {
            const { cover: _, ...others } = rest;
            const cover = event.target.value === 'open' ? 'open' : 'covered';
            change({ rest: cover === coverOf({ form: rest.form }) ? others : { ...others, cover } });
          }}
        >
          <option value="open">{t`open`}</option>
          <option value="covered">{t`covered`}</option>
        </SelectField>
      )}
      {rest.form === 'none' ? (
        hoursField('maxS', t`On the tray at most, h`, t`Longest on the tray`)
      ) : (
        <>
          <div className="grid grid-cols-3 gap-2">
            {rested.map(([key, name, label]) => hoursField(key, t`${name}, h`, label))}
          </div>
          <NumberField
            name={rest.form === 'bag' ? t`Of it thawing, min` : t`Of it on the bench before the bake, min`}
            label={t`Out of the cold before the bake`}
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
