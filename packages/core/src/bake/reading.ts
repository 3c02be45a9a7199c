import type { Fixed } from './setup.js';
import type { State } from './state.js';

/** What a baker could see and measure at one moment. Shares are 0 to 1, colours a score from 0 (raw) to 100 (black). */
export interface Reading {
  readonly centreC: number;
  readonly edgeC: number;
  readonly bottomC: number;
  readonly diameterMm: number;
  readonly heightMm: number;
  readonly lossShare: number;
  readonly colour: { readonly edge: number; readonly centre: number; readonly bottom: number };
  /** Wet-basis water of the inner half of the radius, and of the outer fifth. */
  readonly centreMoisture: number;
  readonly edgeMoisture: number;
  /** Rim that is dry enough to snap, mm. */
  readonly crispEdgeMm: number;
  readonly set: number;
  readonly setEdge: number;
  /** Set share of the least set cell on the axis. */
  readonly setCentre: number;
  /** The highest that even the coldest point has come to so far, °C. */
  readonly coldestReachedC: number;
}

/** Water below this share of the column makes a rim snap. */
const crispBelow = 0.055;

const score = (browning: number) => 100 * (1 - Math.exp(-browning));

const overRings = (f: Fixed, s: State, from: number, to: number, of: (i: number) => number): number => {
  let sum = 0;
  let weight = 0;
  for (let i = 0; i < f.nr; i++) {
    const inside = Math.max(
      0,
      Math.min(to, s.faces[i + 1] as number) ** 2 - Math.max(from, s.faces[i] as number) ** 2,
    );
    sum += inside * of(i);
    weight += inside;
  }
  return weight > 0 ? sum / weight : 0;
};

/** Mean browning score of the rings between two shares of the radius; rounding never makes it more than black. */
const colour = (f: Fixed, s: State, from: number, to: number, browning: Float64Array): number =>
  Math.min(
    100,
    overRings(f, s, from, to, (i) => score(browning[i] as number)),
  );

const ringMoisture = (f: Fixed, s: State, i: number): number => {
  let water = 0;
  for (let j = 0; j < f.nz; j++) water += s.W[i * f.nz + j] as number;
  const dough = (f.cellMass[i] as number) * f.nz;
  const dry = dough * (1 - f.setup.dough.composition.water);
  return water / (dry + water);
};

const crispEdge = (f: Fixed, s: State): number => {
  for (let i = f.nr - 1; i >= 0; i--) {
    const here = ringMoisture(f, s, i);
    if (here >= crispBelow) {
      if (i === f.nr - 1) return 0;
      // Between the ring that is wet and the one outside it: where the moisture crosses the limit.
      const out = ringMoisture(f, s, i + 1);
      const r0 = s.centres[i] as number;
      const r1 = s.centres[i + 1] as number;
      const cross = r1 - ((crispBelow - out) / (here - out)) * (r1 - r0);
      return (1 - cross) * s.radius * 1000;
    }
  }
  return s.radius * 1000;
};

const meanSet = (f: Fixed, s: State, from: number): number => {
  let sum = 0;
  let weight = 0;
  for (let i = 0; i < f.nr; i++) {
    if ((s.centres[i] as number) < from) continue;
    for (let j = 0; j < f.nz; j++) {
      sum += (f.cellMass[i] as number) * (s.sigma[i * f.nz + j] as number);
      weight += f.cellMass[i] as number;
    }
  }
  return sum / weight;
};

export const read = (f: Fixed, s: State, bottomFaceC: Float64Array): Reading => {
  const axis = Array.from(s.T.subarray(0, f.nz));
  const outer = Array.from({ length: f.nz }, (_, j) => s.T[(f.nr - 1) * f.nz + j] as number);
  const set = meanSet(f, s, 0);
  const water = s.W.reduce((sum, w) => sum + w, 0);
  const lost = (f.massKg * f.setup.dough.composition.water - water) / f.massKg;
  const height = (f.volume0 * s.lift) / (Math.PI * s.radius * s.radius);
  return {
    centreC: Math.min(...axis),
    edgeC: outer.reduce((a, b) => a + b, 0) / f.nz,
    bottomC: overRings(f, s, 0, 1, (i) => bottomFaceC[i] as number),
    diameterMm: 2000 * s.radius,
    heightMm: height * (s.heightShare[0] as number) * 1000,
    lossShare: lost + 0.003 * set,
    colour: {
      edge: colour(f, s, 0.75, 0.99, s.brownTop),
      centre: colour(f, s, 0, 0.55, s.brownTop),
      bottom: colour(f, s, 0, 1, s.brownBottom),
    },
    centreMoisture: overRings(f, s, 0, 0.5, (i) => ringMoisture(f, s, i)),
    edgeMoisture: overRings(f, s, 0.8, 1, (i) => ringMoisture(f, s, i)),
    crispEdgeMm: crispEdge(f, s),
    set,
    setEdge: meanSet(f, s, 0.8),
    setCentre: Math.min(...s.sigma.subarray(0, f.nz)),
    coldestReachedC: Math.min(...s.Tmax),
  };
};
