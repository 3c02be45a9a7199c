import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import {
  adjustmentOf,
  type BakeAdjustment,
  type Calibration,
  house,
  type Learnable,
  learnable,
  noAdjustment,
  priorSigma,
} from '../bake/index.js';
import {
  anchorOf,
  figureSlopes,
  foretellFrom,
  foretoldNames,
  slopesOf,
  type Anchor,
  type Foretold,
  type Slopes,
} from './forward.js';
import { figureSigma, type LoggedBake, type Quantity } from './logged.js';

/** One measured figure beside what was foretold. */
export interface Residual {
  readonly bakeId: string;
  readonly quantity: Quantity;
  readonly measured: number;
  /** By the untouched model, and with everything learned. */
  readonly before: number;
  readonly after: number;
  /** How much it counts, 0 to 1: far-off figures count little. */
  readonly weight: number;
  /** So far off that somebody should look at it. */
  readonly outlier: boolean;
}

export interface Fit {
  readonly calibration: Calibration;
  readonly residuals: readonly Residual[];
}

export interface FitOptions {
  readonly nowMs: number;
  /** Keys that stay at what the untouched model says. */
  readonly held?: ReadonlySet<string>;
  /** Remembers runs of the model between fits, by a text. */
  readonly memory?: Map<string, unknown>;
}

/** After this time a bake counts half as much: ovens change. A house estimate. */
const halfLifeMs = 14 * 86_400_000;
/** Degrees of freedom of the Student t that the errors are taken to follow: few, so that a wild figure is let go. */
const tails = 4;
const outlierAt = 3.2;
const rounds = 3;

/** An adjustment as a key: to a thousandth of a kelvin or of a factor. */
const keyOf = (by: BakeAdjustment): string =>
  [by.offsetK, by.hFactor, by.stiffness, by.colourFactor].map((v) => v.toFixed(3)).join('/');
const untouched = keyOf(noAdjustment);

const remembered = <T>(memory: Map<string, unknown>, key: string, make: () => T): T => {
  const known = memory.get(key) as T | undefined;
  if (known !== undefined) return known;
  const made = make();
  memory.set(key, made);
  return made;
};

/** The parameters that these bakes can say anything about. */
const learnablesOf = (bakes: readonly LoggedBake[], held: ReadonlySet<string>): readonly Learnable[] => {
  const found = new Map<string, Learnable>();
  const add = (l: Learnable) => held.has(l.key) || found.set(l.key, l);
  for (const { ovenId, position, code, measured } of bakes) {
    add(learnable('offset', ovenId));
    add(learnable('transfer', ovenId));
    add(learnable('place', ovenId, position));
    if (measured.rightLessLeft !== undefined) add(learnable('sides', ovenId));
    if (measured.backLessFront !== undefined) add(learnable('depth', ovenId));
    add(learnable('house-stiffness', house));
    add(learnable('house-colour', house));
    add(learnable('stiffness', code));
    add(learnable('colour', code));
  }
  return [...found.values()].sort((a, b) => (a.key < b.key ? -1 : 1));
};

interface Row {
  readonly bake: LoggedBake;
  readonly quantity: Quantity;
  readonly measured: number;
  readonly predicted: number;
  readonly slopes: Float64Array;
}

const rowsOf = (
  bake: LoggedBake,
  base: Foretold,
  slopes: Slopes,
  index: ReadonlyMap<string, number>,
  theta: readonly number[],
): Row[] => {
  const row = (
    quantity: Quantity,
    measured: number,
    predicted: number,
    by: readonly (readonly [Learnable, number])[],
  ) => {
    const values = new Float64Array(index.size);
    for (const [{ key }, slope] of by) {
      const i = index.get(key);
      if (i !== undefined) values[i] = (values[i] ?? 0) + slope;
    }
    return { bake, quantity, measured, predicted, slopes: values };
  };
  const { ovenId, measured } = bake;
  const rows = foretoldNames.flatMap((name) => {
    const value = measured[name];
    return value === undefined ? [] : [row(name, value, base[name], figureSlopes(slopes, name, bake))];
  });
  // A tray that was turned half way has had each side at each place: nothing is left to see.
  const seen = bake.turned ? 0 : 1;
  for (const [quantity, kind] of [
    ['rightLessLeft', 'sides'],
    ['backLessFront', 'depth'],
  ] as const) {
    const value = measured[quantity];
    if (value === undefined) continue;
    const uneven = learnable(kind, ovenId);
    const slope = seen * slopes.offset.colour;
    rows.push(row(quantity, value, slope * (theta[index.get(uneven.key) ?? -1] ?? 0), [[uneven, slope]]));
  }
  return rows;
};

const ageWeight = (atMs: number, nowMs: number) => 0.5 ** (Math.max(0, nowMs - atMs) / halfLifeMs);

const residualOf = (row: Row) => (row.measured - row.predicted) / figureSigma[row.quantity];
const tailWeight = (r: number) => (tails + 1) / (tails + r * r);

