import { cellProperties, exchange, waterC } from './cells.js';
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
  const lastRing = (1 - (f.faces[nr - 1] as number)) * s.radius;
  let narrow = lastRing;
  for (let i = 0; i < nr; i++) {
    dz2[i] = ((meanHeight * (f.heightShare[i] as number)) / nz) ** 2;
    narrow = Math.min(narrow, ((f.faces[i + 1] as number) - (f.faces[i] as number)) * s.radius);
  }
  const dt = Math.min(maxStepS, cellProperties(f, s, w, dz2, narrow * narrow));
  w.dU.fill(0);
  w.dW.fill(0);
  let fromTray = 0;
  for (let i = 0; i < nr; i++) {
    const ring = (f.areaShare[i] as number) * area;
    const height = meanHeight * (f.heightShare[i] as number);
    const dz = height / nz;
    const base = i * nz;
    for (let j = 0; j < nz - 1; j++) exchange(s, w, base + j, base + j + 1, ring / dz, dt);
    if (i < nr - 1) {
      const rf = (f.faces[i + 1] as number) * s.radius;
      const distance = ((f.centres[i + 1] as number) - (f.centres[i] as number)) * s.radius;
      const mean = (dz + (meanHeight * (f.heightShare[i + 1] as number)) / nz) / 2;
      for (let j = 0; j < nz; j++)
        exchange(s, w, base + j, base + nz + j, (2 * Math.PI * rf * mean) / distance, dt);
    }
    const drop = i < nr - 1 ? height - meanHeight * (f.heightShare[i + 1] as number) : 0;
    const slope = 2 * Math.PI * (f.faces[i + 1] as number) * s.radius * drop;
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
      );
    } else fromTray += trayContact(f, s, w, i, ring, dz, dt);
    s.brownBottom[i] =
      (s.brownBottom[i] as number) + brown(f, w.bottomC[i] as number, w.aw[base] as number, dt);
  }
  const rimHeight = (meanHeight * (f.heightShare[nr - 1] as number)) / nz;
  const rimArea = 2 * Math.PI * s.radius * rimHeight * f.p.rimExposure;
  for (let j = 0; j < nz; j++) {
    const a = (nr - 1) * nz + j;
    openFace(f, s, w, a, rimArea, lastRing / 2, w.air.h, w.air.wallC, s.topC[nr - 1] as number, dt);
  }
  for (let i = 0; i < nr; i++) {
    const m = f.cellMass[i] as number;
    for (let j = 0; j < nz; j++) {
      const a = i * nz + j;
      const u = ((s.U[a] as number) += w.dU[a] as number);
      const water = ((s.W[a] as number) += w.dW[a] as number);
      const t = s.T[a] as number;
      const place = placeOf(t);
      // One Newton step; what it leaves stays in U, so that energy is kept to rounding.
      s.T[a] =
        t +
        (u - m * readAt(f.tables.dryEnthalpy, place) - water * waterC * t) /
          (m * slopeAt(f.tables.dryEnthalpy, place) + water * waterC);
    }
  }
  if (phase !== 'rack') stepTray(f, s, w, fromTray, dt);
  reshape(f, s, dt);
  s.timeS += dt;
  return dt;
};
