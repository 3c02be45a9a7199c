import { at, slopeAt } from './tables.js';
import { porosityAt, type Fixed, type State } from './setup.js';
import { radiation, surroundingsAt, type Phase, type Surroundings } from './surroundings.js';

const waterC = 4176;
const P0 = 101_325;
const molarWater = 0.018015;
/**
 * The outermost cell dries from its face inward, so vapour comes from deeper than its middle: by this over the number of
 * layers. It vanishes as the grid gets finer, and brings the shipped grid within 2 % of one that is halved.
 */
const dryingReach = 4;
const gas = 8.314;

/** Work space of one bake: filled anew in each step, so that no step allocates. */
export interface Scratch {
  readonly p: Float64Array;
  readonly aw: Float64Array;
  readonly delta: Float64Array;
  readonly stefan: Float64Array;
  readonly k: Float64Array;
  readonly dU: Float64Array;
  readonly dW: Float64Array;
  readonly bottomC: Float64Array;
  readonly air: Surroundings;
  /** How much hotter air and walls are at this moment than the oven alone would have them, K: the load's doing. */
  shiftK: number;
  /** Heat into the cookie and vapour out of it since the start, J and kg; for the balances. */
  heatIn: number;
  /** Heat into this piece's share of the tray from the oven, J. */
  trayHeatJ: number;
  vapourOut: number;
  vapourHeat: number;
}

export const makeScratch = (fixed: Fixed): Scratch => {
  const n = fixed.nr * fixed.nz;
  const cells = () => new Float64Array(n);
  return {
    p: cells(),
    aw: cells(),
    delta: cells(),
    stefan: cells(),
    k: cells(),
    dU: cells(),
    dW: cells(),
    bottomC: new Float64Array(fixed.nr),
    air: { phase: 'oven', airC: 0, wallC: 0, wallBelowC: 0, h: 0, hUnder: 0 },
    shiftK: 0,
    trayHeatJ: 0,
    heatIn: 0,
    vapourOut: 0,
    vapourHeat: 0,
  };
};

/** Heat of vapour leaving at a temperature: liquid enthalpy plus latent heat, J/kg. */
const vapourEnthalpy = (t: number) => waterC * t + 2.501e6 - 2361 * t;

/** Water activity by the Oswin form with exponent one half. */
const activity = (x: number, a: number) => (x * x) / (x * x + a * a);

/** Vapour pressure, permeability and conductivity of every cell. Returns the largest stable step, s. */
const cellProperties = (f: Fixed, s: State, w: Scratch, dz2: Float64Array, dr2: number): number => {
  const { p: q, nz, tables } = f;
  const porous = Math.max(0.2, 1 - porosityAt(s.lift)) ** 1.25 * q.conductivityFactor;
  let fastest = 0;
  for (let i = 0; i < f.nr; i++) {
    const m = f.cellMass[i] as number;
    const volume = (f.volume0 * s.lift * (f.areaShare[i] as number) * (f.heightShare[i] as number)) / nz;
    const inverse = 2 / (dz2[i] as number) + 2 / dr2;
    for (let j = 0; j < nz; j++) {
      const a = i * nz + j;
      const t = s.T[a] as number;
      const x = Math.max(0, s.W[a] as number) / (m * f.solids);
      const aw = activity(x, q.sorptionA);
      const psat = at(tables.saturationPa, t);
      const p = aw * psat;
      const tk = t + 273.15;
      const stefan = p >= P0 ? q.stefanMax : Math.min(q.stefanMax, 1 / (1 - p / P0));
      const sigma = s.sigma[a] as number;
      const delta =
        ((2.26e-5 * (tk / 273.15) ** 1.81 * molarWater) / (gas * tk)) *
        (q.permeabilityRaw + (q.permeabilitySet - q.permeabilityRaw) * sigma) *
        stefan;
      const k = porous * at(tables.conductivity, t);
      w.aw[a] = aw;
      w.p[a] = p;
      w.stefan[a] = stefan;
      w.delta[a] = delta;
      w.k[a] = k;
      // Diffusivities of heat (with the heat-pipe effect of vapour) and of moisture, which limit the step.
      const heat = (m * slopeAt(tables.dryEnthalpy, t) + (s.W[a] as number) * waterC) / volume;
      const dpdT = aw * slopeAt(tables.saturationPa, t);
      const latent = 2.501e6 - 2361 * t;
      const dAw = (2 * x * q.sorptionA ** 2) / (x * x + q.sorptionA ** 2) ** 2;
      const rate = (k + delta * latent * dpdT) / heat + (delta * psat * dAw * volume) / (m * f.solids);
      fastest = Math.max(fastest, rate * inverse);
    }
  }
  return Math.min(1, 0.8 / fastest);
};

/** Heat and vapour between neighbours a and b over a conductance shape (area over distance). */
const exchange = (s: State, w: Scratch, a: number, b: number, shapeK: number, dt: number): void => {
  const ka = w.k[a] as number;
  const kb = w.k[b] as number;
  const da = w.delta[a] as number;
  const db = w.delta[b] as number;
  const ta = s.T[a] as number;
  const tb = s.T[b] as number;
  const vapour = ((2 * da * db) / (da + db)) * shapeK * ((w.p[a] as number) - (w.p[b] as number)) * dt;
  const heat =
    ((2 * ka * kb) / (ka + kb)) * shapeK * (ta - tb) * dt + vapour * vapourEnthalpy(vapour > 0 ? ta : tb);
  w.dU[a] = (w.dU[a] as number) - heat;
  w.dU[b] = (w.dU[b] as number) + heat;
  w.dW[a] = (w.dW[a] as number) - vapour;
  w.dW[b] = (w.dW[b] as number) + vapour;
};