/** One linear solve around `theta` with weights that depend on the residuals, repeated until these settle. */
const solveRound = (
  rows: readonly Row[],
  keys: readonly Learnable[],
  theta: readonly number[],
  nowMs: number,
): { theta: number[]; covariance: Matrix } => {
  const n = keys.length;
  let next = [...theta];
  let covariance = Matrix.eye(n);
  for (let pass = 0; pass < 8; pass++) {
    const normal = Matrix.zeros(n, n);
    const right = Array.from({ length: n }, () => 0);
    keys.forEach(({ kind }, i) => normal.set(i, i, 1 / priorSigma[kind] ** 2));
    for (const row of rows) {
      const shift = row.slopes.reduce((sum, s, i) => sum + s * ((next[i] ?? 0) - (theta[i] ?? 0)), 0);
      const sigma = figureSigma[row.quantity];
      const r = (row.measured - row.predicted - shift) / sigma;
      const weight = (tailWeight(r) * ageWeight(row.bake.atMs, nowMs)) / sigma ** 2;
      const toZero =
        row.measured - row.predicted + row.slopes.reduce((sum, s, i) => sum + s * (theta[i] ?? 0), 0);
      for (let i = 0; i < n; i++) {
        const si = row.slopes[i] ?? 0;
        if (si === 0) continue;
        right[i] = (right[i] ?? 0) + weight * si * toZero;
        for (let j = 0; j <= i; j++) normal.set(i, j, normal.get(i, j) + weight * si * (row.slopes[j] ?? 0));
      }
    }
    for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) normal.set(j, i, normal.get(i, j));
    const cholesky = new CholeskyDecomposition(normal);
    const solved = cholesky.solve(Matrix.columnVector(right)).to1DArray();
    covariance = cholesky.solve(Matrix.eye(n));
    const moved = Math.max(
      ...solved.map((v, i) => Math.abs(v - (next[i] ?? 0)) / priorSigma[(keys[i] as Learnable).kind]),
    );
    next = solved;
    if (moved < 1e-3) break;
  }
  return { theta: next, covariance };
};

const clampTheta = (values: readonly number[], keys: readonly Learnable[]): number[] =>
  values.map((v, i) => {
    const limit = 3.5 * priorSigma[(keys[i] as Learnable).kind];
    return Math.min(limit, Math.max(-limit, v));
  });

/**
 * What the logged bakes say of ovens and formulas: the most likely values under the priors and errors with heavy tails
 * (Lange, Little and Taylor, 1989), by Gauss-Newton steps on the bake model, and how sure they are (Laplace).
 * A bake of two weeks ago counts half.
 */
export const fitCalibration = (bakes: readonly LoggedBake[], options: FitOptions): Fit => {
  const { nowMs, held = new Set<string>(), memory = new Map<string, unknown>() } = options;
  const keys = learnablesOf(bakes, held);
  const index = new Map(keys.map(({ key }, i) => [key, i]));
  const calibrationOf = (theta: readonly number[], covariance: Matrix): Calibration => ({
    atMs: nowMs,
    bakes: bakes.length,
    values: keys.map((l, i) => ({ ...l, value: theta[i] ?? 0 })),
    covariance: covariance.to1DArray().map((v) => Number(v.toPrecision(6))),
  });
  const priors = Matrix.diag(keys.map(({ kind }) => priorSigma[kind] ** 2));
  let theta: number[] = keys.map(() => 0);
  let covariance = priors;
  const anchors = new Map(
    bakes.map((bake) => [bake.id, remembered(memory, `${bake.id}/anchor`, () => anchorOf(bake))] as const),
  );
  const anchor = (bake: LoggedBake) => anchors.get(bake.id) as Anchor;
  const foretold = (bake: LoggedBake, by: BakeAdjustment): Foretold => {
    const key = keyOf(by);
    if (key === untouched) return anchor(bake).fine;
    return remembered(memory, `${bake.id}/${key}`, () => foretellFrom(anchor(bake), bake, by));
  };
  let rows: readonly Row[] = [];
  const look = (): readonly Row[] => {
    const now = calibrationOf(theta, covariance);
    return bakes.flatMap((bake) => {
      const by = adjustmentOf(now, bake);
      const base = foretold(bake, by);
      const slopes = remembered(memory, `${bake.id}/slopes`, () => slopesOf(bake, anchor(bake).coarse));
      return rowsOf(bake, base, slopes, index, theta);
    });
  };
  for (let round = 0; round < rounds && keys.length > 0; round++) {
    rows = look();
    const before = theta;
    const solved = solveRound(rows, keys, theta, nowMs);
    theta = clampTheta(solved.theta, keys);
    covariance = solved.covariance;
    const moved = Math.max(
      ...theta.map((v, i) => Math.abs(v - (before[i] ?? 0)) / priorSigma[(keys[i] as Learnable).kind]),
    );
    if (moved < 0.04) break;
  }
  rows = keys.length > 0 ? look() : [];
  const residuals = rows.map((row): Residual => {
    const r = residualOf(row);
    const { fine } = anchor(row.bake);
    return {
      bakeId: row.bake.id,
      quantity: row.quantity,
      measured: row.measured,
      before: row.quantity in fine ? fine[row.quantity as keyof Foretold] : 0,
      after: row.predicted,
      weight: Math.min(1, tailWeight(r)),
      outlier: Math.abs(r) > outlierAt,
    };
  });
  return { calibration: calibrationOf(theta, covariance), residuals };
};
