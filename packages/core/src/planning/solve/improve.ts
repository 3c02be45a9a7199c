import { chance, type Chance } from '../../quantity/index.js';
import { better, type Draft } from './draft.js';
import { plainChoices, type Choices } from './choices.js';
import { choosePlacements, type SolveBinary } from './choose-placements.js';
import type { PlanProduct } from '../problem/problem.js';
import type { BatchShareOfDay } from './shares.js';

/** How much effort a plan may take. */
export interface Effort {
  /** Improvements that are tried; the same number and seed give the same plan. */
  readonly tries?: number;
  /** No further one is tried after this, s; 3 where left out. A plan that runs into it hangs on the machine. */
  readonly seconds?: number;
  /** Whether the usual tries are enough, also while pieces are undone. */
  readonly soon?: boolean;
  readonly seed?: number;
  /** So few pieces undone are known to be the best possible: more is not tried for. */
  readonly leastUndone?: number;
  /** Decides at once how a few batches are placed, where not all of them are; not asked where left out. */
  readonly solveBinary?: SolveBinary;
}

/** So many batches at most are decided on at once. */
const mostAtOnce = 8;
/** How often that is tried at most, each time with other ones, and for how long beyond the other tries, s. */
const choicesTried = 6;
const decidingSeconds = 3;

/** A quick plan, as after every change: more is tried while pieces are undone, but not for longer than this, s. */
export const quickTries = 200;
const triesPerBatch = 12;
const triesWhileUndone = 4000;
const quickSeconds = 3;

/** How much room a rest window leaves, s. */
export const slack = (product: PlanProduct): number => product.rest.maxS - product.rest.minS;

/** From here on a worse plan by so little is taken, so that the search leaves where it is stuck. */
const worseBy = 0.004;
/** The best plan is gone back to every so many tries; while pieces are undone the search stays away longer. */
const backEvery = { undone: 200, whole: 25 } as const;

const pickOf =
  (random: Chance) =>
  <T>(list: readonly T[]): T =>
    list[Math.floor(random.between(0, list.length))] as T;

/** Another way to place a batch each time that it is asked. */
const anyChoices = (random: Chance) => (): Choices => {
  const bold = random.between(0, 1);
  const aheadS = bold > 0.5 ? Math.floor(random.between(0, bold > 0.75 ? 24 : 4)) * 600 : 0;
  const spread = bold < 0.5 ? 600 : 2400;
  const likes = new Map<string, number>();
  const pick = pickOf(random);
  const joinS = 3600 * pick([1, 3, 8]);
  const heating = pick([0, 1, 4]);
  // Mostly the best rest; where hands or room are short, another.
  const kind = random.between(0, 1);
  return {
    together: bold < 0.25 ? [true, false] : [false, true],
    aheadS,
    joinS,
    heating,
    rest: kind < 0.5 ? null : kind < 0.8 ? 0 : random.between(0, 1),
    worth: (ovenId) => {
      const known = likes.get(ovenId) ?? random.between(-spread, spread);
      likes.set(ovenId, known);
      return known;
    },
  };
};

/** Batches that are taken out together: some that want the same ovens at the same time, and all that are open. */
const takenOut = (
  random: Chance,
  shares: readonly BatchShareOfDay[],
  open: readonly BatchShareOfDay[],
): readonly BatchShareOfDay[] => {
  const pick = pickOf(random);
  const around = open.length > 0 && random.between(0, 1) < 0.7 ? pick(open) : pick(shares);
  const some = Math.min(shares.length, 2 + Math.floor(random.between(0, 5)));
  const near = shares
    .map((share) => ({
      share,
      far:
        share === around
          ? -1
          : Math.abs(share.dueS - around.dueS) * random.between(0.3, 1.7) + random.between(0, 3600),
    }))
    .sort((a, b) => a.far - b.far)
    .map(({ share }) => share);
  const allShare = shares.length <= 8 && open.length > 0 ? 0.3 : 0.04;
  return [...new Set([...near.slice(0, random.between(0, 1) < allShare ? shares.length : some), ...open])];
};

/** In which order they are put back: by their ready-by, against it or by their slack, about; what is open mostly first. */
const inOrder = (
  random: Chance,
  shares: readonly BatchShareOfDay[],
  open: readonly BatchShareOfDay[],
): readonly BatchShareOfDay[] => {
  const way = random.between(0, 1);
  return shares
    .map((share) => ({
      share,
      key:
        (way < 0.5 ? share.dueS : way < 0.75 ? -share.dueS : slack(share.product)) +
        random.between(-7200, 7200) -
        (open.includes(share) && way < 0.8 ? 1e7 : 0),
    }))
    .sort((a, b) => a.key - b.key)
    .map(({ share }) => share);
};

