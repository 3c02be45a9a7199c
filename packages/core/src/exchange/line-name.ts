import { isNoise, matchIngredient, wordsOf, type Match } from './match-ingredient.js';
import type { Library } from '../ingredient/index.js';
import { unitOfWord } from './words.js';

/** "butter or margarine", "light or dark brown sugar": what each of the two is. Same ingredient twice is no choice. */
const eitherOr = (head: string, library: Library): readonly string[] | null => {
  const sides = head.split(/\s+or\s+/i);
  if (sides.length < 2) return null;
  // What the last one is called behind its first word may be meant of all.
  const shared = (sides.at(-1) ?? '').replace(/^\S+\s*/, '');
  const ids = sides.map((side) => {
    const own = matchIngredient(side, library).ids;
    if (own.length > 0 || shared === '') return own;
    const whole = matchIngredient(`${side} ${shared}`, library);
    return whole.left.length === 0 ? whole.ids : [];
  });
  return ids.every((side) => side.length > 0) ? [...new Set(ids.flat())] : null;
};

/** "sugar, half brown, half white", "flour, half rye": what each half may be. Both of one kind are no choice. */
const halves = (head: string, tail: string, library: Library): readonly string[] | null => {
  const kinds = [...tail.matchAll(halfOf)].map(([, kind = '']) => kind);
  const ids = kinds.flatMap((kind) => matchIngredient(`${kind} ${head}`, library).ids);
  // Of which kind the other half is, where only one is named, the head says.
  if (kinds.length === 1) ids.push(...matchIngredient(head, library).ids);
  return kinds.length > 0 && new Set(ids).size > 1 ? [...new Set(ids)] : null;
};
const halfOf =
  /\bhalf\s+(?:of\s+(?:it|them)\s+)?(?!of\b|an?\b)([\p{L}-]+(?:\s+(?!and\b|half\b|the\b)[\p{L}-]+)?)/giu;

/** Words that mean something; a figure with its unit is asked about, and no word. */
const meaningful = (text: string, library: Library) =>
  wordsOf(text).filter(
    (word) => unitOfWord(word) === undefined && matchIngredient(word, library).left.length > 0,
  );

/**
 * The name before the comma; with what is behind it put in front ("sugar, brown") when that means something. Words
 * behind the comma that mean nothing here are handed back, to be said.
 */
export const matchName = (
  head: string,
  tail: string,
  library: Library,
): Match & { readonly unread?: string } => {
  const choice = eitherOr(head, library) ?? halves(head, tail, library);
  if (choice) return { ids: choice, left: [] };
  const plain = matchIngredient(head, library);
  if (tail === '') return plain;
  const whole = matchIngredient(`${head} ${tail}`, library);
  if (whole.ids.length === 1 && whole.left.length === 0) return whole;
  // "(dark brown, packed)": what only says how it is prepared does not stand between the words of a name.
  const telling = tail
    .split(/\s+/)
    .filter((word) => !isNoise(word))
    .join(' ');
  const turned = matchIngredient(`${telling} ${head}`, library);
  // "Brown sugar (dark)": of two that it may be, one.
  const settled = plain.ids.length > 1 && turned.ids.length === 1 && turned.left.length === 0;
  const said = settled || turned.ids.some((id) => !plain.ids.includes(id));
  if (said && turned.left.length <= plain.left.length) return turned;
  const unread = meaningful(tail, library);
  return { ...plain, ...(unread.length > 0 && { unread: unread.join(' ') }) };
};

/** Figures that say of what part, or what becomes of it, are no further amount. */
const explained =
  /\b(?:of which|of it|thereof|davon|dont|to|after|from|into|for|each|size|at|about)\s+(?:\S+\s+)?$/i;
const measure =
  /(?:\d[\d.,]*|[¼-¾⅐-⅞])\s*(?:(?:g|grams?|kg|ml|l|oz|ounces?|lbs?|pounds?|cups?|tbsps?|tablespoons?|tsps?|teaspoons?)\b|%)/gi;
/** An amount, a share of the flour beside another, or a bare figure in front, that is left in the name; null where there is none. */
export const looseFigure = (name: string): string | null => {
  const [front] = /^\s*(?:each\s+)?\d[\d.,]*/i.exec(name) ?? [];
  if (front !== undefined) return front.trim();
  for (const found of name.matchAll(measure))
    if (!explained.test(name.slice(0, found.index))) return found[0];
  return null;
};
