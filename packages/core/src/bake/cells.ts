import type { Scratch } from './scratch.js';
import type { Fixed } from './setup.js';
import type { State } from './state.js';
import { perPoint, placeOf, stepK } from './tables.js';

export const waterC = 4176;
export const P0 = 101_325;

const perK = 1 / stepK;

/** Heat of vapour leaving at a temperature: liquid enthalpy plus latent heat, J/kg. */
export const vapourEnthalpy = (t: number) => waterC * t + 2.501e6 - 2361 * t;

/** Half-saturation water of the sorption curve at a temperature, kg per kg: above the boil the solids hold less water. */
export const sorptionAt = (toBoiling: number, perK: number, t: number): number =>
  t <= 100 ? toBoiling : toBoiling * Math.max(0.3, 1 - perK * (t - 100));

/**
 * No step is longer than this, s: vapour and heat are read at its beginning, and the outer cells of a piece that cools
 * would swing unseen, with all sums still exact. Half of it moves pulls by 0.2 %.
 */
export const longestStepS = 2;

/**
 * Vapour pressure, permeability and conductivity of every cell. Returns the largest stable step, s.
 * The sorption curve, its slope and the Stefan factor are written out with one division each: this is where bakes spend
 * their time.
 */
export const cellProperties = (f: Fixed, s: State, w: Scratch, dz2: Float64Array, dr2: number): number => {
  const { p: q, nr, nz, cellMass } = f;
  const { T, W, sigma, crumb } = s;
  const { aw, p, stefan, delta, k, capacity, dryHeat, rate } = w;
  const cells = f.tables.sideBySide;
  const opens = q.permeabilitySet - q.permeabilityRaw;
  let fastest = 0;
  for (let i = 0; i < nr; i++) {
    const m = cellMass[i] as number;
    const perSolid = 1 / (m * f.solids);
    const volume = (f.volume0 * s.lift * (f.layout.massShare[i] as number)) / nz;
    const inverse = 2 / (dz2[i] as number) + 2 / dr2;
    let quickest = 0;
    for (let a = i * nz; a < (i + 1) * nz; a++) {
      const t = T[a] as number;
      const water = W[a] as number;
      const place = placeOf(t);
      const point = place | 0;
      const past = place - point;
      const at = point * perPoint;
      const h0 = cells[at] as number;
      const dh = (cells[at + perPoint] as number) - h0;
      const k0 = cells[at + 1] as number;
      const s0 = cells[at + 2] as number;
      const ds = (cells[at + perPoint + 2] as number) - s0;
      const v0 = cells[at + 3] as number;
      const psat = s0 + past * ds;

      const x = Math.max(0, water) * perSolid;
      const half = sorptionAt(q.sorptionA, q.sorptionPerK, t);
      const bound = half * half;
      const part = 1 / (x * x + bound);
      const active = x * x * part;
      const pressure = active * psat;
      const flow = pressure >= P0 ? q.stefanMax : Math.min(q.stefanMax, P0 / (P0 - pressure));
      const through =
        (v0 + past * ((cells[at + perPoint + 3] as number) - v0)) *
        (q.permeabilityRaw + opens * (sigma[a] as number)) *
        flow;
      const conducts = (crumb[a] as number) * (k0 + past * ((cells[at + perPoint + 1] as number) - k0));
      const warms = m * dh * perK + water * waterC;
      // Diffusivities of heat (with the heat-pipe effect of vapour) and of moisture, which limit the step.
      const evens =
        volume *
        ((conducts + through * (2.501e6 - 2361 * t) * active * ds * perK) / warms +
          through * psat * 2 * x * bound * part * part * perSolid);
      aw[a] = active;
      p[a] = pressure;
      stefan[a] = flow;
      delta[a] = through;
      k[a] = conducts;
      capacity[a] = warms;
      dryHeat[a] = m * (h0 + past * dh);
      rate[a] = evens;
      if (evens > quickest) quickest = evens;
    }
    fastest = Math.max(fastest, quickest * inverse);
  }
  return Math.min(longestStepS, 0.85 / fastest);
};
