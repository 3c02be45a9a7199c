import { ingredient, type Ingredient } from '../ingredient/index.js';
import { mul, relation, requireNumber, sub, type Figure, say } from '../shown/index.js';

const whole = relation({
  name: say`Whole eggs`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: say`eggs`, unit: 'pieces' },
    p: { symbol: 'p', name: say`grams of one without the shell`, unit: 'g' },
  },
  formula: ({ n, p }) => mul(n, p),
  source: 'm = n p',
});
const differenceOf = relation({
  name: say`Difference to the formula`,
  symbol: 'Δ',
  unit: 'g',
  inputs: {
    m: { symbol: 'm', name: say`as whole eggs`, unit: 'g' },
    t: { symbol: 't', name: say`as the formula wants`, unit: 'g' },
  },
  formula: ({ m, t }) => sub(m, t),
  source: say`mass balance`,
});
const waterIn = relation({
  name: say`Water in the difference`,
  symbol: 'w',
  unit: 'g',
  inputs: {
    d: { symbol: 'Δ', name: say`difference`, unit: 'g' },
    x: { symbol: 'x', name: say`water of the egg`, unit: 'share' },
  },
  formula: ({ d, x }) => mul(d, x),
  source: say`composition of the egg`,
});

export interface WholeEggs {
  readonly count: number;
  readonly mass: Figure;
  /** Above zero: more egg than wanted, g. */
  readonly difference: Figure;
  /** Liquid to add (below zero: to leave out of other liquids), g of water. */
  readonly balanceG: number;
  readonly water: Figure;
  readonly sentence: string;
}

/**
 * Egg by whole pieces instead of by weight, and the liquid that makes up for the difference.
 * @param eachG grams of one without its shell
 */
export const wholeEggs = (
  targetG: number,
  eachG: number,
  egg: Pick<Ingredient, 'composition'> = ingredient('whole-egg'),
): WholeEggs => {
  requireNumber(targetG, say`The egg of the formula`, 0.1, 1e6, 'g');
  requireNumber(eachG, say`One egg`, 5, 120, 'g');
  const count = Math.max(1, Math.round(targetG / eachG));
  const mass = whole({ n: count, p: eachG });
  const difference = differenceOf({ m: mass, t: targetG });
  const water = waterIn({ d: difference, x: egg.composition.water });
  const g = Math.abs(water.value).toFixed(1);
  return {
    count,
    mass,
    difference,
    water,
    balanceG: -water.value,
    sentence:
      Math.abs(difference.value) < 0.5
        ? say`${count} whole, just as the formula wants.`
        : difference.value > 0
          ? say`${count} whole are ${difference.value.toFixed(1)} g over: leave ${g} g out of the other liquids, or beat them and weigh.`
          : say`${count} whole are ${Math.abs(difference.value).toFixed(1)} g short: add ${g} g of water or milk with them.`,
  };
};
