import { say } from '../shown/index.js';
/** How an ingredient is made ready before it is weighed, in the order in which that is done. */
export const readyWays = ['toasted', 'melted', 'heated', 'chopped', 'sifted', 'warm', 'cold'] as const;
export type ReadyWay = (typeof readyWays)[number];

export const readyWords: Readonly<Record<ReadyWay, string>> = {
  toasted: 'toasted',
  melted: 'melted',
  heated: say`heated in a pan`,
  chopped: 'chopped',
  sifted: 'sifted',
  warm: 'room-warm',
  cold: say`kept cold`,
};

/**
 * A person's time and the time that it stands afterwards, s. Usual figures: nuts on a tray in a moderate oven, then cold
 * enough to be chopped and not to melt butter; a pan, and what is melted cooled to where egg may go in; a knife, not a machine; a sieve over the bowl; a jar or a tub out of the
 * cold. What is kept cold is fetched when it goes in.
 */
const times: Readonly<
  Record<ReadyWay, { readonly onceS: number; readonly perKgS: number; readonly standsS: number }>
> = {
  toasted: { onceS: 15 * 60, perKgS: 60, standsS: 45 * 60 },
  melted: { onceS: 5 * 60, perKgS: 3 * 60, standsS: 25 * 60 },
  heated: { onceS: 4 * 60, perKgS: 2 * 60, standsS: 10 * 60 },
  chopped: { onceS: 60, perKgS: 10 * 60, standsS: 0 },
  sifted: { onceS: 60, perKgS: 90, standsS: 0 },
  warm: { onceS: 60, perKgS: 0, standsS: 60 * 60 },
  cold: { onceS: 0, perKgS: 0, standsS: 0 },
};

/** @param massG of all that is made ready so for one dough, g */
export const readyTime = (
  way: ReadyWay,
  massG: number,
): { readonly workS: number; readonly standsS: number } => {
  const { onceS, perKgS, standsS } = times[way];
  return { workS: Math.round(onceS + (perKgS * massG) / 1000), standsS };
};

interface Readied {
  readonly ready?: readonly ReadyWay[];
  readonly browned?: boolean;
}

/** "toasted and chopped"; nothing where it goes in as it comes. What the ingredient's name says is not said again. */
export const sayReady = ({ ready = [] }: Readied, name: string): string =>
  readyWays
    .filter((way) => ready.includes(way) && !name.toLowerCase().includes(readyWords[way]))
    .map((way) => readyWords[way])
    .join(' and ');

/** The name of a weighed line with what is done to it first: "Pecans, chopped, toasted", "Butter, to brown". */
export const lineName = (line: Readied, name: string): string =>
  [name, ...(line.browned ? [say`to brown`] : []), sayReady(line, name)].filter(Boolean).join(', ');

/** What a recipe says is done to an ingredient, in the languages that recipes are read in. */
const readyPhrases: readonly (readonly [RegExp, ReadyWay])[] = [
  [/(?<!\p{L})(?:toasted|geröstete?[nrs]?|grillée?s?|torréfiée?s?)(?!\p{L})/iu, 'toasted'],
  // Of butter "of which 50 g melted" the rest is not.
  [
    /(?<!\bof which\b.*)(?<!\p{L})(?:melted|geschmolzene?[nrs]?|zerlassene?[nrs]?|fondue?s?)(?!\p{L})/iu,
    'melted',
  ],
  [/(?<!\p{L})(?:heated|warmed|erwärmte?[nrs]?|erhitzte?[nrs]?|chauffée?s?)(?!\p{L})/iu, 'heated'],
  [
    /(?<!\p{L})(?:(?:roughly |coarsely |finely )?chopped|diced|(?:grob |fein )?gehackte?[nrs]?|hachée?s?|concassée?s?)(?!\p{L})/iu,
    'chopped',
  ],
  [/(?<!\p{L})(?:sifted|sieved|gesiebte?[nrs]?|tamisée?s?)(?!\p{L})/iu, 'sifted'],
  [
    /(?<!\p{L})(?:(?:at )?room[- ]temp(?:erature)?|room[- ]warm|zimmerwarm|raumwarm|à température ambiante)(?!\p{L})/iu,
    'warm',
  ],
  [/(?<!\p{L})(?:kept cold|well chilled|fridge[- ]cold|gut gekühlt|bien froide?s?)(?!\p{L})/iu, 'cold'],
];

/** The ways that a line of a recipe names. */
export const readyIn = (text: string): readonly ReadyWay[] =>
  readyWays.filter((way) => readyPhrases.some(([phrase, meant]) => meant === way && phrase.test(text)));
