import { ingredient, type Library } from '../ingredient/index.js';
import { inContainer } from './line-amounts.js';
import { withoutUse } from './line-use.js';
import { isOneName, matchIngredient } from './match-ingredient.js';
import { takeAmounts, type WrittenAmount } from './read-amount.js';

/** Where the next amount may begin with nothing in front of it; what stands in brackets was blanked before. */
const nextAmount = /(?<=[\p{L}\d)\]½.]\s*)\s(?=[\d¼-¾⅐-⅞]|an?\s+(?:pinch|dash)\b)/giu;
/** Words in front of an amount that say what it has to do with what came before. */
const joined = /\b(?:plus|and|und|et|or|with|in|into|of|to|for|each|x|about|from|than|until|at|per)$/i;

/** Joints in front of an amount: such a line is taken apart by them. */
const otherJoint = /(?:[&+;]|\b(?:plus|and|und|et))\s*(?=[\d¼-¾⅐-⅞])/i;

const blankBrackets = (text: string): string =>
  text.replace(/[([][^)\]]*[)\]]/g, (inside) => `${')'.repeat(inside.length - 1)} `);

interface Part {
  readonly text: string;
  readonly ids: readonly string[];
  /** Whether it says what it is for. */
  readonly apart: boolean;
}

/** What a line of one ingredient is of, where every word of it is accounted for; null for any other. */
const partOf = (text: string, library: Library, first: boolean): Part | null => {
  const { amounts, rest } = takeAmounts(text);
  const bare = rest
    .replace(/[([][^)\]]*[)\]]/g, ' ')
    .trim()
    .replace(inContainer, '');
  const name = withoutUse(bare);
  const { ids, left } = matchIngredient(name, library);
  if (amounts.length === 0 || left.length > 0 || !isOneName(name, library)) return null;
  // "2 g, 2 g butter": that amount is of what stands in front of it.
  if (!/^[\p{L}(]/u.test(rest.trim())) return null;
  const eggs = ids.every((id) => ingredient(id, library).kind === 'egg');
  // A count of anything else may be a figure of what came before.
  const begins = ({ unit }: WrittenAmount) => (unit.kind === 'piece' ? eggs : unit.kind !== 'percent');
  return first || amounts.some(begins) ? { text, ids, apart: name !== bare.trim() } : null;
};

/**
 * "250 g flour 100 g sugar 125 g butter": ingredients with nothing between them, each with its amount in front. Taken apart only
 * where every one of them is known and another one than that before it: "2 cups flour 250 g" and "chocolate 70 % cocoa" are of
 * one thing, and what is not known is asked about as a whole.
 * @param split takes a part apart by commas and the like
 * @returns a line for each of them; null where the line is none of that
 */
export const runTogether = (
  text: string,
  library: Library,
  split: (part: string) => readonly string[],
): readonly string[] | null => {
  if (otherJoint.test(text)) return null;
  const gaps = [...blankBrackets(text).matchAll(nextAmount)]
    .map(({ index }) => index)
    // "1 1/2 cups": a figure of the amount in front; "butter plus 2 tbsp": joined by a word.
    .filter((at) => !/[\d½]$/.test(text.slice(0, at).trimEnd()) && !joined.test(text.slice(0, at).trimEnd()));
  if (gaps.length === 0) return null;
  const written = [0, ...gaps].flatMap((from, i) => split(text.slice(from, gaps[i]).trim()));
  const parts: Part[] = [];
  for (const one of written) {
    const part = partOf(one, library, parts.length === 0);
    const before = parts.at(-1);
    // The same once more is the same amount in another measure, but where it is for something else.
    if (!part || (!part.apart && part.ids.some((id) => before?.ids.includes(id)))) return null;
    parts.push(part);
  }
  return parts.map((part) => part.text);
};
