import { placeRings } from './rings.js';
import { crumbConducts, type Fixed } from './setup.js';
import { perShape } from './shaping.js';
import { type State } from './state.js';
import { placeOf } from './tables.js';

/** Setting, lift and spread: mass means over all cells move the shape. */
export const reshape = (f: Fixed, s: State, dt: number): void => {
  const { p: q, nr, nz, cellMass, shaping } = f;
  const { T, Tmax, sigma, crumb, centres } = s;
  const perKg = 1 / f.massKg;
  let outer = 0;
  let outerShare = 0;
  let inner = 0;
  let innerShare = 0;
  let set = 0;
  let lift = 0;
  for (let i = 0; i < nr; i++) {
    const share = (cellMass[i] as number) * perKg;
    const x = centres[i] as number;
    let lnSum = 0;
    let setSum = 0;
    let riseSum = 0;
    for (let a = i * nz; a < (i + 1) * nz; a++) {
      const t = T[a] as number;
      const place = placeOf(t);
      const point = place | 0;
      const past = place - point;
      const at = point * perShape;
      const set0 = shaping[at] as number;
      const ln0 = shaping[at + 1] as number;
      const kept0 = shaping[at + 2] as number;
      const rate = (set0 + past * ((shaping[at + perShape] as number) - set0)) * dt;
      const firm = ((sigma[a] as number) + rate) / (1 + rate);
      sigma[a] = firm;
      let highest = Tmax[a] as number;
      if (t > highest) {
        highest = t;
        Tmax[a] = t;
      }
      const top = placeOf(highest);
      const topAt = (top | 0) * perShape + 3;
      const risen0 = shaping[topAt] as number;
      const risen = risen0 + (top - (top | 0)) * ((shaping[topAt + perShape] as number) - risen0);
      const kept = kept0 + past * ((shaping[at + perShape + 2] as number) - kept0);
      const held = risen * (firm + (1 - firm) * kept);
      lnSum += ln0 + past * ((shaping[at + perShape + 1] as number) - ln0) + q.etaPerSet * firm;
      setSum += firm;
      riseSum += held;
      crumb[a] = crumbConducts(q, 1 + q.lift * held);
    }
    const out = share * (1 + q.outward * (x - 0.6));
    const ins = share * Math.max(0, 1 - x * x);
    outer += out * lnSum;
    outerShare += out * nz;
    inner += ins * lnSum;
    innerShare += ins * nz;
    set += share * setSum;
    lift += share * riseSum;
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
