import { P0, vapourEnthalpy } from './cells.js';
import { eased } from './exchange.js';
import type { Scratch } from './scratch.js';
import type { Fixed } from './setup.js';
import type { State } from './state.js';
import { convection, radiation } from './surroundings.js';
import { at } from './tables.js';

/**
 * The outermost cell dries from its face inward, so vapour comes from deeper than its middle: by this over the number of
 * layers. It vanishes as the grid gets finer, and brings the shipped grid within 2 % of one that is halved.
 */
const dryingReach = 4;

/** Vapour that leaves through the film of air by the heat that it lets through, kg/(m² s Pa) over W/m²K (Lewis). */
const lewis = 0.622 / (1006 * P0 * 0.9);

/**
 * Convection, radiation and drying through one open face; returns the temperature of the surface, °C. The resistances in
 * series are written out with one division for heat and one for vapour.
 * @param h convection, and `hr` radiation to the walls, W/m²K
 * @param eased what is left of the drying where the layer is thinner than the step is made for
 */
const openFace = (
  f: Fixed,
  s: State,
  w: Scratch,
  a: number,
  area: number,
  half: number,
  h: number,
  hr: number,
  dt: number,
  eased: number,
): number => {
  const { airC, wallC } = w.air;
  const k = w.k[a] as number;
  const t = s.T[a] as number;
  const surface = ((h * airC + hr * wallC) * half + k * t) / ((h + hr) * half + k);
  const heat = area * (h * (airC - surface) + hr * (wallC - surface)) * dt;
  const film = h * lewis * (w.stefan[a] as number);
  const delta = w.delta[a] as number;
  const inside = half * (1 + dryingReach / f.nz);
  const vapour =
    (area * ((w.p[a] as number) - f.p.airVapourPa) * film * delta * dt * eased) / (delta + inside * film);
  const carried = vapour * vapourEnthalpy(t);
  w.dU[a] = (w.dU[a] as number) + heat - carried;
  w.dW[a] = (w.dW[a] as number) - vapour;
  w.heatIn += heat;
  w.vapourOut += vapour;
  w.vapourHeat += carried;
  return surface;
};

/** Browning of a face: Arrhenius rate, held back by water. */
const brown = (f: Fixed, faceC: number, aw: number, dt: number): number => {
  const wet = (aw / f.p.browningAw) ** 2;
  return (at(f.browning, faceC) / (1 + wet * wet)) * dt;
};

/** The top of every ring, which slopes down to that of the next: heated, dried and browned. */
export const openTops = (
  f: Fixed,
  s: State,
  w: Scratch,
  area: number,
  meanHeight: number,
  dt: number,
): void => {
  const { nr, nz } = f;
  for (let i = 0; i < nr; i++) {
    const ring = (s.areaShare[i] as number) * area;
    const height = meanHeight * (s.heightShare[i] as number);
    const drop = i < nr - 1 ? height - meanHeight * (s.heightShare[i + 1] as number) : 0;
    const slope = 2 * Math.PI * (s.faces[i + 1] as number) * s.radius * drop;
    const top = i * nz + nz - 1;
    const guessC = s.topC[i] as number;
    const surface = openFace(
      f,
      s,
      w,
      top,
      Math.sqrt(ring * ring + slope * slope),
      height / nz / 2,
      convection(w.air, w.air.h, guessC),
      radiation(f.p.emissivityDough, w.air.wallC, guessC),
      dt,
      eased(w, i, top, dt),
    );
    s.topC[i] = surface;
    s.brownTop[i] = (s.brownTop[i] as number) + brown(f, surface, w.aw[top] as number, dt);
  }
};

/** The side of the outermost ring. */
export const openRim = (f: Fixed, s: State, w: Scratch, meanHeight: number, dt: number): void => {
  const { nr, nz } = f;
  const layer = (meanHeight * (s.heightShare[nr - 1] as number)) / nz;
  const area = 2 * Math.PI * s.radius * layer * f.p.rimExposure;
  const half = ((1 - (s.faces[nr - 1] as number)) * s.radius) / 2;
  const guessC = s.topC[nr - 1] as number;
  const h = convection(w.air, w.air.h, guessC);
  const hr = radiation(f.p.emissivityDough, w.air.wallC, guessC);
  for (let a = (nr - 1) * nz; a < nr * nz; a++) openFace(f, s, w, a, area, half, h, hr, dt, 1);
};

