import { say } from '../shown/index.js';

/** One entry of the union of the EU list of 14 (Regulation 1169/2011, Annex II) and the US list of 9 (FALCPA, FASTER). */
export interface AllergenEntry {
  readonly id: string;
  readonly name: string;
  readonly eu: boolean;
  readonly us: boolean;
}

export const allergenList = [
  { id: 'gluten', name: say`cereals containing gluten`, eu: true, us: false },
  { id: 'wheat', name: say`wheat`, eu: false, us: true },
  { id: 'crustaceans', name: say`crustaceans`, eu: true, us: true },
  { id: 'egg', name: say`egg`, eu: true, us: true },
  { id: 'fish', name: say`fish`, eu: true, us: true },
  { id: 'peanut', name: say`peanut`, eu: true, us: true },
  { id: 'soy', name: say`soy`, eu: true, us: true },
  { id: 'milk', name: say`milk`, eu: true, us: true },
  { id: 'nuts', name: say`tree nuts`, eu: true, us: true },
  { id: 'celery', name: say`celery`, eu: true, us: false },
  { id: 'mustard', name: say`mustard`, eu: true, us: false },
  { id: 'sesame', name: say`sesame`, eu: true, us: true },
  { id: 'sulphite', name: say`sulphite`, eu: true, us: false },
  { id: 'lupin', name: say`lupin`, eu: true, us: false },
  { id: 'molluscs', name: say`molluscs`, eu: true, us: false },
] as const satisfies readonly AllergenEntry[];

export type Allergen = (typeof allergenList)[number]['id'];
export const allergenIds: readonly Allergen[] = allergenList.map(({ id }) => id);

/** What a class of allergens is named by on a label: which nut, which cereal (Regulation 1169/2011, Annex II; FALCPA). */
export const allergenSources = [
  { id: 'rye', name: say`rye`, of: 'gluten' },
  { id: 'barley', name: say`barley`, of: 'gluten' },
  { id: 'oats', name: say`oats`, of: 'gluten' },
  { id: 'almond', name: say`almond`, of: 'nuts' },
  { id: 'brazil-nut', name: say`Brazil nut`, of: 'nuts' },
  { id: 'cashew', name: say`cashew`, of: 'nuts' },
  { id: 'hazelnut', name: say`hazelnut`, of: 'nuts' },
  { id: 'macadamia', name: say`macadamia`, of: 'nuts' },
  { id: 'pecan', name: say`pecan`, of: 'nuts' },
  { id: 'pistachio', name: say`pistachio`, of: 'nuts' },
  { id: 'walnut', name: say`walnut`, of: 'nuts' },
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
      const name = id === 'gluten' ? say`gluten` : (allergenList.find((own) => own.id === id)?.name ?? id);
      const of = [
        ...(id === 'gluten' && classes.includes('wheat') ? [say`wheat`] : []),
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
    ...(isWheat ? [say`wheat`] : []),
    ...allergenSources.filter(({ id }) => sources.includes(id)).map(({ name }) => name),
    ...allergenWords(declared.filter((id) => !isSource(id) && !named.has(id))),
  ];
};