/** What is open and what is due around it, as many as are decided on at once. */
const aroundOpen = (
  random: Chance,
  shares: readonly BatchShareOfDay[],
  open: readonly BatchShareOfDay[],
): ReadonlySet<BatchShareOfDay> => {
  if (shares.length <= mostAtOnce) return new Set(shares);
  const pick = pickOf(random);
  const around = pick(open);
  const near = shares
    .map((share) => ({
      share,
      far: share === around ? -1 : Math.abs(share.dueS - around.dueS) * random.between(0.5, 1.5),
    }))
    .sort((a, b) => a.far - b.far);
  return new Set(near.slice(0, mostAtOnce).map(({ share }) => share));
};

/** Decides on open batches together with those around them; true where more pieces are in time by it. */
const decide = (
  draft: Draft,
  effort: Effort,
  random: Chance,
  hopeless: ReadonlySet<BatchShareOfDay>,
  untilMs: number,
): boolean => {
  const { solveBinary } = effort;
  const open = draft.open().filter((share) => !hopeless.has(share));
  if (!solveBinary || open.length === 0) return false;
  const before = { kept: draft.kept(), score: draft.score() };
  const out = aroundOpen(random, draft.shares, open);
  const known = new Map([...out].map((share) => [share, draft.now(share)] as const));
  const chosen = choosePlacements(draft.problem, draft.staying(out), known, solveBinary, untilMs);
  if (!chosen) return false;
  draft.take([...out]);
  draft.set(chosen);
  // What found no place among the ways that were looked at may find one in what is left.
  const left = [...out].filter((share) => !chosen.has(share));
  draft.put(left, () => plainChoices);
  if (better(draft.score(), before.score)) return true;
  draft.back(before.kept);
  return false;
};

/**
 * Improves a plan by taking some batches out and putting them back in another order, in other ovens and a little
 * earlier, and keeps what is better: fewest pieces undone, then least cost.
 */
export const improve = (draft: Draft, effort: Effort, startedMs: number): void => {
  const { shares } = draft;
  const { seconds = quickSeconds } = effort;
  const random = chance(effort.seed ?? 1);
  const choices = anyChoices(random);
  const hopeless = draft.hopeless();
  let best = { kept: draft.kept(), score: draft.score() };
  let here = best;
  const enough = effort.tries ?? Math.max(quickTries, triesPerBatch * shares.length);
  const hopeful = () => best.score.undone > (effort.leastUndone ?? 0);
  const most = () => effort.tries ?? (hopeful() && !effort.soon ? triesWhileUndone : enough);
  let decidedMs = 0;
  const decideAll = () => {
    draft.back(best.kept);
    const beganMs = Date.now();
    const untilMs = beganMs + decidingSeconds * 1000 - decidedMs;
    for (let tried = 0; tried < choicesTried && hopeful() && Date.now() < untilMs; tried++) {
      if (decide(draft, effort, random, hopeless, untilMs))
        best = { kept: draft.kept(), score: draft.score() };
      else if (shares.length <= mostAtOnce) break;
    }
    decidedMs += Date.now() - beganMs;
    here = best;
  };
  for (let t = 0; t < most() && shares.length > 0; t++) {
    // Where the usual tries leave something open it is decided on, before more are tried.
    if (t === enough && hopeful()) decideAll();
    const open = draft.open().filter((share) => !hopeless.has(share));
    if (Date.now() - startedMs - decidedMs > seconds * 1000 || (open.length === 0 && t >= enough)) break;
    const out = takenOut(random, shares, open);
    draft.take(out);
    draft.put(inOrder(random, out, open), choices);
    const next = { kept: draft.kept(), score: draft.score() };
    if (better(next.score, best.score)) best = next;
    // While pieces are undone any plan that leaves no more of them will do, whatever it costs: it is where else to look.
    const { undone, cost } = next.score;
    if (better({ undone, cost: hopeful() ? 0 : cost * (1 - worseBy) }, here.score)) here = next;
    else draft.back(here.kept);
    if (t % (hopeful() ? backEvery.undone : backEvery.whole) === backEvery.whole - 1) {
      draft.back(best.kept);
      here = best;
    }
  }
  decideAll();
};
