import { P0, vapourEnthalpy } from './cells.js';
import type { Scratch } from './scratch.js';
import type { Fixed, State } from './setup.js';
import { convection, radiation } from './surroundings.js';

/**
 * The outermost cell dries from its face inward, so vapour comes from deeper than its middle: by this over the number of
 * layers. It vanishes as the grid gets finer, and brings the shipped grid within 2 % of one that is halved.
 */
const dryingReach = 4;

/** Convection, radiation and drying through one open face; returns the temperature of the surface, °C. */
export const openFace = (
  f: Fixed,
  s: State,
  w: Scratch,
  a: number,
  area: number,
  half: number,
  hStated: number,
  wallC: number,
  guessC: number,
  dt: number,
  /** What is left of the drying where the layer is thinner than the step is made for. */
  eased: number,
): number => {
  const { air } = w;
  const h = convection(air, hStated, guessC);
  const hr = radiation(f.p.emissivityDough, wallC, guessC);
  const inward = (w.k[a] as number) / half;
  const t = s.T[a] as number;
  const surface = (h * air.airC + hr * wallC + inward * t) / (h + hr + inward);
  const heat = area * (h * (air.airC - surface) + hr * (wallC - surface)) * dt;
  const hm = (0.622 * h) / (1006 * P0 * 0.9);
  const vapour =
    ((area * ((w.p[a] as number) - f.p.airVapourPa)) /
      (1 / (hm * (w.stefan[a] as number)) + (half * (1 + dryingReach / f.nz)) / (w.delta[a] as number))) *
    dt *
    eased;
  const carried = vapour * vapourEnthalpy(t);
  w.dU[a] = (w.dU[a] as number) + heat - carried;
  w.dW[a] = (w.dW[a] as number) - vapour;
  w.heatIn += heat;
  w.vapourOut += vapour;
  w.vapourHeat += carried;
  return surface;
};

/** Contact with the tray; returns the heat drawn from it, J. */
export const trayContact = (
  f: Fixed,
  s: State,
  w: Scratch,
  i: number,
  area: number,
  dz: number,
  dt: number,
): number => {
  const a = i * f.nz;
  const t = s.T[a] as number;
  const k = w.k[a] as number;
  const q = (s.trayUnderC - t) / (1 / f.contact + dz / 2 / k);
  w.bottomC[i] = t + (q * dz) / 2 / k;
  const heat = q * area * dt;
  w.dU[a] = (w.dU[a] as number) + heat;
  w.heatIn += heat;
  return heat;
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
