import { remembering } from '../remembered/index.js';
import { JokulError, requireNumber } from '../shown/index.js';
import { checkBody, meshOf, type Body, type Face } from './body.js';
import { materialName, tabulated, type Material } from './material.js';

/** A stay in one place: air temperature, total heat transfer (convection and radiation), how long. */
export interface Stay {
  /** Air as the stay begins; all through it unless `air` moves it. */
  readonly airC: number;
  readonly hWPerM2K: number;
  readonly durationS: number;
  readonly air?: AirModel;
}

/** Air that answers to what stands in it. */
export interface AirModel {
  /** @param heatW heat that one body gives off (as `heatJ` counts it) @returns the air after `dtS`, °C */
  readonly next: (heatW: number, dtS: number) => number;
}

export type Where = 'core' | 'surface' | 'mean';

export interface ConductProblem {
  readonly body: Body;
  readonly material: Material;
  readonly startC: number;
  readonly steps: readonly Stay[];
  /** Stop when this place passes this temperature (from either side). */
  readonly until?: { readonly where: Where; readonly temperatureC: number };
  /** Cells from core to surface; 20 is within 0.1 % of the series solutions. */
  readonly cells?: number;
}

export interface ConductResult {
  /** Seconds from the start until `until` was reached; null when it never was, or none was asked. */
  readonly reachedS: number | null;
  readonly timesS: readonly number[];
  readonly coreC: readonly number[];
  readonly surfaceC: readonly number[];
  readonly meanC: readonly number[];
  readonly airC: readonly number[];
  /** Ice, mass fraction of the body, at its mean. */
  readonly iceFraction: readonly number[];
  /** Heat taken up by the body over the run, J (per m² for a slab, per m for a cylinder, a quarter for a block). */
  readonly heatJ: number;
  /** Heat that went in through the surface, J; equals `heatJ` but for rounding. */
  readonly surfaceHeatJ: number;
  /** Core-to-surface temperatures at the end, °C (not for blocks). */
  readonly profileC: readonly number[];
}

const maxSteps = 4e6;
/** Cells times steps of one run: some seconds of one core. What asks for more is refused before it begins. */
const mostWork = 3e8;

const checkProblem = (problem: ConductProblem): void => {
  checkBody(problem.body);
  requireNumber(problem.startC, 'The start temperature', -45, 60, '°C', 'startC');
  if (problem.steps.length === 0)
    throw new JokulError('no-steps', 'Say at least one place and how long.', 'steps');
  for (const [i, stay] of problem.steps.entries()) {
    requireNumber(stay.airC, 'The air temperature', -45, 60, '°C', `steps.${i}.airC`);
    requireNumber(stay.hWPerM2K, 'The heat transfer', 0.5, 5000, 'W/m²K', `steps.${i}.hWPerM2K`);
    requireNumber(stay.durationS, 'The duration', 1, 90 * 86400, 's', `steps.${i}.durationS`);
  }
};

