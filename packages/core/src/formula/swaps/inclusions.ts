import { allergenWords, declaredOf, foodOf, ingredient, type Ingredient } from '../../ingredient/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { doughLines, type Formula, type FormulaLine } from '../formula.js';
import { percentOf, replace, signed, swap, type Swap, type Swapped } from './lines.js';

/** Share of an inclusion that is kept back to be pressed in on top: trade practice. */
const keptBack = 0.1;

const keepBack = (formula: Formula, line: FormulaLine): Swapped => {
  const { ingredientId: id, food } = line;
  const percent = percentOf(formula, id) * keptBack;
  const at = formula.toppings.findIndex((line) => line.ingredientId === id);
  const toppings =
    at === -1
      ? [...formula.toppings, { ingredientId: id, percent, ...(food && { food }) }]
      : formula.toppings.map((topping, i) =>
          i === at ? { ...topping, percent: topping.percent + percent } : topping,
        );
  const less = replace(formula, id, (line) => [{ ...line, percent: line.percent * (1 - keptBack) }]);
  return {
    formula: { ...less, toppings },
    says: say`${formatNumber(percent)} % are set aside before folding and pressed in on top; as much as before in and on the pieces. The dough is lighter by it.`,
  };
};

const chocolates = ['dark-chocolate', 'semisweet-chocolate', 'milk-chocolate', 'white-chocolate'] as const;
const nuts = [
  'walnuts',
  'pecans',
  'almonds',
  'hazelnuts',
  'pistachios',
  'cashews',
  'macadamias',
  'chopped-peanuts',
] as const;
const seeds = ['sunflower-seeds', 'pumpkin-seeds'] as const;

/** What is neither sugar, fat nor water of a chocolate: dry cocoa, and milk where it has any. */
const dry = ({ analysis: a }: Ingredient) => 1 - a.sugars - a.fat - a.water;

/** One for another gram for gram, in the dough and on top of it, and what comes with it. */
const inPlace = (formula: Formula, from: string, to: string, more: string): Swapped => {
  const a = ingredient(from);
  const b = ingredient(to);
  const percent =
    percentOf(formula, from) +
    formula.toppings.filter((l) => l.ingredientId === from).reduce((sum, l) => sum + l.percent, 0);
  const other = replace(formula, from, (line) => [{ ...line, ingredientId: to }]);
  const [before, after] = [declaredOf(a), declaredOf(b)];
  const came = allergenWords(after.filter((allergen) => !before.includes(allergen)));
  const went = allergenWords(before.filter((allergen) => !after.includes(allergen)));
  const allergens = [
    ...(came.length > 0 ? [say`It brings ${came.join(', ')}. `] : []),
    ...(went.length > 0
      ? [say`${went.join(', ')} is out of this line; the rest of the formula decides. `]
      : []),
  ];
  return {
    formula: {
      ...other,
      toppings: formula.toppings.map((l) => (l.ingredientId === from ? { ...l, ingredientId: to } : l)),
    },
    says: say`Gram for gram: ${signed(percent * (b.analysis.sugars - a.analysis.sugars))} sugar, ${signed(percent * (b.analysis.fat - a.analysis.fat))} fat, ${signed(percent * (dry(b) - dry(a)))} dry solids to the flour, all in the pieces. ${allergens.join('')}${more}A forecast: bake a trial tray.`,
  };
};

/** Pieces kept back for the top, chocolates and nuts for one another, seeds for nuts. */
export const inclusionSwaps = (formula: Formula): readonly Swap[] => {
  const lines = doughLines(formula);
  const own = new Set<string>(lines.map(({ ingredientId }) => ingredientId));
  const named = (id: string) => ingredient(id).name.replace(/, .*/, '');
  const among = (ids: readonly string[], others: readonly string[], more: (to: string) => string) =>
    ids
      .filter((from) => own.has(from))
      .flatMap((from) =>
        others
          .filter((to) => !own.has(to))
          .flatMap((to) =>
            swap(`in-${from}-${to}`, say`${named(to)} for ${named(from).toLowerCase()}`, true, () =>
              inPlace(formula, from, to, more(to)),
            ),
          ),
      );
  return [
    ...among(chocolates, chocolates, (to) =>
      to === 'dark-chocolate' || to === 'semisweet-chocolate'
        ? say`It holds its shape longer in the oven. `
        : say`Sweeter, and softer in the oven; its milk browns at the edge of the piece. `,
    ),
    ...among(nuts, nuts, () => ''),
    ...among(nuts, seeds, (to) =>
      to === 'sunflower-seeds' ? say`With much soda sunflower seeds turn green as they cool: harmless. ` : '',
    ),
    ...lines
      .filter(
        (line, i) =>
          foodOf(line).kind === 'inclusion' &&
          lines.findIndex(({ ingredientId }) => ingredientId === line.ingredientId) === i,
      )
      .flatMap((line) =>
        swap(
          `keep-back-${line.ingredientId}`,
          say`A tenth of the ${foodOf(line).name.toLowerCase()} kept back for the top`,
          true,
          () => keepBack(formula, line),
        ),
      ),
  ];
};
