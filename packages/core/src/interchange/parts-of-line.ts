import { ingredient } from '../ingredient/index.js';
import { matchIngredient } from './match-ingredient.js';
import { takeAmounts } from './read-amount.js';

/** Joints between two ingredients, or two amounts of one, outside brackets. */
const joint = /\s*,\s*(?:and\s+|plus\s+)?|\s*;\s*|\s+(?:plus|and|&|\+|und|et)\s+/gi;

const named = (text: string) => {
  const { amounts, rest } = takeAmounts(text);
  const name = rest.replace(/^\s*(?:of|extra|more)\s+/i, '').trim();
  const { ids } = matchIngredient(name);
  const egg = ids.some((id) => ingredient(id).kind === 'egg');
  return { counted: amounts.length > 0, name, known: ids.length > 0, egg };
};

const size = /\b(?:small|medium|extra[- ]?large|large|jumbo)\b/i;
/** "1 large egg plus 1 yolk": the yolk is of an egg of that size. */
const sizedAlike = (
  a: ReturnType<typeof named>,
  b: ReturnType<typeof named>,
  left: string,
  right: string,
): string => {
  const [said] = size.exec(left) ?? [];
  if (!a.egg || !b.egg || said === undefined || size.test(right)) return right;
  return right.slice(0, right.length - b.name.length) + `${said} ${b.name}`;
};

const insideBrackets = (text: string, at: number): boolean => {
  const before = text.slice(0, at);
  return (before.match(/[([]/g) ?? []).length > (before.match(/[)\]]/g) ?? []).length;
};

/**
 * A line that names two ingredients as two lines; a second amount of the same one is put in front ("1 cup flour plus
 * 2 tbsp" is "1 cup plus 2 tbsp flour"). A joint counts only where both sides have an amount and the left one a name.
 */
export const partsOfLine = (text: string): readonly string[] => {
  for (const found of text.matchAll(joint)) {
    const at = found.index;
    if (insideBrackets(text, at)) continue;
    const [left, right] = [text.slice(0, at), text.slice(at + found[0].length)];
    const [a, b] = [named(left), named(right)];
    if (!a.counted || !a.known || !b.counted) continue;
    if (b.known && /[a-z]/i.test(b.name))
      return [left.trim(), ...partsOfLine(sizedAlike(a, b, left, right).trim())];
    // The same ingredient, more of it: but "plus 2 tbsp for dusting" is for something else.
    if (b.name === '' && /plus|\+|and|&/i.test(found[0])) {
      const { rest } = takeAmounts(left);
      const amount = left.slice(0, left.length - rest.length).trim();
      return [`${amount} plus ${right.trim()} ${rest.trim()}`];
    }
  }
  return [text];
};
