import { cached } from '../cache/index.js';
import { JokulError, requireNumber, say } from '../shown/index.js';
import { checkBody, meshOf, type Body, type Mesh } from './body.js';
import { ConductingCells } from './conducting-cells.js';
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
  requireNumber(problem.startC, say`The start temperature`, -45, 60, '°C', 'startC');
  if (problem.steps.length === 0)
    throw new JokulError('no-steps', say`Say at least one place and how long.`, 'steps');
  for (const [i, stay] of problem.steps.entries()) {
    requireNumber(stay.airC, say`The air temperature`, -45, 60, '°C', `steps.${i}.airC`);
    requireNumber(stay.hWPerM2K, say`The heat transfer`, 0.5, 5000, 'W/m²K', `steps.${i}.hWPerM2K`);
    requireNumber(stay.durationS, say`The duration`, 1, 90 * 86400, 's', `steps.${i}.durationS`);
  }
};

/** @throws JokulError `too-long` */
const checkWork = (steps: readonly Stay[], mesh: Mesh, maxDiffusivity: number): void => {
  const cells = mesh.volumes.length;
  const workOf = ({ durationS }: Stay) => (cells * durationS * maxDiffusivity) / mesh.stepOverDiffusivity;
  if (steps.reduce((sum, stay) => sum + workOf(stay), 0) > mostWork)
    throw new JokulError(
      'too-long',
      say`This would take minutes to compute: shorten the stays, or ask for a larger body.`,
      'steps',
    );
};

/** In how many steps a stay is gone through. @throws JokulError `too-long` */
const stepsOf = ({ durationS }: Stay, mesh: Mesh, maxDiffusivity: number): number => {
  // The film in series with half a cell limits the step too when h is very large.
  const count = Math.ceil(durationS / (mesh.stepOverDiffusivity / maxDiffusivity));
  if (count > maxSteps)
    throw new JokulError(
      'too-long',
      say`This run is too long for so small a body: shorten the stay.`,
      'steps',
    );
  return count;
};

/** A body that is as warm as its air to within this goes through the rest of a stay at once, K. */
const evenK = 1e-3;

/** About so many points of a curve are kept. */
const samples = 240;

/** What is written down on the way. */
class Curves {
  readonly timesS: number[] = [];
  readonly coreC: number[] = [];
  readonly surfaceC: number[] = [];
  readonly meanC: number[] = [];
  readonly airC: number[] = [];
  readonly iceFraction: number[] = [];
  private next = 0;

  constructor(
    private readonly everyS: number,
    private readonly material: Material,
  ) {}

  /** Keeps a point where the last one is long enough ago. @returns whether it did */
  pass(timeS: number, cells: ConductingCells, airC: number, hWPerM2K: number): boolean {
    if (timeS < this.next - 1e-9) return false;
    this.keep(timeS, cells, airC, hWPerM2K);
    this.next += this.everyS;
    return true;
  }

  /** Keeps the points after the last one up to a time through which nothing changes. */
  rest(untilS: number, cells: ConductingCells, airC: number, hWPerM2K: number): void {
    // Steps that are longer than the points lie apart leave the next one behind.
    this.next = Math.max(this.next, (this.timesS.at(-1) ?? 0) + this.everyS);
    while (this.next < untilS - 1e-9) this.pass(this.next, cells, airC, hWPerM2K);
  }

  keep(timeS: number, cells: ConductingCells, airC: number, hWPerM2K: number): void {
    const { meanC } = cells;
    this.timesS.push(timeS);
    this.coreC.push(cells.coreC);
    // As it starts the surface is what it was, whatever the air is.
    this.surfaceC.push(timeS === 0 ? cells.coreC : cells.surfaceC(airC, hWPerM2K));
    this.meanC.push(meanC);
    this.airC.push(airC);
    this.iceFraction.push(this.material.iceShare(meanC));
  }

  get kept() {
    const { timesS, coreC, surfaceC, meanC, airC, iceFraction } = this;
    return { timesS, coreC, surfaceC, meanC, airC, iceFraction };
  }
}

const run = (problem: ConductProblem): ConductResult => {
  checkProblem(problem);
  const { body, startC, steps, until } = problem;
  const table = tabulated(problem.material);
  const mesh = meshOf(body, problem.material.densityKgPerM3, problem.cells ?? 20);
  checkWork(steps, mesh, table.maxDiffusivity);
  const cells = new ConductingCells(mesh, table, startC);
  const startHeatJ = cells.heatJ;
  const totalS = steps.reduce((sum, stay) => sum + stay.durationS, 0);
  const curves = new Curves(Math.max(1, totalS / samples), problem.material);
  let surfaceHeatJ = 0;
  let airC = 0;
  let timeS = 0;
  const watched = ({ hWPerM2K }: Stay) =>
    until?.where === 'core'
      ? cells.coreC
      : until?.where === 'surface'
        ? cells.surfaceC(airC, hWPerM2K)
        : cells.meanC;
  // Which side of the target the body starts on decides what "passes" means.
  const fromAbove = until !== undefined && startC > until.temperatureC;
  let reachedS: number | null = until && startC === until.temperatureC ? 0 : null;

  for (const [i, stay] of steps.entries()) {
    airC = stay.airC;
    let lastWatched = until ? watched(stay) : 0;
    const count = stepsOf(stay, mesh, table.maxDiffusivity);
    const dt = stay.durationS / count;
    const endS = timeS + stay.durationS;
    // What is waited for may be so near the air that the last thousandths decide.
    const mayRest = !stay.air && (!until || Math.abs(until.temperatureC - airC) > 2 * evenK);
    for (let s = 0; s < count && reachedS === null; s++) {
      const kept = curves.pass(timeS, cells, airC, stay.hWPerM2K);
      if (kept && mayRest && cells.isEvenWith(airC, evenK)) {
        curves.rest(endS, cells, airC, stay.hWPerM2K);
        timeS = endS;
        break;
      }
      const intoBodyW = cells.advance(dt, airC, stay.hWPerM2K);
      surfaceHeatJ += intoBodyW * dt;
      if (stay.air) airC = stay.air.next(-intoBodyW, dt);
      timeS += dt;
      if (!until) continue;
      const now = watched(stay);
      if (fromAbove ? now <= until.temperatureC : now >= until.temperatureC) {
        const part = now === lastWatched ? 1 : (until.temperatureC - lastWatched) / (now - lastWatched);
        reachedS = timeS - dt * (1 - Math.min(1, Math.max(0, part)));
      }
      lastWatched = now;
    }
    if (reachedS !== null || i === steps.length - 1) {
      curves.keep(timeS, cells, airC, stay.hWPerM2K);
      break;
    }
  }
  return {
    reachedS,
    ...curves.kept,
    heatJ: cells.heatJ - startHeatJ,
    surfaceHeatJ,
    profileC: body.kind === 'block' || body.kind === 'disc' ? [] : Array.from(cells.temperatureC),
  };
};

/** Curves of the last doughs and stays: a plan asks for those of the plan before it. */
const mostKept = 200;

/**
 * Transient conduction by finite volumes with the enthalpy method (explicit): melting and freezing over a range
 * need no special case. The state is volumetric enthalpy; temperature is read back from it.
 * @throws JokulError for a body, temperature or stay outside the stated domain
 */
export const conduct: (problem: ConductProblem) => ConductResult = cached(
  run,
  // Air that answers has a state of its own.
  ({ material, ...asked }) =>
    asked.steps.some(({ air }) => air) ? null : `${materialName(material)} ${JSON.stringify(asked)}`,
  mostKept,
);
