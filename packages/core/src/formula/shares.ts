import { fatOf, type Ingredient } from '../ingredient/index.js';
import { formatNumber, sumFigure, type Figure, say } from '../shown/index.js';
import { totalPercent } from './amounts.js';
import { doughLines, doughParts, type Formula } from './formula.js';

/** What of a dough can be asked for: how much of each ingredient counts as it. */
const shares = {
  water: { name: say`Water`, of: ({ composition }: Ingredient) => composition.water },
  fat: { name: say`Fat`, of: ({ composition }: Ingredient) => composition.fat },
  protein: { name: say`Protein`, of: ({ composition }: Ingredient) => composition.protein },
  'milk fat': {
    name: say`Milk fat`,
    of: (of: Ingredient) => (fatOf(of) === 'milk-fat' ? of.composition.fat : 0),
  },
  sugars: {
    name: say`Sugars and dry syrup`,
    of: ({ kind, composition }: Ingredient) =>
      kind === 'sugar' ? 1 : kind === 'syrup' ? composition.carbohydrate : 0,
  },
  flour: { name: say`Flour`, of: ({ kind }: Ingredient) => (kind === 'flour' ? 1 : 0) },
  salt: { name: say`Salt`, of: ({ analysis }: Ingredient) => analysis.salt },
  egg: { name: say`Egg`, of: ({ kind }: Ingredient) => (kind === 'egg' ? 1 : 0) },
} as const;

export type DoughShare = keyof typeof shares;

/** Share of one component in the raw dough, as the sum of what each ingredient brings. */
export const componentShare = (formula: Pick<Formula, 'stages'>, component: DoughShare): Figure => {
  const total = totalPercent(formula);
  const { name, of } = shares[component];
  const terms = doughLines(formula)
    .flatMap(doughParts)
    .map(({ food: part, percent }) => {
      return {
        symbol: 'b x / B',
        name: say`${part.name}: ${formatNumber(percent)} % with ${formatNumber(of(part) * 100)} % ${component}`,
        value: (percent * of(part)) / total,
        unit: 'share' as const,
        source: part.source,
      };
    });
  return sumFigure({
    name: say`${name} of the raw dough`,
    symbol: 'w',
    unit: 'share',
    terms: terms.filter((term) => term.value > 0),
    source: say`mass balance over the ingredients, ${'B'} = sum of the percents that reach the dough`,
  });
};
