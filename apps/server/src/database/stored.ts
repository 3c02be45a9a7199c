import { JokulError, usualAgeLimits, usualCentreC, usualCleanS, usualProbeSilentS, say } from '@jokul/core';

/*
 * JSON in the database carries the version of its form. What an older Jokul wrote is brought up as it is read; what a
 * newer one wrote is refused, since half of it would be lost when it is written back.
 */

type Json = Readonly<Record<string, unknown>>;

export interface StoredForm {
  readonly name: string;
  /** From each version to the next, the first version being 1. */
  readonly upgrades: readonly ((old: Json) => Json)[];
}

const withFinishing = (shifts: unknown): unknown =>
  Array.isArray(shifts)
    ? shifts.map((shift: Json) =>
        Array.isArray(shift.can) ? { ...shift, can: [...(shift.can as unknown[]), 'oven', 'pack'] } : shift,
      )
    : shifts;

const form = (name: string, ...upgrades: StoredForm['upgrades']): StoredForm => ({ name, upgrades });

/** Lists are kept as rows of a group, so that they too can carry a version. */
export const storedForms = {
  formula: form('formula'),
  // Batches that are made by another version than the latest have forecasts of their own.
  plan: form('plan', (old) => ({ ...old, batchForecasts: {}, moves: old.moves ?? [] })),
  equipment: form(
    'equipment',
    // Hands that could not do all could at least tend the ovens and pack.
    (old) => ({ ...old, shifts: withFinishing(old.shifts) }),
    // Of what pieces lie on there was as much as was wanted.
    (old) => ({ liners: [], ...old }),
  ),
  rules: form(
    say`house rules`,
    // How long dough may be in each state, and when a silent probe is an alarm.
    (old) => ({ ...usualAgeLimits, probeSilentS: usualProbeSilentS, ...old }),
    // What the centre of a baked piece must reach.
    (old) => ({ centreC: usualCentreC, ...old }),
    // How long a bowl is cleaned of an allergen.
    (old) => ({ cleanS: usualCleanS, ...old }),
    // Packing took nobody's time: it goes on so until somebody says that it does.
    (old) => ({ packPieceS: 0, ...old }),
    // Nor did putting trays in and taking them out.
    (old) => ({ ovenTrayS: 0, ...old }),
    // Limits and factors were the usual ones.
    (old) => ({ limits: {}, ...old }),
    // Labels named allergens by their classes.
    (old) => ({ labels: 'classes', ...old }),
  ),
  clock: form('clock'),
  bakery: form('bakery'),
  ingredients: form(say`own ingredients`),
  prices: form('prices'),
  calibration: form('calibration'),
  faults: form(say`faults of the probes`),
} as const;
export type StoredName = keyof typeof storedForms;

const isGroup = (x: unknown): x is Json => typeof x === 'object' && x !== null && !Array.isArray(x);

/** The version that is written now. */
export const schemaOf = ({ upgrades }: StoredForm): number => upgrades.length + 1;

/**
 * What a column holds, brought up to the form of today.
 * @throws JokulError `newer-data`
 */
// oxlint-disable-next-line typescript/no-unnecessary-type-parameters -- who reads a form names what it holds
export const unpack = <T>(name: StoredName, raw: unknown): T => {
  const stored = storedForms[name];
  const group: Json = isGroup(raw) ? raw : { rows: raw };
  const { schema = 1, ...rest } = group;
  const from = typeof schema === 'number' ? schema : 1;
  if (from > schemaOf(stored))
    throw new JokulError(
      'newer-data',
      say`The ${stored.name} in the database is of a newer Jokul (version ${from}, this one knows ${schemaOf(stored)}). Nothing was changed: start the newer one.`,
      name,
    );
  const value = stored.upgrades.slice(from - 1).reduce<Json>((old, upgrade) => upgrade(old), rest);
  return ('rows' in value && Object.keys(value).length === 1 ? value.rows : value) as T;
};

/** The value as a column holds it. */
export const pack = (name: StoredName, value: unknown): Json => ({
  ...(isGroup(value) ? value : { rows: value }),
  schema: schemaOf(storedForms[name]),
});

/** For a column that always holds the same form. */
export const packed = (name: StoredName) => ({
  to: (value: unknown) => (value === undefined ? value : pack(name, value)),
  from: (raw: unknown) => unpack(name, raw),
});
