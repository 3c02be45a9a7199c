import { checkComposition, type BakeInput } from './input.js';
import { advance, carryoverS, startRun, type Run } from './simulate.js';
import type { Phase } from './surroundings.js';

/** A cut through the piece at one moment. Rings from the axis outward, layers from the tray up. */
export interface Frame {
  readonly timeS: number;
  readonly phase: Phase;
  readonly trayC: number;
  /** Outer radius of each ring, and the height of its column, mm. */
  readonly radiiMm: readonly number[];
  readonly heightsMm: readonly number[];
  /** Temperature, °C, and wet-basis water, by ring and layer. */
  readonly temperatureC: readonly (readonly number[])[];
  readonly moisture: readonly (readonly number[])[];
  readonly set: readonly (readonly number[])[];
  /** Browning score of top and underside, by ring. */
  readonly topColour: readonly number[];
  readonly bottomColour: readonly number[];
}

const score = (browning: number) => Math.round(1000 * (1 - Math.exp(-browning))) / 10;
const to = (digits: number) => (value: number) => Number(value.toFixed(digits));

const frameOf = ({ fixed, state }: Run, phase: Phase): Frame => {
  const { nr, nz } = fixed;
  const area = Math.PI * state.radius ** 2;
  const meanMm = (1000 * fixed.volume0 * state.lift) / area;
  const rings = Array.from({ length: nr }, (_, i) => i);
  const grid = (of: (cell: number, ring: number) => number, digits: number) =>
    rings.map((i) => Array.from({ length: nz }, (_, j) => to(digits)(of(i * nz + j, i))));
  const dryShare = 1 - fixed.setup.dough.composition.water;
  return {
    timeS: state.timeS,
    phase,
    trayC: to(1)(state.trayUnderC),
    radiiMm: rings.map((i) => to(2)(1000 * state.radius * (state.faces[i + 1] as number))),
    heightsMm: rings.map((i) => to(2)(meanMm * (state.heightShare[i] as number))),
    temperatureC: grid((a) => state.T[a] as number, 1),
    moisture: grid((a, i) => {
      const water = state.W[a] as number;
      return water / ((fixed.cellMass[i] as number) * dryShare + water);
    }, 4),
    set: grid((a) => state.sigma[a] as number, 2),
    topColour: rings.map((i) => score(state.brownTop[i] as number)),
    bottomColour: rings.map((i) => score(state.brownBottom[i] as number)),
  };
};

/**
 * Cuts through a piece at even times through oven, hot tray and ten minutes of rack.
 * @throws JokulError `out-of-range` outside the model's domain
 */
export const bakeFrames = (input: BakeInput, pullS: number, everyS = 30): readonly Frame[] => {
  checkComposition(input);
  const run = startRun(input.setup);
  const offTrayS = pullS + input.rest.trayS;
  const ends: readonly (readonly [Phase, number])[] = [
    ['oven', pullS],
    ['tray', offTrayS],
    ['rack', Math.max(pullS + carryoverS, offTrayS) + 600],
  ];
  const frames = [frameOf(run, 'oven')];
  for (const [phase, endS] of ends) {
    while (run.state.timeS < endS - 1e-6) {
      advance(run, phase, Math.min(endS, run.state.timeS + everyS));
      frames.push(frameOf(run, phase));
    }
  }
  return frames;
};
