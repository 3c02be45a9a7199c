import { cellProperties, waterC } from './cells.js';
import { exchangeAll } from './exchange.js';
import { openRim, openTops, openUndersides, stepTray, trayContact } from './faces.js';
import { reshape } from './reshape.js';
import type { Scratch } from './scratch.js';
import type { Fixed } from './setup.js';
import type { State } from './state.js';
import { surroundingsAt, type Phase } from './surroundings.js';

/** Walls follow the air half way, as they do after the door. */
const shiftAir = ({ air, shiftK }: Scratch): void => {
  air.airC += shiftK;
  air.wallC += 0.5 * shiftK;
  air.wallBelowC += 0.5 * shiftK;
};

/** Short steps are gathered before the shape follows, s. */
const reshapeEveryS = 2;

/** Takes up what came and went: one Newton step for the temperature; what it leaves stays in U, so that energy is kept to rounding. */
const takeUp = (f: Fixed, s: State, w: Scratch): void => {
  const { nr, nz } = f;
  const { U, W, T } = s;
  const { dU, dW, capacity, dryHeat } = w;
  for (let a = 0; a < nr * nz; a++) {
    const u = (U[a] as number) + (dU[a] as number);
    const gained = dW[a] as number;
    const water = (W[a] as number) + gained;
    const t = T[a] as number;
    U[a] = u;
    W[a] = water;
    T[a] =
      t + (u - (dryHeat[a] as number) - water * waterC * t) / ((capacity[a] as number) + gained * waterC);
  }
};

/**
 * One explicit step of heat, water, setting, lift, spread and browning. Returns the step taken, s.
 * The coefficient of the step stays at 0.85 of the limit and the step below `longestStepS`: above it the cooling phase
 * goes unstable in silence, with all sums still exact.
 */
export const step = (
  f: Fixed,
  s: State,
  w: Scratch,
  phase: Phase,
  maxStepS: number,
  dz2: Float64Array,
): number => {
  const { nr, nz } = f;
  surroundingsAt(f.setup, phase, s.timeS, w.air);
  if (phase === 'oven' && w.shiftK !== 0) shiftAir(w);
  const area = Math.PI * s.radius * s.radius;
  const meanHeight = (f.volume0 * s.lift) / area;
  const layer = meanHeight / nz;
  // Layers thinner than the mean are the low rim's: the step is not made for them.
  const thinnest = layer ** 2;
  for (let i = 0; i < nr; i++) {
    const own = (layer * (s.heightShare[i] as number)) ** 2;
    const thin = own < thinnest;
    dz2[i] = thin ? thinnest : own;
    w.thin[i] = thin ? 2 / own - 2 / thinnest : 0;
  }
  const narrow = s.narrowest * s.radius;
  const dt = Math.min(maxStepS, cellProperties(f, s, w, dz2, narrow * narrow));
  w.dU.fill(0);
  w.dW.fill(0);
  exchangeAll(f, s, w, area, meanHeight, dt);
  openTops(f, s, w, area, meanHeight, dt);
  openRim(f, s, w, meanHeight, dt);
  const onRack = phase === 'rack';
  if (onRack) openUndersides(f, s, w, area, meanHeight, dt);
  const fromTray = onRack ? 0 : trayContact(f, s, w, area, meanHeight, dt);
  takeUp(f, s, w);
  if (!onRack) stepTray(f, s, w, fromTray, dt);
  // Set, lift and spread are slow against heat: they go by steps of their own, of up to two seconds.
  s.unshapedS += dt;
  if (s.unshapedS >= reshapeEveryS || dt >= maxStepS) {
    reshape(f, s, s.unshapedS);
    s.unshapedS = 0;
  }
  s.timeS += dt;
  return dt;
};
