import { say } from '../shown/index.js';
import { bendScore, type Formula, type ScoreMove } from '../formula/index.js';
import { fatIn } from '../ingredient/index.js';
import type { OwnLimits } from '../limits/index.js';
import { bakeInputOf, type BakeInput } from './input.js';
import { usualProcess, type Process } from './process.js';
import type { BakeSetup } from './setup.js';
import { advance, readRun, startRun } from './simulate.js';

/** How a piece ends: its diameter over that of the ball that it was (a larger piece is no wider for that), and its height. */
export interface EndShape {
  readonly spread: number;
  readonly thicknessMm: number;
}

const longestS = 45 * 60;
const lookEveryS = 60;
/** Set so far nothing moves the shape any more. */
const isSetAt = 0.985;

/** The shape that a bake ends in: it stands still once the piece is set, whatever its doneness. */
export const endShape = ({ setup }: BakeInput): EndShape => {
  const run = startRun(setup);
  const ballMm = 2000 * Math.cbrt((3 * run.fixed.volume0) / (4 * Math.PI));
  let reading = readRun(run);
  for (let untilS = lookEveryS; untilS <= longestS && reading.set < isSetAt; untilS += lookEveryS) {
    advance(run, 'oven', untilS);
    reading = readRun(run);
  }
  return { spread: reading.diameterMm / ballMm, thicknessMm: reading.heightMm };
};

/** By how much the diameter and the height change for one point of the score. */
export const spreadPerPoint = 0.03;
export const thicknessPerPoint = 0.06;

/** Score points of a shape against another one. */
export const shapePoints = (
  from: EndShape,
  to: EndShape,
): { readonly spread: number; readonly thickness: number } => ({
  spread: Math.log(to.spread / from.spread) / spreadPerPoint,
  thickness: Math.log(to.thicknessMm / from.thicknessMm) / thicknessPerPoint,
});

/** Something that differs between two doughs and moves their shape, as the bake model takes it. */
interface Part {
  readonly id: string;
  readonly name: string;
  readonly unit: string;
  readonly of: (setup: BakeSetup) => number | string;
  /** The one setup with this part of the other. */
  readonly take: (setup: BakeSetup, from: BakeSetup) => BakeSetup;
}

const percent = (share: number) => 100 * share;
const doughPart =
  (...keys: readonly (keyof BakeSetup['dough'])[]) =>
  (setup: BakeSetup, from: BakeSetup): BakeSetup => ({
    ...setup,
    dough: { ...setup.dough, ...Object.fromEntries(keys.map((key) => [key, from.dough[key]])) },
  });
const processPart =
  (...keys: readonly (keyof Process)[]) =>
  (setup: BakeSetup, from: BakeSetup): BakeSetup => ({
    ...setup,
    process: {
      ...usualProcess,
      ...setup.process,
      ...Object.fromEntries(keys.map((key) => [key, (from.process ?? usualProcess)[key]])),
    },
  });
const worked = (setup: BakeSetup) => setup.process ?? usualProcess;

const parts: readonly Part[] = [
  {
    id: 'fat',
    name: say`fat, and how it melts`,
    unit: '% of the dough',
    of: ({ dough: { fats } }) => percent(fatIn(fats)),
    take: doughPart('fats'),
  },
  {
    id: 'sugar',
    name: say`sugars, by kind`,
    unit: '% of the dough',
    of: ({ dough: { sugar } }) => percent(sugar),
    take: doughPart('sugar', 'thinning', 'reducing'),
  },
  {
    id: 'water',
    name: say`water`,
    unit: '% of the dough',
    of: ({ dough: { composition } }) => percent(composition.water),
    take: doughPart('composition', 'nonFatSolids'),
  },
  {
    id: 'flour',
    name: say`flour`,
    unit: '% of the dough',
    of: ({ dough: { flour } }) => percent(flour),
    take: doughPart('flour', 'inclusions'),
  },
  {
    id: 'strength',
    name: say`protein of the flour`,
    unit: '%',
    of: ({ dough: { flourProtein } }) => percent(flourProtein ?? 0.105),
    take: doughPart('flourProtein'),
  },
  {
    id: 'egg',
    name: say`protein of egg, which sets`,
    unit: '% of the dough',
    of: ({ dough: { eggProtein } }) => percent(eggProtein),
    take: doughPart('eggProtein'),
  },
  {
    id: 'cream',
    name: say`butter, creamed or melted`,
    unit: '',
    of: (setup) => worked(setup).cream,
    take: processPart('cream', 'meltedShare'),
  },
  {
    id: 'rest',
    name: say`rest`,
    unit: 'h',
    of: (setup) => worked(setup).restS / 3600,
    take: processPart('restS'),
  },
  {
    id: 'leavening',
    name: say`gas of the leavening`,
    unit: 'mL/kg',
    of: (setup) => worked(setup).gasMlPerKg,
    take: processPart('gasMlPerKg', 'baseLeftMmolPerKg', 'coated'),
  },
  {
    id: 'oven',
    name: say`oven`,
    unit: '°C',
    of: ({ setC }) => setC,
    take: (setup, { setC, fan }) => ({ ...setup, setC, fan }),
  },
  {
    id: 'piece',
    name: say`piece`,
    unit: 'g',
    of: ({ massG }) => massG,
    take: (setup, { massG, shape }) => ({ ...setup, massG, shape }),
  },
];

/** Spread and thickness of a formula against a reference: scores of 0 to 10 with the reference at 5, and what moved them. */
export interface ShapeForecast {
  readonly scores: { readonly spread: number; readonly thickness: number };
  readonly because: { readonly spread: readonly ScoreMove[]; readonly thickness: readonly ScoreMove[] };
}

/** As they are baked alike: the same tray and paper, from the cold. */
const alike = { start: 7, tray: 'bright-aluminium', liner: 'parchment' } as const;

/**
 * How much further a formula spreads and how much thicker it stays than a reference, by the bake model: the one answer to
 * both. The parts are put into the reference one after the other, each as the model takes it, so that they add up to the
 * whole. Heavy: some twelve bakes of a coarse mesh.
 */
export const shapeForecast = (formula: Formula, reference: Formula, limits?: OwnLimits): ShapeForecast => {
  const setupOf = (f: Formula): BakeInput =>
    bakeInputOf(f, { ...alike, fan: f.bake.fan, rings: 6, layers: 5, ...(limits && { limits }) });
  const input = setupOf(reference);
  const goal = setupOf(formula).setup;
  let { setup } = input;
  let shape = endShape(input);
  const spread: ScoreMove[] = [];
  const thickness: ScoreMove[] = [];
  for (const { id, name, unit, of, take } of parts) {
    const next = take(setup, goal);
    const nextShape = endShape({ ...input, setup: next });
    const points = shapePoints(shape, nextShape);
    const move = { id, name, unit, from: of(setup), to: of(next) };
    spread.push({ ...move, points: points.spread });
    thickness.push({ ...move, points: points.thickness });
    setup = next;
    shape = nextShape;
  }
  const score = (moves: readonly ScoreMove[]) =>
    bendScore(moves.reduce((sum, { points }) => sum + points, 0));
  const telling = (moves: readonly ScoreMove[]) =>
    moves
      .filter(({ points }) => Math.abs(points) > 0.02)
      .sort((a, b) => Math.abs(b.points) - Math.abs(a.points));
  return {
    scores: { spread: score(spread), thickness: score(thickness) },
    because: { spread: telling(spread), thickness: telling(thickness) },
  };
};
