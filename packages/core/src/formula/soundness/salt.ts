import { foodOf } from '../../ingredient/index.js';
import { limitOf, type OwnLimits } from '../../limits/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { perBodyFigure } from '../balance.js';
import { doughLines, flourPercent, type Formula } from '../formula.js';
import type { Finding } from './finding.js';

export const saltFindings = (formula: Formula, own?: OwnLimits): readonly Finding[] => {
  const figure = perBodyFigure(formula, say`Salt`, ({ analysis, kind }) =>
    kind === 'inclusion' ? 0 : analysis.salt,
  );
  const salt = figure.value;
  const salted = doughLines(formula).filter(
    (line) =>
      foodOf(line).parts.some(({ ingredientId }) => ingredientId === 'salt') &&
      foodOf(line).kind === 'butter',
  );
  const flour = flourPercent(doughLines(formula));
  const fromButter = salted.reduce(
    (sum, line) => sum + (100 * line.percent * foodOf(line).analysis.salt) / flour,
    0,
  );
  // Salt that was weighed by itself, without what composites bring.
  const weighed =
    (100 *
      doughLines(formula)
        .filter((line) => foodOf(line).kind === 'salt')
        .reduce((sum, line) => sum + line.percent, 0)) /
    flour;
  if (fromButter > 0.3 && weighed > 0 && weighed + fromButter > limitOf(own, 'saltDoubled'))
    return [
      {
        code: 'salt-doubled',
        level: 'wrong',
        sentence: say`The salted butter brings ${formatNumber(fromButter)} % of salt on top of the ${formatNumber(weighed)} % that are weighed. Take it off: weigh ${formatNumber(Math.max(0, weighed - fromButter))} %.`,
        figures: { fromButter, own: weighed },
        figure,
      },
    ];
  if (salt < limitOf(own, weighed > 0 ? 'saltLow' : 'saltUnweighed'))
    return [
      {
        code: 'salt-missing',
        level: 'wrong',
        sentence:
          weighed > 0
            ? say`Only ${formatNumber(salt)} % of salt to the flour: it will taste flat. Was it forgotten? Usual is 0.5 to 2 %.`
            : say`No salt is weighed, and the rest brings only ${formatNumber(salt)} % of salt to the flour: it will taste flat. Was it forgotten? Usual is 0.5 to 2 %.`,
        figures: { salt },
        figure,
      },
    ];
  if (salt > limitOf(own, 'saltHigh'))
    return [
      {
        code: 'salt-high',
        level: 'mind',
        sentence: say`${formatNumber(salt)} % of salt to the flour; over ${formatNumber(limitOf(own, 'saltHigh'))} % tastes salty.`,
        figures: { salt },
        figure,
      },
    ];
  return [];
};