/** Convection, radiation and drying through one open face; returns the temperature of the surface, °C. */
const openFace = (
  f: Fixed,
  s: State,
  w: Scratch,
  a: number,
  area: number,
  half: number,
  h: number,
  wallC: number,
  guessC: number,
  dt: number,
): number => {
  const { air } = w;
  const hr = radiation(f.p.emissivityDough, wallC, guessC);
  const inward = (w.k[a] as number) / half;
  const t = s.T[a] as number;
  const surface = (h * air.airC + hr * wallC + inward * t) / (h + hr + inward);
  const heat = area * (h * (air.airC - surface) + hr * (wallC - surface)) * dt;
  const hm = (0.622 * h) / (1006 * P0 * 0.9);
  const vapour =
    ((area * ((w.p[a] as number) - f.p.airVapourPa)) /
      (1 / (hm * (w.stefan[a] as number)) + (half * (1 + dryingReach / f.nz)) / (w.delta[a] as number))) *
    dt;
  const carried = vapour * vapourEnthalpy(t);
  w.dU[a] = (w.dU[a] as number) + heat - carried;
  w.dW[a] = (w.dW[a] as number) - vapour;
  w.heatIn += heat;
  w.vapourOut += vapour;
  w.vapourHeat += carried;
  return surface;
};

/** Contact with the tray; returns the heat drawn from it, J. */
const trayContact = (
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
const stepTray = (f: Fixed, s: State, w: Scratch, toCookie: number, dt: number): void => {
  const under = Math.PI * s.radius * s.radius;
  const edge = Math.max(0.02 * f.pitchArea, f.pitchArea - under);
  const { air } = w;
  const { heat, conduct, epsUnder, epsTop } = f.tray;
  const fromBelow = (t: number) =>
    air.hUnder * (air.airC - t) + radiation(epsUnder, air.wallBelowC, t) * (air.wallBelowC - t);
  const u = s.trayUnderC;
  const e = s.trayEdgeC;
  const below = fromBelow(u);
  const around = fromBelow(e) + air.h * (air.airC - e) + radiation(epsTop, air.wallC, e) * (air.wallC - e);
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

const smooth = (x: number) => {
  const c = Math.min(1, Math.max(0, x));
  return c * c * (3 - 2 * c);
};

/** Setting, lift and spread: mass means over all cells move the shape. */
const reshape = (f: Fixed, s: State, dt: number): void => {
  const { p: q, nz, tables } = f;
  let lnEta = 0;
  let set = 0;
  let lift = 0;
  for (let i = 0; i < f.nr; i++) {
    const share = (f.cellMass[i] as number) / f.massKg;
    for (let j = 0; j < nz; j++) {
      const a = i * nz + j;
      const t = s.T[a] as number;
      const rate = (Math.exp(Math.min(6, (t - f.setC) / q.setWidthK)) / q.setS) * dt;
      const sigma = ((s.sigma[a] as number) + rate) / (1 + rate);
      s.sigma[a] = sigma;
      if (t > (s.Tmax[a] as number)) s.Tmax[a] = t;
      lnEta +=
        share *
        (-q.etaPerK * (t - 25) + q.etaPerSolidFat * (at(tables.solidFat, t) - 0.12) + q.etaPerSet * sigma);
      set += share * sigma;
      const hold = sigma + (1 - sigma) * (1 - q.collapse * (1 - smooth((t - 40) / 40)));
      lift += share * smooth(((s.Tmax[a] as number) - 35) / 60) * hold;
    }
  }
  const next = 1 + q.lift * lift;
  const grown = next > s.lift ? Math.log(next / s.lift) : 0;
  s.lift = next;
  const area = Math.PI * s.radius * s.radius;
  const height = (f.volume0 * s.lift) / area;
  const rho = f.massKg / (f.volume0 * s.lift);
  const stress = Math.max(0, 0.5 * rho * 9.81 * height - f.yieldPa);
  const viscosity = Math.exp(f.lnEtaRecipe + lnEta);
  const slump = (stress / (6 * viscosity * (1 + (f.drag * (s.radius / height) ** 2) / 6.3))) * dt;
  const spread = Math.min(0.02, slump + (q.liftIsotropy / 3) * (1 - set) * grown);
  const limit = Math.sqrt((0.92 * f.pitchArea) / Math.PI);
  const radius = Math.min(Math.max(limit, s.radius), s.radius * Math.exp(spread));
  const newArea = Math.PI * radius * radius - area;
  if (newArea > 0) s.trayUnderC = (area * s.trayUnderC + newArea * s.trayEdgeC) / (area + newArea);
  s.radius = radius;
};

/** Browning of a face: Arrhenius rate, held back by water. */
const brown = (f: Fixed, faceC: number, aw: number, dt: number): number => {
  const { p: q } = f;
  const rate = q.browningPerS * Math.exp((-q.browningJPerMol / gas) * (1 / (faceC + 273.15) - 1 / 413.15));
  return (rate / (1 + (aw / q.browningAw) ** 4)) * dt;
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
  if (w.shiftK !== 0) shiftAir(w);
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
      Math.hypot(ring, slope),
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
      // One Newton step; what it leaves stays in U, so that energy is kept to rounding.
      s.T[a] =
        t +
        (u - m * at(f.tables.dryEnthalpy, t) - water * waterC * t) /
          (m * slopeAt(f.tables.dryEnthalpy, t) + water * waterC);
    }
  }
  if (phase !== 'rack') stepTray(f, s, w, fromTray, dt);
  reshape(f, s, dt);
  s.timeS += dt;
  return dt;
};