const run = (problem: ConductProblem): ConductResult => {
  checkProblem(problem);
  const { body, startC, steps, until, cells = 20 } = problem;
  const table = tabulated(problem.material);
  const mesh = meshOf(body, problem.material.densityKgPerM3, cells);
  const { volumes, links, faces } = mesh;
  const n = volumes.length;
  const totalVolume = volumes.reduce((a, b) => a + b, 0);
  const H = new Float64Array(n).fill(table.volumetricEnthalpy(startC));
  const T = new Float64Array(n).fill(startC);
  const K = new Float64Array(n);
  const Q = new Float64Array(n);
  const atSurface = (stay: Stay) => {
    const face = faces.find(({ cell }) => cell === mesh.surface) as Face;
    const inner = K[mesh.surface] as number;
    const outward = inner / face.half;
    const h = stay.hWPerM2K * face.share;
    return (outward * (T[mesh.surface] as number) + h * airC) / (outward + h);
  };
  const meanOf = () => {
    let sum = 0;
    for (let i = 0; i < n; i++) sum += (volumes[i] as number) * (T[i] as number);
    return sum / totalVolume;
  };
  const heat = () => {
    let sum = 0;
    for (let i = 0; i < n; i++) sum += (volumes[i] as number) * (H[i] as number);
    return sum;
  };
  const startHeat = heat();
  let surfaceHeatJ = 0;
  let airC = steps[0]?.airC ?? 0;

  const result = {
    timesS: [] as number[],
    coreC: [] as number[],
    surfaceC: [] as number[],
    meanC: [] as number[],
    airC: [] as number[],
    iceFraction: [] as number[],
  };
  const record = (timeS: number, stay: Stay) => {
    const mean = meanOf();
    result.timesS.push(timeS);
    result.coreC.push(T[mesh.core] as number);
    result.surfaceC.push(timeS === 0 ? startC : atSurface(stay));
    result.meanC.push(mean);
    result.airC.push(airC);
    result.iceFraction.push(problem.material.iceShare(mean));
  };
  const watched = (stay: Stay) =>
    until?.where === 'core'
      ? (T[mesh.core] as number)
      : until?.where === 'surface'
        ? atSurface(stay)
        : meanOf();

  const totalS = steps.reduce((sum, stay) => sum + stay.durationS, 0);
  const sampleS = Math.max(1, totalS / 240);
  let timeS = 0;
  let nextSample = 0;
  let reachedS: number | null = null;
  const workOf = ({ durationS }: Stay) => (n * durationS * table.maxDiffusivity) / mesh.stepOverDiffusivity;
  if (steps.reduce((sum, stay) => sum + workOf(stay), 0) > mostWork)
    throw new JokulError(
      'too-long',
      'This would take minutes to compute: shorten the stays, or ask for a larger body.',
      'steps',
    );
  for (let i = 0; i < n; i++) K[i] = table.conductivity(T[i] as number);
  // Which side of the target the body starts on decides what "passes" means.
  const fromAbove = until !== undefined && startC > until.temperatureC;
  if (until && startC === until.temperatureC) reachedS = 0;

  for (const stay of steps) {
    airC = stay.airC;
    let lastWatched = until ? watched(stay) : 0;
    // The film in series with half a cell limits the step too when h is very large.
    const limit = mesh.stepOverDiffusivity / table.maxDiffusivity;
    const count = Math.ceil(stay.durationS / limit);
    if (count > maxSteps)
      throw new JokulError(
        'too-long',
        'This run is too long for so small a body: shorten the stay.',
        'steps',
      );
    const dt = stay.durationS / count;
    for (let s = 0; s < count && reachedS === null; s++) {
      if (timeS >= nextSample - 1e-9) {
        record(timeS, stay);
        nextSample += sampleS;
      }
      Q.fill(0);
      for (const { a, b, shape } of links) {
        const ka = K[a] as number;
        const kb = K[b] as number;
        const q = ((2 * ka * kb) / (ka + kb)) * shape * ((T[a] as number) - (T[b] as number));
        Q[a] = (Q[a] as number) - q;
        Q[b] = (Q[b] as number) + q;
      }
      let intoBodyW = 0;
      for (const { cell, area, half, share } of faces) {
        if (share === 0) continue;
        const q =
          (area * (airC - (T[cell] as number))) / (1 / (stay.hWPerM2K * share) + half / (K[cell] as number));
        Q[cell] = (Q[cell] as number) + q;
        intoBodyW += q;
      }
      surfaceHeatJ += intoBodyW * dt;
      if (stay.air) airC = stay.air.next(-intoBodyW, dt);
      for (let i = 0; i < n; i++) {
        H[i] = (H[i] as number) + (dt * (Q[i] as number)) / (volumes[i] as number);
        T[i] = table.temperature(H[i] as number);
        K[i] = table.conductivity(T[i] as number);
      }
      timeS += dt;
      if (until) {
        const now = watched(stay);
        if (fromAbove ? now <= until.temperatureC : now >= until.temperatureC) {
          const part = now === lastWatched ? 1 : (until.temperatureC - lastWatched) / (now - lastWatched);
          reachedS = timeS - dt * (1 - Math.min(1, Math.max(0, part)));
        }
        lastWatched = now;
      }
    }
    if (reachedS !== null) {
      record(timeS, stay);
      break;
    }
  }
  const last = steps.at(-1) as Stay;
  if (reachedS === null) record(timeS, last);
  return {
    reachedS,
    ...result,
    heatJ: heat() - startHeat,
    surfaceHeatJ,
    profileC: body.kind === 'block' || body.kind === 'disc' ? [] : Array.from(T),
  };
};

/** Curves of the last doughs and stays: a plan asks for those of the plan before it. */
const mostKept = 200;

/**
 * Transient conduction by finite volumes with the enthalpy method (explicit): melting and freezing over a range
 * need no special case. The state is volumetric enthalpy; temperature is read back from it.
 * @throws JokulError for a body, temperature or stay outside the stated domain
 */
export const conduct: (problem: ConductProblem) => ConductResult = remembering(
  run,
  // Air that answers has a state of its own.
  ({ material, ...asked }) =>
    asked.steps.some(({ air }) => air) ? null : `${materialName(material)} ${JSON.stringify(asked)}`,
  mostKept,
);
