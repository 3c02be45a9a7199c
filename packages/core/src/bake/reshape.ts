import { placeRings } from './rings.js';
import type { Fixed, State } from './setup.js';
import { placeOf, readAt } from './tables.js';

const smooth = (x: number) => {
  const c = Math.min(1, Math.max(0, x));
  return c * c * (3 - 2 * c);
};

/** Heat thins a dough up to about here, °C; what is hotter is dry crust, and flows no further. */
const thinsUpToC = 95;

/** Setting, lift and spread: mass means over all cells move the shape. */
export const reshape = (f: Fixed, s: State, dt: number): void => {
  const { p: q, nz, tables } = f;
  let outer = 0;
  let outerShare = 0;
  let inner = 0;
  let innerShare = 0;
  let set = 0;
  let lift = 0;
  for (let i = 0; i < f.nr; i++) {
    const share = (f.cellMass[i] as number) / f.massKg;
    const x = s.centres[i] as number;
    const out = share * (1 + q.outward * (x - 0.6));
    const ins = share * Math.max(0, 1 - x * x);
    for (let j = 0; j < nz; j++) {
      const a = i * nz + j;
      const t = s.T[a] as number;
      const place = placeOf(t);
      const rate = readAt(f.rates.set, place) * dt;
      const sigma = ((s.sigma[a] as number) + rate) / (1 + rate);
      s.sigma[a] = sigma;
      if (t > (s.Tmax[a] as number)) s.Tmax[a] = t;
      const ln =
        -q.etaPerK * (Math.min(t, thinsUpToC) - 25) +
        q.etaPerSolidFat * (readAt(tables.solidFat, place) - 0.12) +
        q.etaPerSet * sigma;
      outer += out * ln;
      outerShare += out;
      inner += ins * ln;
      innerShare += ins;
      set += share * sigma;
      const hold = sigma + (1 - sigma) * (1 - q.collapse * (1 - smooth((t - 40) / 40)));
      const rise = smooth(((s.Tmax[a] as number) - 35) / 60) * hold;
      s.rise[a] = 1 + q.lift * rise;
      lift += share * rise;
    }
  }
  const next = 1 + q.lift * lift;
  const grown = next > s.lift ? Math.log(next / s.lift) : 0;
  s.lift = next;
  const area = Math.PI * s.radius * s.radius;
  const height = (f.volume0 * s.lift) / area;
  const rho = f.massKg / (f.volume0 * s.lift);
  const stress = Math.max(0, 0.5 * rho * 9.81 * height - f.yieldPa);
  const slender = (s.radius / height) ** 2;
  const viscosity = Math.exp(f.lnEtaRecipe + outer / outerShare);
  const slump = (stress / (6 * viscosity * (1 + (f.drag * slender) / 6.3))) * dt;
  const spread = Math.min(0.02, slump + (q.liftIsotropy / 3) * (1 - set) * grown);
  const limit = Math.sqrt((0.92 * f.pitchArea) / Math.PI);
  const radius = Math.min(Math.max(limit, s.radius), s.radius * Math.exp(spread));
  const newArea = Math.PI * radius * radius - area;
  if (newArea > 0) s.trayUnderC = (area * s.trayUnderC + newArea * s.trayEdgeC) / (area + newArea);
  s.radius = radius;
  // The dome sinks as the inside gets soft: what lies over the mean height flows outward.
  const stiff = Math.exp(f.lnEtaRecipe + inner / innerShare);
  const toFlat = f.lnFlat - s.lnPower;
  if (toFlat > 0) {
    const sink = ((q.sinking * stress) / (6 * stiff)) * dt;
    s.lnPower += toFlat * (1 - Math.exp(-Math.min(0.05, sink)));
  }
  placeRings(f.layout, s.lnPower, s);
};
