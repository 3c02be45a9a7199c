import { ingredient, type Ingredient, type Library } from '../ingredient/index.js';
import { ambiguous, noise } from './words.js';

/** What a written name was taken for. */
export interface Match {
  /** One id: known. Several: to be asked about. None: unknown. */
  readonly ids: readonly string[];
  /** Words of the name that the match does not account for. */
  readonly left: readonly string[];
}

/** Singular, small, without marks: "Eggs," and "egg" are the same word. */
const stem = (word: string): string => {
  if (/(ss|us|molasses|swiss)$/.test(word)) return word;
  if (word.endsWith('ies') && word.length > 4) return `${word.slice(0, -3)}y`;
  if (/(ches|shes|oes|xes|lves)$/.test(word))
    return word.replace(/(?:v)?es$/, (end) => (end === 'ves' ? 'f' : ''));
  return word.endsWith('s') && word.length > 3 ? word.slice(0, -1) : word;
};
export const wordsOf = (text: string): readonly string[] =>
  text
    .toLowerCase()
    // purée is puree
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[’']s?\b/g, '')
    .replace(/[^a-zà-ÿß0-9%\s-]/g, ' ')
    .split(/[\s-]+/)
    .filter(Boolean)
    .map(stem);

interface Phrase {
  readonly words: readonly string[];
  readonly ids: readonly string[];
}

const phrasesOf = (library: Library): readonly Phrase[] => {
  const byText = new Map<string, Set<string>>();
  const add = (text: string, ids: readonly string[]) => {
    const key = wordsOf(text).join(' ');
    byText.set(key, new Set([...(byText.get(key) ?? []), ...ids]));
  };
  for (const { id, name, words } of library.values()) for (const word of [name, ...words]) add(word, [id]);
  for (const [text, ids] of Object.entries(ambiguous)) add(text, ids);
  return [...byText]
    .map(([text, ids]) => ({ words: text.split(' '), ids: [...ids] }))
    .sort((a, b) => b.words.length - a.words.length);
};

const known = new WeakMap<Library, readonly Phrase[]>();
/** Every name and other name of a library as words, the longest first. */
const phrases = (library: Library): readonly Phrase[] => {
  const found = known.get(library) ?? phrasesOf(library);
  known.set(library, found);
  return found;
};

const indexOfRun = (words: readonly string[], run: readonly string[]): number => {
  for (let i = 0; i + run.length <= words.length; i++)
    if (run.every((word, j) => words[i + j] === word)) return i;
  return -1;
};

const stemmedNoise: ReadonlySet<string> = new Set([...noise].flatMap((word) => [word, stem(word)]));

/**
 * Words that make another thing of most ingredients, and what they leave as it is: chips of chocolate are chocolate,
 * but chips of peanut butter are not peanut butter; fresh eggs are eggs, but fresh cranberries are not the dried ones.
 */
const changing: ReadonlyMap<string, (food: Ingredient) => boolean> = new Map([
  ['chip', (food) => 'chips' in food.densityGPerMl],
  ['juice', ({ kind, id }) => kind === 'liquid' || id.endsWith('-juice')],
  ['fresh', ({ kind, id }) => kind !== 'inclusion' && !id.startsWith('dried-')],
  ['dried', ({ kind }) => kind === 'inclusion' || kind === 'flavour'],
  ['frozen', ({ kind }) => kind === 'butter'],
  ['juiced', ({ kind, id }) => kind === 'liquid' || id.endsWith('-juice')],
]);
const changes = (word: string, ids: readonly string[], library: Library): boolean => {
  const keeps = changing.get(word);
  return keeps !== undefined && ids.some((id) => !keeps(ingredient(id, library)));
};

/** The known names in a text, the longest first, with what each may be, and the words that are left. */
const namesIn = (text: string, library: Library) => {
  let words = wordsOf(text);
  const found: (readonly string[])[] = [];
  for (const phrase of phrases(library)) {
    const at = indexOfRun(words, phrase.words);
    if (at === -1) continue;
    found.push(phrase.ids);
    words = [...words.slice(0, at), ...words.slice(at + phrase.words.length)];
    if (words.length === 0) break;
  }
  return { found, words };
};

/** Whether a text has one name in it: "brown sugar" may be two things, and is one name; "flour butter" is two. */
export const isOneName = (text: string, library: Library): boolean =>
  namesIn(text, library).found.length === 1;

/**
 * The ingredient of a written name: the longest known name in it. Words that are left over and mean something, or a
 * second ingredient in the same name, make it uncertain: then all that it might be is given back.
 */
export const matchIngredient = (text: string, library: Library): Match => {
  const { found, words } = namesIn(text, library);
  const ids = [...new Set(found.flat())];
  const left = words.filter(
    (word) => changes(word, ids, library) || (!stemmedNoise.has(word) && !/^\d+$/.test(word)),
  );
  return { ids, left };
};

/** Whether a word says only how something is prepared or praised. */
export const isNoise = (word: string): boolean => wordsOf(word).every((one) => stemmedNoise.has(one));

/** Ingredients whose names share words with the text, the likeliest first: what to offer when a name is unknown. */
export const likely = (text: string, library: Library, most = 5): readonly string[] => {
  const words = new Set(wordsOf(text));
  return [...library.values()]
    .map(({ id, name, words: other }) => {
      const own = new Set([name, ...other].flatMap(wordsOf));
      return { id, score: [...words].filter((word) => own.has(word)).length };
    })
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .slice(0, most)
    .map(({ id }) => id);
};
