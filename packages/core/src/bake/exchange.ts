import { vapourEnthalpy } from './cells.js';
import type { Scratch } from './scratch.js';
import type { Fixed } from './setup.js';
import type { State } from './state.js';

/**
 * What is left of an exchange in a column that is thinner than the step is made for: there layers even out faster than a
 * step lasts, and by the full rate they would overshoot. One for every other column, and for any as the step gets short.
 */
export const eased = (w: Scratch, ring: number, a: number, dt: number): number => {
  const thin = w.thin[ring] as number;
  return thin === 0 ? 1 : 1 / (1 + dt * thin * (w.rate[a] as number));
};

/**
 * Heat and vapour between cells that lie `apart` in the arrays, `count` of them from `from` on; `shape` is the area over
 * the distance times the step, m s.
 */
const exchange = (s: State, w: Scratch, from: number, count: number, apart: number, shape: number): void => {
  const { k, delta, p, dU, dW } = w;
  const { T } = s;
  for (let a = from; a < from + count; a++) {
    const b = a + apart;
    const ka = k[a] as number;
    const kb = k[b] as number;
    const da = delta[a] as number;
    const db = delta[b] as number;
    const ta = T[a] as number;
    const tb = T[b] as number;
    // Both harmonic means with one division.
    const kSum = ka + kb;
    const dSum = da + db;
    const both = (2 * shape) / (kSum * dSum);
    const vapour = da * db * kSum * both * ((p[a] as number) - (p[b] as number));
    const heat = ka * kb * dSum * both * (ta - tb) + vapour * vapourEnthalpy(vapour > 0 ? ta : tb);
    dU[a] = (dU[a] as number) - heat;
    dU[b] = (dU[b] as number) + heat;
    dW[a] = (dW[a] as number) - vapour;
    dW[b] = (dW[b] as number) + vapour;
  }
};

/** Heat and vapour between all neighbours, up the columns and from ring to ring. */
export const exchangeAll = (
  f: Fixed,
  s: State,
  w: Scratch,
  area: number,
  meanHeight: number,
  dt: number,
): void => {
  const { nr, nz } = f;
  const up = ((area * nz) / meanHeight) * dt;
  const out = (meanHeight / nz / 2) * dt;
  for (let i = 0; i < nr; i++) {
    const base = i * nz;
    const column = up * (s.upward[i] as number);
    if (w.thin[i] === 0) exchange(s, w, base, nz - 1, 1, column);
    else for (let a = base; a < base + nz - 1; a++) exchange(s, w, a, 1, 1, column * eased(w, i, a, dt));
    if (i === nr - 1) break;
    const heights = (s.heightShare[i] as number) + (s.heightShare[i + 1] as number);
    exchange(s, w, base, nz, nz, out * heights * (s.outward[i] as number));
  }
};
