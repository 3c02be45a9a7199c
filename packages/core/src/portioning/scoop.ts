import { volumeUnitsMl } from '../quantity/index.js';
import { div, mul, relation, requireNumber, type Figure, say } from '../shown/index.js';

/** Scoops are told by how many of them fill a US quart, mL. */
export const quartMl = volumeUnitsMl.quart;

const levelVolume = relation({
  name: say`Level volume of a scoop`,
  symbol: 'V',
  unit: 'mL',
  inputs: {
    Q: { symbol: 'Q', name: say`US quart`, unit: 'mL', source: say`definition` },
    N: { symbol: 'N', name: say`number on the handle: scoops per quart`, unit: '' },
  },
  formula: ({ Q, N }) => div(Q, N),
  source: say`definition of the scoop number`,
});

const scoopMass = relation({
  name: say`Dough in a level scoop`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    V: { symbol: 'V', name: say`level volume`, unit: 'mL' },
    rho: { symbol: 'ρ', name: say`dough density`, unit: 'g/mL' },
  },
  formula: ({ V, rho }) => mul(V, rho),
  source: 'm = V ρ',
  note: say`A heaped scoop holds more; weigh three and note their mean.`,
});

/** Level volume of a scoop by the number on its handle, mL. */
export const levelVolumeOf = (number: number): Figure => levelVolume({ Q: quartMl, N: number });

export interface ScoopFit {
  readonly number: number;
  readonly mass: Figure;
  /** Scoop mass over target mass, minus one. */
  readonly offShare: number;
}

/**
 * The scoops ordered by how close a level one comes to the target.
 * @param densityGPerMl density of this dough, 0.5 to 1.6
 */
export const scoopsFor = (
  targetG: number,
  densityGPerMl: number | Figure,
  numbers: readonly number[],
): readonly ScoopFit[] => {
  requireNumber(targetG, say`The piece weight`, 5, 400, 'g');
  requireNumber(
    typeof densityGPerMl === 'number' ? densityGPerMl : densityGPerMl.value,
    say`The dough density`,
    0.5,
    1.6,
    'g/mL',
  );
  return numbers
    .map((number) => {
      const mass = scoopMass({ V: levelVolumeOf(number), rho: densityGPerMl });
      return { number, mass, offShare: mass.value / targetG - 1 };
    })
    .sort((a, b) => Math.abs(a.offShare) - Math.abs(b.offShare));
};
