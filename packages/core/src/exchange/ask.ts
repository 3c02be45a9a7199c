import { ingredient, type Library } from '../ingredient/index.js';
import { massUnitsG } from '../quantity/index.js';
import { add, formatNumber, relation, type Figure, say } from '../shown/index.js';
import type { Choice, LineQuestion, ReadResult } from './answers.js';
import type { Weighed } from './packed.js';
import { unitOfWord } from './words.js';
import type { WrittenLine } from './written-line.js';

/** Without the last digits of a division. */
export const plain = (grams: number) => Number(grams.toPrecision(10));

export const leaveOut: Choice = { label: say`No ingredient: leave it out`, answer: { leaveOut: true } };

const both = relation({
  name: say`Both amounts`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    a: { symbol: 'm₁', name: say`first amount`, unit: 'g' },
    b: { symbol: 'm₂', name: say`second amount`, unit: 'g' },
  },
  formula: ({ a, b }) => add(a, b),
  source: 'm = m₁ + m₂',
});

export const ask = (
  line: WrittenLine,
  question: LineQuestion,
  known: Partial<ReadResult> = {},
): ReadResult => ({
  line,
  state: 'ask',
  uncertain: line.notes,
  ...known,
  question,
});

/** What of a name nothing accounts for; figures and units that are left are no name. */
const unknownWords = (line: WrittenLine): string =>
  line.left.filter((word) => !/\d/.test(word) && !unitOfWord(word)).join(' ');

/** What it is is clear, how much is not: a figure is left that no reading accounts for. */
export const isOnlyAmountOpen = (line: WrittenLine): boolean =>
  line.ids.length === 1 && line.left.length > 0 && unknownWords(line) === '';

export const askIngredient = (line: WrittenLine, library: Library): ReadResult => {
  const named = line.name || line.text.trim();
  const unknown = unknownWords(line);
  const [only = ''] = line.ids;
  if (isOnlyAmountOpen(line))
    return ask(
      line,
      {
        about: 'amount',
        sentence: say`How much ${ingredient(only, library).name.toLowerCase()} is "${line.text.trim()}"?`,
        choices: [leaveOut],
      },
      { ingredientId: only, food: ingredient(only, library) },
    );
  const offered = line.ids.length > 1 ? line.ids : [...new Set([...line.ids, ...line.likely])];
  return ask(line, {
    about: 'ingredient',
    sentence:
      line.ids.length > 1
        ? say`Which is meant by "${named}"?`
        : line.ids.length === 1
          ? say`Is "${named}" ${ingredient(only, library).name.toLowerCase()}? "${unknown}" is not known.`
          : say`What is "${named}"? It is not in the library by that name.`,
    choices: [
      ...offered.map((id) => ({ label: ingredient(id, library).name, answer: { ingredientId: id } })),
      leaveOut,
    ],
  });
};

export const addUp = (parts: readonly Weighed[]): Figure | null =>
  parts
    .map(({ figure }) => figure)
    .reduce<Figure | null>((sum, figure) => (sum ? both({ a: sum, b: figure }) : figure), null);

const gramsOf = ({ given }: WrittenLine, of: (low: number, high: number) => number): readonly number[] =>
  given.map(
    ({ low, high, unit }) => of(low, high) * (unit.kind === 'mass' ? massUnitsG[unit.unit] : Number.NaN),
  );

/** The grams that a line gives itself; of "120-125 g" the middle. */
export const gramsOnce = (line: WrittenLine): readonly number[] =>
  gramsOf(line, (low, high) => (low + high) / 2);

/** From the least to the most of them, where it gives a range; null where it gives one figure. */
export const gramsBetween = (line: WrittenLine): readonly [number, number] | null => {
  if (line.given.every(({ low, high }) => low === high)) return null;
  return [total(gramsOf(line, (low) => low)), total(gramsOf(line, (_, high) => high))];
};

export const total = (grams: readonly number[]): number => grams.reduce((sum, one) => sum + one, 0);

/** "3 bars of chocolate (300 g)": nobody but the baker knows whether that is one bar or all three. */
export const askEachOrAll = (line: WrittenLine, count: number, known: Partial<ReadResult>): ReadResult => {
  const grams = plain(total(gramsOnce(line)));
  const each = plain(grams * count);
  return ask(
    line,
    {
      about: 'amount',
      sentence: say`${formatNumber(grams)} g: is that one, or all together?`,
      choices: [
        { label: say`One: ${formatNumber(each)} g for ${formatNumber(count)}`, answer: { massG: each } },
        { label: say`All together: ${formatNumber(grams)} g`, answer: { massG: grams } },
      ],
    },
    known,
  );
};
