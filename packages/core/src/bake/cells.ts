import type { Scratch } from './scratch.js';
import { porosityAt, type Fixed, type State } from './setup.js';
import { placeOf, readAt, slopeAt } from './tables.js';

export const waterC = 4176;
export const P0 = 101_325;

/** Heat of vapour leaving at a temperature: liquid enthalpy plus latent heat, J/kg. */
export const vapourEnthalpy = (t: number) => waterC * t + 2.501e6 - 2361 * t;

/** Half-saturation water of the sorption curve at a temperature, kg per kg: above the boil the solids hold less water. */
export const sorptionAt = (toBoiling: number, perK: number, t: number): number =>
  toBoiling * Math.min(1, Math.max(0.3, 1 - perK * (t - 100)));

/** Water activity by the Oswin form with exponent one half. */
const activity = (x: number, a: number) => (x * x) / (x * x + a * a);

/** Vapour pressure, permeability and conductivity of every cell. Returns the largest stable step, s. */
export const cellProperties = (f: Fixed, s: State, w: Scratch, dz2: Float64Array, dr2: number): number => {
  const { p: q, nz, tables } = f;
  let fastest = 0;
  for (let i = 0; i < f.nr; i++) {
    const m = f.cellMass[i] as number;
    const volume = (f.volume0 * s.lift * (f.layout.massShare[i] as number)) / nz;
    const inverse = 2 / (dz2[i] as number) + 2 / dr2;
    for (let j = 0; j < nz; j++) {
      const a = i * nz + j;
      const t = s.T[a] as number;
      const x = Math.max(0, s.W[a] as number) / (m * f.solids);
      const half = sorptionAt(q.sorptionA, q.sorptionPerK, t);
      const aw = activity(x, half);
      const place = placeOf(t);
      const psat = readAt(tables.saturationPa, place);
      const p = aw * psat;
      const stefan = p >= P0 ? q.stefanMax : Math.min(q.stefanMax, 1 / (1 - p / P0));
      const sigma = s.sigma[a] as number;
      const delta =
        readAt(tables.vapourInAir, place) *
        (q.permeabilityRaw + (q.permeabilitySet - q.permeabilityRaw) * sigma) *
        stefan;
      // Where it has risen it conducts less, where it fell again more: each cell by its own crumb.
      const solid = Math.max(0.2, 1 - porosityAt(s.rise[a] as number));
      const k = q.conductivityFactor * solid * readAt(tables.conductivity, place);
      w.aw[a] = aw;
      w.p[a] = p;
      w.stefan[a] = stefan;
      w.delta[a] = delta;
      w.k[a] = k;
      // Diffusivities of heat (with the heat-pipe effect of vapour) and of moisture, which limit the step.
      const heat = (m * slopeAt(tables.dryEnthalpy, place) + (s.W[a] as number) * waterC) / volume;
      const dpdT = aw * slopeAt(tables.saturationPa, place);
      const latent = 2.501e6 - 2361 * t;
      const dAw = (2 * aw * (1 - aw)) / Math.max(1e-9, x);
      const rate = (k + delta * latent * dpdT) / heat + (delta * psat * dAw * volume) / (m * f.solids);
      w.rate[a] = rate;
      fastest = Math.max(fastest, rate * inverse);
    }
  }
  return Math.min(1, 0.8 / fastest);
};
