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

/** What a class of allergens is named by on a label: which nut, which cereal (Regulation 1169/2011, Annex II; FALCPA). */
export const allergenSources = [
  { id: 'rye', name: 'rye', of: 'gluten' },
  { id: 'barley', name: 'barley', of: 'gluten' },
  { id: 'oats', name: 'oats', of: 'gluten' },
  { id: 'almond', name: 'almond', of: 'nuts' },
  { id: 'brazil-nut', name: 'Brazil nut', of: 'nuts' },
  { id: 'cashew', name: 'cashew', of: 'nuts' },
  { id: 'hazelnut', name: 'hazelnut', of: 'nuts' },
  { id: 'macadamia', name: 'macadamia', of: 'nuts' },
  { id: 'pecan', name: 'pecan', of: 'nuts' },
  { id: 'pistachio', name: 'pistachio', of: 'nuts' },
  { id: 'walnut', name: 'walnut', of: 'nuts' },
] as const satisfies readonly { id: string; name: string; of: Allergen }[];

/** A nut or a cereal by its name. */
export type AllergenSource = (typeof allergenSources)[number]['id'];
export const allergenSourceIds: readonly AllergenSource[] = allergenSources.map(({ id }) => id);

/** What somebody must know who eats of it: classes, and what they are of. */
export type Declared = Allergen | AllergenSource;

const isSource = (id: string): id is AllergenSource => allergenSourceIds.some((known) => known === id);

/** The class that a nut or a cereal belongs to. */
export const classOfSource = (id: AllergenSource): Allergen =>
  allergenSources.find((source) => source.id === id)?.of ?? 'nuts';

/**
 * As a label says it: "gluten (wheat, rye)", "tree nuts (hazelnut)", "milk". A class whose source nobody named stands alone;
 * a source whose class is not said brings it along.
 * @param declared ids of classes and sources, in any order; what is not known here is said as it is
 */
export const allergenWords = (declared: readonly string[]): readonly string[] => {
  const sources = declared.filter(isSource);
  const classes = [...new Set([...declared.filter((id) => !isSource(id)), ...sources.map(classOfSource)])];
  const isCereal = classes.includes('gluten');
  return classes
    .filter((id) => id !== 'wheat' || !isCereal)
    .map((id) => {
      const name = id === 'gluten' ? id : (allergenList.find((own) => own.id === id)?.name ?? id);
      const of = [
        ...(id === 'gluten' && classes.includes('wheat') ? ['wheat'] : []),
        ...allergenSources.filter((own) => own.of === id && sources.includes(own.id)).map((own) => own.name),
      ];
      return of.length > 0 ? `${name} (${of.join(', ')})` : name;
    });
};

/** "wheat, walnut, milk": each by what it is of, by its class where nobody said. */
export const allergensBySource = (declared: readonly string[]): readonly string[] => {
  const sources = declared.filter(isSource);
  const isWheat = declared.includes('wheat');
  const named = new Set<string>([...sources.map(classOfSource), ...(isWheat ? ['gluten', 'wheat'] : [])]);
  return [
    ...(isWheat ? ['wheat'] : []),
    ...allergenSources.filter(({ id }) => sources.includes(id)).map(({ name }) => name),
    ...allergenWords(declared.filter((id) => !isSource(id) && !named.has(id))),
  ];
};
