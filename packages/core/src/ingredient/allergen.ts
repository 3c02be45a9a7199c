/** One entry of the union of the EU list of 14 (Regulation 1169/2011, Annex II) and the US list of 9 (FALCPA, FASTER). */
export interface AllergenEntry {
  readonly id: string;
  readonly name: string;
  readonly eu: boolean;
  readonly us: boolean;
}

export const allergenList = [
  { id: 'gluten', name: 'cereals containing gluten', eu: true, us: false },
  { id: 'wheat', name: 'wheat', eu: false, us: true },
  { id: 'crustaceans', name: 'crustaceans', eu: true, us: true },
  { id: 'egg', name: 'egg', eu: true, us: true },
  { id: 'fish', name: 'fish', eu: true, us: true },
  { id: 'peanut', name: 'peanut', eu: true, us: true },
  { id: 'soy', name: 'soy', eu: true, us: true },
  { id: 'milk', name: 'milk', eu: true, us: true },
  { id: 'nuts', name: 'tree nuts', eu: true, us: true },
  { id: 'celery', name: 'celery', eu: true, us: false },
  { id: 'mustard', name: 'mustard', eu: true, us: false },
  { id: 'sesame', name: 'sesame', eu: true, us: true },
  { id: 'sulphite', name: 'sulphite', eu: true, us: false },
  { id: 'lupin', name: 'lupin', eu: true, us: false },
  { id: 'molluscs', name: 'molluscs', eu: true, us: false },
] as const satisfies readonly AllergenEntry[];

export type Allergen = (typeof allergenList)[number]['id'];
export const allergenIds: readonly Allergen[] = allergenList.map(({ id }) => id);
