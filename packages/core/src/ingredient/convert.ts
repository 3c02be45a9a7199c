import { isMassUnit, isVolumeUnit, toGrams, volumeUnitsMl } from '../quantity/index.js';
import { JokulError, mul, relation, type Figure, say } from '../shown/index.js';
import type { Ingredient } from './ingredient.js';

export interface Conversion {
  readonly massG: number;
  readonly densityGPerMl?: number;
  readonly source: string;
  /** What other packings of the same volume would weigh, when that is uncertain. */
  readonly rangeG?: readonly [number, number];
  readonly shown?: Figure;
}

const volumeMass = relation({
  name: say`Mass of a volume`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: say`amount`, unit: '' },
    v: { symbol: 'v', name: say`volume of one measure`, unit: 'mL', source: say`definition of the measure` },
    rho: { symbol: 'ρ', name: say`bulk density as packed`, unit: 'g/mL' },
  },
  formula: ({ n, v, rho }) => mul(mul(n, v), rho),
  source: 'm = V ρ',
});

/**
 * Grams from an amount in any unit of mass or volume.
 * @param packing one of the ingredient's packings; the first one when left out
 * @throws JokulError `unknown-unit`, `unknown-packing`, `out-of-range`
 */
export const convert = (
  amount: number,
  unit: string,
  { densityGPerMl: packings, name, source }: Pick<Ingredient, 'densityGPerMl' | 'name' | 'source'>,
  packing?: string,
): Conversion => {
  if (!Number.isFinite(amount) || amount <= 0 || amount > 1e6) {
    throw new JokulError(
      'out-of-range',
      say`The amount is ${amount}; it must be above 0 and at most 1,000,000.`,
      'amount',
    );
  }
  if (isMassUnit(unit)) return { massG: toGrams(amount, unit), source: say`definition of the unit` };
  if (!isVolumeUnit(unit))
    throw new JokulError('unknown-unit', say`"${unit}" is no unit that Jokul knows.`, 'unit');
  const chosen = packing ?? Object.keys(packings)[0] ?? '';
  const rho = Object.hasOwn(packings, chosen) ? packings[chosen] : undefined;
  if (rho === undefined) {
    const known = Object.keys(packings).join(', ');
    throw new JokulError(
      'unknown-packing',
      say`${name} has no packing "${chosen}"; known are: ${known}.`,
      'packing',
    );
  }
  const shown = volumeMass({
    n: amount,
    v: volumeUnitsMl[unit],
    rho: { value: rho, source: `${name}, ${chosen}: ${source}` },
  });
  const all = Object.values(packings).map((density) => amount * volumeUnitsMl[unit] * density);
  return {
    massG: shown.value,
    densityGPerMl: rho,
    source: `${name}, ${chosen}: ${source}`,
    ...(all.length > 1 && packing === undefined && { rangeG: [Math.min(...all), Math.max(...all)] as const }),
    shown,
  };
};
