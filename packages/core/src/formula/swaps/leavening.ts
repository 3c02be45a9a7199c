import { ingredient } from '../../ingredient/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { leaveningOf } from '../balance.js';
import { doughLines, type Formula } from '../formula.js';
import { addTo, has, percentOf, replace, swap, type Swap, type Swapped } from './lines.js';

const gasPerG = { soda: 286, powder: 71 } as const;

const sodaToPowder = (formula: Formula): Swapped => {
  const { base, acid } = leaveningOf(formula);
  const met = Math.min(1, base.value > 0 ? acid.value / base.value : 0);
  const soda = percentOf(formula, 'baking-soda');
  const powder = (soda * gasPerG.soda * (1 + met)) / 2 / gasPerG.powder;
  return {
    formula: addTo(
      replace(formula, 'baking-soda', () => []),
      'baking-powder',
      powder,
      'dry',
    ),
    says: say`The same gas: ${formatNumber(powder)} % powder. Nothing is left to brown and spread it: paler, cakier.`,
  };
};

const powderToSoda = (formula: Formula): Swapped => {
  const powder = percentOf(formula, 'baking-powder');
  const soda = (powder * gasPerG.powder) / gasPerG.soda;
  const without = replace(formula, 'baking-powder', () => []);
  const withSoda = addTo(without, 'baking-soda', soda, 'dry');
  const total = doughLines(withSoda).reduce((sum, line) => sum + line.percent, 0);
  const left = Math.max(0, leaveningOf(withSoda).left.value - Math.max(0, leaveningOf(without).left.value));
  // mmol per kg of dough into percent of the acid salt.
  const tartar = ((left / 1000) * total) / ingredient('cream-of-tartar').leavening.acidMmolPerG;
  return {
    formula: addTo(withSoda, 'cream-of-tartar', tartar, 'dry'),
    says:
      tartar > 0
        ? say`The same gas: ${formatNumber(soda)} % soda, and ${formatNumber(tartar)} % cream of tartar for the acid that the dough lacks. It works at once: bake soon.`
        : say`The same gas: ${formatNumber(soda)} % soda; the dough has acid enough. It works at once: bake soon.`,
  };
};

const cocoas = ['cocoa-powder', 'dutch-cocoa'] as const;

/** One cocoa for another, gram for gram: what that does to the soda is said. */
const otherCocoa = (formula: Formula, from: string, to: string): Swapped => {
  const swapped = replace(formula, from, (line) => [{ ...line, ingredientId: to }]);
  const before = leaveningOf(formula).left.value;
  const after = leaveningOf(swapped).left.value;
  const moved = Math.abs(after - before) < 1;
  return {
    formula: swapped,
    says: say`As much cocoa as before. ${
      moved
        ? say`The leavening does not depend on it.`
        : say`Soda beyond its acid goes from ${formatNumber(before / 11.9)} to ${formatNumber(after / 11.9)} g per kg of dough: ${
            after > before
              ? say`darker and more spread, and soapy when it is much`
              : say`paler and less spread`
          }. Balance the soda again.`
    } Alkalised cocoa is darker and milder. A forecast: bake a trial tray.`,
  };
};

/** Soda and powder for one another, cocoas of another acid. */
export const leaveningSwaps = (formula: Formula): readonly Swap[] => [
  ...swap('soda-to-powder', say`Powder for soda`, has(formula, 'baking-soda'), () => sodaToPowder(formula)),
  ...swap('powder-to-soda', say`Soda for powder`, has(formula, 'baking-powder'), () => powderToSoda(formula)),
  ...cocoas.flatMap((from) =>
    cocoas
      .filter((to) => to !== from)
      .flatMap((to) =>
        swap(
          `cocoa-${to}`,
          say`${ingredient(to).name} for ${ingredient(from).name.toLowerCase()}`,
          has(formula, from),
          () => otherCocoa(formula, from, to),
        ),
      ),
  ),
];
