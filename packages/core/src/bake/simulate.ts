import { read, type Reading } from './reading.js';
import { makeScratch, type Scratch } from './scratch.js';
import { prepare, type BakeSetup, type Fixed } from './setup.js';
import { copyState, initialState, type State } from './state.js';
import { step } from './step.js';
import type { Phase } from './surroundings.js';

/** A bake in progress: fixed data, state and work space. */
export interface Run {
  readonly fixed: Fixed;
  readonly state: State;
  readonly scratch: Scratch;
  readonly dz2: Float64Array;
}

export const startRun = (setup: BakeSetup): Run => {
  const fixed = prepare(setup);
  const scratch = makeScratch(fixed);
  const state = initialState(fixed);
  for (let i = 0; i < fixed.nr; i++) scratch.bottomC[i] = state.T[i * fixed.nz] as number;
  return { fixed, state, scratch, dz2: new Float64Array(fixed.nr) };
};

/** Goes on in one place until `untilS` after loading. */
export const advance = (run: Run, phase: Phase, untilS: number): void => {
  const { fixed, state, scratch, dz2 } = run;
  while (state.timeS < untilS - 1e-9) step(fixed, state, scratch, phase, untilS - state.timeS, dz2);
};

export const readRun = (run: Run): Reading => read(run.fixed, run.state, run.scratch.bottomC);

/** A second run that starts where this one is, so that a pull can be tried without ending the bake. */
export const fork = (run: Run): Run => {
  const scratch = makeScratch(run.fixed);
  scratch.bottomC.set(run.scratch.bottomC);
  scratch.shiftK = run.scratch.shiftK;
  return { fixed: run.fixed, state: copyState(run.state), scratch, dz2: new Float64Array(run.fixed.nr) };
};

/** Carryover on the hot tray that goes into the doneness, s. */
export const carryoverS = 240;

/** What follows the pull: the hot tray until `offTrayS`, then the rack. */
export const coolUntil = (run: Run, offTrayS: number, untilS: number): void => {
  advance(run, 'tray', Math.min(untilS, offTrayS));
  advance(run, 'rack', untilS);
};

/** What the piece will be after the carryover if the tray is pulled now. */
export const readingIfPulledNow = (run: Run): Reading => {
  const after = fork(run);
  advance(after, 'tray', run.state.timeS + carryoverS);
  return readRun(after);
};
