import { varianceOf, type Calibration } from './calibration.js';
import { figureSlopes, foretoldNames, type Slopes } from './forward.js';
import type { Learnable } from './learnable.js';
import { figureSigma } from './logged.js';
import { pullSlopeList, type PullSlopes } from './pull-certainty.js';

/** A bake that is still to come: where, of what, how it answers to what is unknown, and how many trays wait for it. */
export interface Upcoming {
  readonly ovenId: string;
  readonly code: string;
  readonly trays: number;
  readonly pull: PullSlopes;
  readonly slopes: Slopes;
}

export interface TeachingBake {
  readonly ovenId: string;
  readonly code: string;
  /** How much less uncertain the pulls of all trays to come would be, in seconds a tray (root mean square). */
  readonly gainS: number;
}

type Row = readonly (readonly [Learnable, number])[];

/** What a fully measured bake in the middle of its oven would say, one row a figure, over its own sigma. */
const rowsOf = (bake: Upcoming): readonly Row[] =>
  foretoldNames.map((name) =>
    figureSlopes(bake.slopes, name, bake).map(([of, slope]) => [of, slope / figureSigma[name]] as const),
  );

/** Covariance of two figures under what is known: by polarisation of the variance. */
const covarianceOf = (calibration: Calibration | null, a: Row, b: Row): number => {
  const minus: Row = b.map(([l, s]) => [l, -s]);
  return (varianceOf(calibration, [...a, ...b]) - varianceOf(calibration, [...a, ...minus])) / 4;
};

/** Variance of `target` left after the rows of one bake are seen, one after the other (Kalman, 1960). */
const varianceAfter = (calibration: Calibration | null, target: Row, seen: readonly Row[]): number => {
  const all = [target, ...seen];
  const c = all.map((a) => all.map((b) => covarianceOf(calibration, a, b)));
  for (let k = 1; k < all.length; k++) {
    const ck = c[k] as number[];
    const scale = 1 / ((ck[k] ?? 0) + 1);
    const column = c.map((row) => row[k] ?? 0);
    for (let i = 0; i < all.length; i++)
      for (let j = 0; j < all.length; j++)
        (c[i] as number[])[j] = (c[i]?.[j] ?? 0) - scale * (column[i] ?? 0) * (column[j] ?? 0);
  }
  return Math.max(0, c[0]?.[0] ?? 0);
};

/** Which bake, if it is measured, would make the pulls to come surest; the best first. */
export const teachingBakes = (
  calibration: Calibration | null,
  upcoming: readonly Upcoming[],
): readonly TeachingBake[] => {
  const trays = upcoming.reduce((sum, u) => sum + u.trays, 0);
  if (trays === 0) return [];
  const targets = upcoming.map((u) => pullSlopeList(u.pull, u));
  const spread = (of: (target: Row) => number) =>
    Math.sqrt(upcoming.reduce((sum, u, i) => sum + u.trays * of(targets[i] as Row), 0) / trays);
  const now = spread((target) => varianceOf(calibration, target));
  return upcoming
    .map((candidate): TeachingBake => {
      const rows = rowsOf(candidate);
      const { ovenId, code } = candidate;
      return { ovenId, code, gainS: now - spread((target) => varianceAfter(calibration, target, rows)) };
    })
    .sort((a, b) => b.gainS - a.gainS);
};
