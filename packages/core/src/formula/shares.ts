import { ingredient, type Composition } from '../ingredient/index.js';
import { formatNumber, sumFigure, type Figure } from '../shown/index.js';
import { totalPercent } from './amounts.js';
import { doughLines, doughPercent, type Formula } from './formula.js';

/** Share of one component in the raw dough, as the sum of what each ingredient brings. */
export const componentShare = (formula: Pick<Formula, 'stages'>, component: keyof Composition): Figure => {
  const total = totalPercent(formula);
  const terms = doughLines(formula).map((line) => {
    const { name, composition, source } = ingredient(line.browned ? 'browned-butter' : line.ingredientId);
    return {
      symbol: 'b x / B',
      name: `${name}: ${formatNumber(doughPercent(line))} % with ${formatNumber(composition[component] * 100)} % ${component}`,
      value: (doughPercent(line) * composition[component]) / total,
      unit: 'share' as const,
      source,
    };
  });
  return sumFigure({
    name: `${component[0]?.toUpperCase()}${component.slice(1)} of the raw dough`,
    symbol: 'w',
    unit: 'share',
    terms: terms.filter((term) => term.value > 0),
    source: 'mass balance over the ingredients, B = sum of the percents that reach the dough',
  });
};
