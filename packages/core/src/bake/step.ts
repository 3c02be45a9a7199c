import { cellProperties, waterC } from './cells.js';
import { eased, exchangeAll } from './exchange.js';
import { openFace, stepTray, trayContact } from './faces.js';
import { reshape } from './reshape.js';
import type { Scratch } from './scratch.js';
import type { Fixed, State } from './setup.js';
import { surroundingsAt, type Phase } from './surroundings.js';
import { at, placeOf, readAt, slopeAt } from './tables.js';

/** Browning of a face: Arrhenius rate, held back by water. */
const brown = (f: Fixed, faceC: number, aw: number, dt: number): number => {
  const wet = (aw / f.p.browningAw) ** 2;
  return (at(f.rates.browning, faceC) / (1 + wet * wet)) * dt;
};

/** Walls follow the air half way, as they do after the door. */
const shiftAir = ({ air, shiftK }: Scratch): void => {
  air.airC += shiftK;
  air.wallC += 0.5 * shiftK;
  air.wallBelowC += 0.5 * shiftK;
};

/** Short steps are gathered before the shape follows, s. */
const reshapeEveryS = 0.7;

/** Layers thinner than this share of the mean are the low rim's: the step is not made for them. */
const thinShare = 0.9;
/** Takes up what came and went: one Newton step for the temperature; what it leaves stays in U, so that energy is kept to rounding. */
const takeUp = (f: Fixed, s: State, w: Scratch): void => {
  const { nr, nz, cellMass } = f;
  const { U, W, T } = s;
  const { dU, dW } = w;
  const enthalpy = f.tables.dryEnthalpy;
  for (let i = 0; i < nr; i++) {
    const m = cellMass[i] as number;
    for (let a = i * nz; a < (i + 1) * nz; a++) {
      const u = (U[a] as number) + (dU[a] as number);
      const water = (W[a] as number) + (dW[a] as number);
      U[a] = u;
      W[a] = water;
      const t = T[a] as number;
      const place = placeOf(t);
      T[a] =
        t +
        (u - m * readAt(enthalpy, place) - water * waterC * t) /
          (m * slopeAt(enthalpy, place) + water * waterC);
    }
  }
};

/**
 * One explicit step of heat, water, setting, lift, spread and browning. Returns the step taken, s.
 * The coefficient of the step stays at 0.8 of the limit and the step below 1 s: above it the cooling phase goes
 * unstable in silence, with all sums still exact.
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
  const lastRing = (1 - (s.faces[nr - 1] as number)) * s.radius;
  let narrow = lastRing;
  const thinnest = ((thinShare * meanHeight) / nz) ** 2;
  for (let i = 0; i < nr; i++) {
    const own = ((meanHeight * (s.heightShare[i] as number)) / nz) ** 2;
    dz2[i] = Math.max(own, thinnest);
    w.thin[i] = own < thinnest ? 2 / own - 2 / thinnest : 0;
    narrow = Math.min(narrow, ((s.faces[i + 1] as number) - (s.faces[i] as number)) * s.radius);
  }
  const dt = Math.min(maxStepS, cellProperties(f, s, w, dz2, narrow * narrow));
  w.dU.fill(0);
  w.dW.fill(0);
  exchangeAll(f, s, w, area, meanHeight, dt);
  let fromTray = 0;
  for (let i = 0; i < nr; i++) {
    const ring = (s.areaShare[i] as number) * area;
    const height = meanHeight * (s.heightShare[i] as number);
    const dz = height / nz;
    const base = i * nz;
    const drop = i < nr - 1 ? height - meanHeight * (s.heightShare[i + 1] as number) : 0;
    const slope = 2 * Math.PI * (s.faces[i + 1] as number) * s.radius * drop;
    const top = base + nz - 1;
    s.topC[i] = openFace(
      f,
      s,
      w,
      top,
      Math.sqrt(ring * ring + slope * slope),
      dz / 2,
      w.air.h,
      w.air.wallC,
      s.topC[i] as number,
      dt,
      eased(w, i, top, dt),
    );
    s.brownTop[i] = (s.brownTop[i] as number) + brown(f, s.topC[i] as number, w.aw[top] as number, dt);
    if (phase === 'rack') {
      w.bottomC[i] = openFace(
        f,
        s,
        w,
        base,
        ring,
        dz / 2,
        w.air.hUnder,
        w.air.wallC,
        s.T[base] as number,
        dt,
        eased(w, i, base, dt),
      );
    } else fromTray += trayContact(f, s, w, i, ring, dz, dt);
    s.brownBottom[i] =
      (s.brownBottom[i] as number) + brown(f, w.bottomC[i] as number, w.aw[base] as number, dt);
  }
  const rimHeight = (meanHeight * (s.heightShare[nr - 1] as number)) / nz;
  const rimArea = 2 * Math.PI * s.radius * rimHeight * f.p.rimExposure;
  for (let j = 0; j < nz; j++) {
    const a = (nr - 1) * nz + j;
    openFace(f, s, w, a, rimArea, lastRing / 2, w.air.h, w.air.wallC, s.topC[nr - 1] as number, dt, 1);
  }
  takeUp(f, s, w);
  if (phase !== 'rack') stepTray(f, s, w, fromTray, dt);
  // Set, lift and spread are slow against heat: they go by steps of their own, of up to a second.
  s.unshapedS += dt;
  if (s.unshapedS >= reshapeEveryS || dt >= maxStepS) {
    reshape(f, s, s.unshapedS);
    s.unshapedS = 0;
  }
  s.timeS += dt;
  return dt;
};
