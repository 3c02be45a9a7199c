import {
  type Calibration,
  covarianceUnder,
  type FigureSlopes,
  pullSlopeList,
  type PullSlopes,
} from '../bake/index.js';
import { figureSlopes, foretoldNames, type Slopes } from './forward.js';
import { figureSigma } from './logged.js';

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

/** What a fully measured bake in the middle of its oven would say, one row a figure, over its own sigma. */
const rowsOf = (bake: Upcoming): readonly FigureSlopes[] =>
  foretoldNames.map((name) =>
    figureSlopes(bake.slopes, name, bake).map(([of, slope]) => [of, slope / figureSigma[name]] as const),
  );

/**
 * Variances of the targets left after the rows of one bake are seen, one after the other (Kalman, 1960).
 * @param covariance of two figures before anything is seen
 */
const variancesAfter = (
  covariance: (a: FigureSlopes, b: FigureSlopes) => number,
  targets: readonly FigureSlopes[],
  seen: readonly FigureSlopes[],
): readonly number[] => {
  // Targets are asked of by what is seen alone: of one another only their variances matter.
  const left = targets.map((target) => covariance(target, target));
  const all = [...seen, ...targets];
  const c = all.map((a) => seen.map((b) => covariance(a, b)));
  for (let k = 0; k < seen.length; k++) {
    const column = c.map((row) => row[k] ?? 0);
    const scale = 1 / ((column[k] ?? 0) + 1);
    for (const [i, row] of c.entries())
      for (let j = 0; j < seen.length; j++)
        row[j] = (row[j] ?? 0) - scale * (column[i] ?? 0) * (column[j] ?? 0);
    for (let t = 0; t < targets.length; t++)
      left[t] = (left[t] ?? 0) - scale * (column[seen.length + t] ?? 0) ** 2;
  }
  return left.map((variance) => Math.max(0, variance));
};

/** Which bake, if it is measured, would make the pulls to come surest; the best first. */
export const teachingBakes = (
  calibration: Calibration | null,
  upcoming: readonly Upcoming[],
): readonly TeachingBake[] => {
  const trays = upcoming.reduce((sum, u) => sum + u.trays, 0);
  if (trays === 0) return [];
  const covariance = covarianceUnder(calibration);
  const targets = upcoming.map((u) => pullSlopeList(u.pull, u));
  const spread = (variances: readonly number[]) =>
    Math.sqrt(upcoming.reduce((sum, u, i) => sum + u.trays * (variances[i] ?? 0), 0) / trays);
  const now = spread(variancesAfter(covariance, targets, []));
  return upcoming
    .map((candidate): TeachingBake => {
      const { ovenId, code } = candidate;
      return { ovenId, code, gainS: now - spread(variancesAfter(covariance, targets, rowsOf(candidate))) };
    })
    .sort((a, b) => b.gainS - a.gainS);
};
