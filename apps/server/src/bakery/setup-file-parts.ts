import { equipmentKinds, JokulError, withoutFoods, type Equipment, type Formula, say } from '@jokul/core';

const without = <T extends object, K extends keyof T>(whole: T, key: K): Omit<T, K> =>
  Object.fromEntries(Object.entries(whole).filter(([own]) => own !== key)) as Omit<T, K>;

/** A formula as a file has it: its number of version is the bakery's own. */
export const bodyOf = (formula: Formula) => without(withoutFoods(formula), 'version');

/** What people learned of a place stays with the bakery: the file has what they set up. */
export const setUpOf = (equipment: Equipment) => ({
  ...equipment,
  places: equipment.places.map((place) => without(place, 'learned')),
});

/** @returns the error of who looked at a file while somebody else changed the setup */
export const changedMeanwhile = () =>
  new JokulError(
    'changed-meanwhile',
    say`Somebody else changed the setup meanwhile. Look at the file again, then take it in.`,
    'versions',
  );

/** A list of each kind of equipment. */
export const kinds = (of: (kind: (typeof equipmentKinds)[number]) => readonly object[]) =>
  Object.fromEntries(equipmentKinds.map((kind) => [kind, of(kind)])) as Record<
    (typeof equipmentKinds)[number],
    readonly object[]
  >;