const brownUnder = (f: Fixed, s: State, w: Scratch, i: number, dt: number): void => {
  s.brownBottom[i] =
    (s.brownBottom[i] as number) + brown(f, w.bottomC[i] as number, w.aw[i * f.nz] as number, dt);
};

/** The undersides on the rack, with air below. */
export const openUndersides = (
  f: Fixed,
  s: State,
  w: Scratch,
  area: number,
  meanHeight: number,
  dt: number,
): void => {
  for (let i = 0; i < f.nr; i++) {
    const base = i * f.nz;
    const guessC = s.T[base] as number;
    w.bottomC[i] = openFace(
      f,
      s,
      w,
      base,
      (s.areaShare[i] as number) * area,
      (meanHeight * (s.heightShare[i] as number)) / f.nz / 2,
      convection(w.air, w.air.hUnder, guessC),
      radiation(f.p.emissivityDough, w.air.wallC, guessC),
      dt,
      eased(w, i, base, dt),
    );
    brownUnder(f, s, w, i, dt);
  }
};

/** Contact with the tray under every ring; returns the heat drawn from it, J. */
export const trayContact = (
  f: Fixed,
  s: State,
  w: Scratch,
  area: number,
  meanHeight: number,
  dt: number,
): number => {
  let drawn = 0;
  for (let i = 0; i < f.nr; i++) {
    const a = i * f.nz;
    const t = s.T[a] as number;
    const inward = (2 * f.nz * (w.k[a] as number)) / (meanHeight * (s.heightShare[i] as number));
    const q = (s.trayUnderC - t) / (1 / f.contact + 1 / inward);
    w.bottomC[i] = t + q / inward;
    const heat = q * (s.areaShare[i] as number) * area * dt;
    w.dU[a] = (w.dU[a] as number) + heat;
    drawn += heat;
    brownUnder(f, s, w, i, dt);
  }
  w.heatIn += drawn;
  return drawn;
};

/** The two tray nodes: under the piece, and the rest of its share of the tray. */
export const stepTray = (f: Fixed, s: State, w: Scratch, toCookie: number, dt: number): void => {
  const under = Math.PI * s.radius * s.radius;
  const edge = Math.max(0.02 * f.pitchArea, f.pitchArea - under);
  const { air } = w;
  const { heat, conduct, epsUnder, epsTop } = f.tray;
  const fromBelow = (t: number) =>
    convection(air, air.hUnder, t) * (air.airC - t) +
    radiation(epsUnder, air.wallBelowC, t) * (air.wallBelowC - t);
  const u = s.trayUnderC;
  const e = s.trayEdgeC;
  const below = fromBelow(u);
  const around =
    fromBelow(e) +
    convection(air, air.h, e) * (air.airC - e) +
    radiation(epsTop, air.wallC, e) * (air.wallC - e);
  w.trayHeatJ += (below * under + around * edge) * dt;
  let nextU = u + (dt * below) / heat - toCookie / (heat * under);
  let nextE = e + (dt * around) / heat;
  // The metal between the two evens out fast: the exact decay of their difference keeps any step stable.
  const reach = Math.sqrt(f.pitchArea / Math.PI);
  const g = (2 * Math.PI * conduct) / Math.log(Math.max(1.1, (s.radius + reach) / 2 / (0.67 * s.radius)));
  const rate = g * (1 / (heat * under) + 1 / (heat * edge));
  const mean = (under * nextU + edge * nextE) / (under + edge);
  const decay = Math.exp(-rate * dt);
  nextU = mean + (nextU - mean) * decay;
  nextE = mean + (nextE - mean) * decay;
  s.trayUnderC = nextU;
  s.trayEdgeC = nextE;
};
