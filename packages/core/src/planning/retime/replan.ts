import { checkPlan } from '../check/check.js';
import type { BatchPlan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { undonePieces } from '../problem/served.js';
import { piecesOf } from '../problem/tasks.js';
import { plainChoices } from '../solve/choices.js';
import { withCleanings } from '../solve/clean-bowls.js';
import { Draft } from '../solve/draft.js';
import { improve } from '../solve/improve.js';
import { placeAfterAgain } from '../solve/place-after.js';
import { broughtBack } from './brought-back.js';
import { changesOf } from './load-changes.js';
import { freedOf, levels, whatStays } from './may-move.js';
import { laterStepS, loadsOf, type Replanned, type ReplanQuestion } from './replan-question.js';
import { rescueLeft } from './rescue.js';
import { sharesFor } from './shares-to-move.js';

/** Nobody is asked to do anything sooner than this, s. */
const reactS = 180;

/** Somebody waits for the answer. */
const usualPatienceS = 10;

interface Tried {
  readonly batches: readonly BatchPlan[];
  readonly left: Replanned['left'];
}

/**
 * @param loads that may be moved
 * @param wait whether their dough takes up its place until their ready-by while the others are placed, and not only as
 * long as planned
 */
const tryWith = (question: ReplanQuestion, loads: ReadonlySet<string>, wait: boolean): Tried => {
  const { begun, effort } = question;
  const freed = freedOf(question, loads);
  const fixed = whatStays(question, freed, wait);
  const problem: PlanProblem = {
    ...question.problem,
    nowS: question.problem.nowS + reactS,
    products: question.problem.products.map((product) => ({ ...product, batches: [] })),
    fixed,
  };
  const shares = sharesFor({ ...question, problem }, fixed, freed);
  const draft = new Draft(problem, shares);
  draft.put(
    [...shares].sort((a, b) => a.dueS - b.dueS),
    () => plainChoices,
  );
  improve(draft, effort ?? {}, Date.now());
  const placed = new Map(draft.batches().map((batch) => [batch.batchId, batch]));
  const { later, left } = rescueLeft(problem, draft, placed);
  const batches = broughtBack(question, freed, [placed, later]);
  const facts = batches.filter(({ batchId }) => begun.has(batchId));
  return { batches: withCleanings({ ...problem, fixed: facts }, withHandsAfter(question, batches)), left };
};

/** What goes in at another time than planned is iced and packed by hands that are free then. */
const withHandsAfter = (
  { problem, planned }: ReplanQuestion,
  batches: readonly BatchPlan[],
): readonly BatchPlan[] => {
  const was = new Map(loadsOf(planned).map((load) => [load.id, load]));
  const moved = loadsOf(batches).filter(({ id, startS, pullS }) => {
    const old = was.get(id);
    return old?.startS !== startS || old.pullS !== pullS;
  });
  return placeAfterAgain(problem, batches, new Set(moved.map(({ id }) => id)));
};

/** Rules of the floor that a plan breaks and the day as it goes on does not; lateness and what is left are said otherwise. */
const newFaults = (question: ReplanQuestion, { batches, left }: Tried): number => {
  const faults = (of: readonly BatchPlan[]) =>
    checkPlan({ ...question.problem, fixed: of }, { batches: of, unplaced: [], boundS: 0 })
      .filter(({ code }) => code !== 'late')
      .map(({ code, where }) => `${code} ${where}`);
  const known = new Set(faults(question.expected));
  const isLeft = (fault: string) =>
    left.some(({ batchId }) => batchId.startsWith(fault.slice('pieces '.length)));
  return faults(batches).filter((fault) => !known.has(fault) && !isLeft(fault)).length;
};

/**
 * A way out of a day that slipped, with as few changes as it takes: only loads in trouble are moved, those around them
 * when that does not suffice, and all that have not started as the last resort. What cannot be in time is baked as soon
 * as an oven takes it while its dough is good. No search of everything: another way may have fewer changes.
 * @returns null where nothing is in trouble
 */
export const replan = (question: ReplanQuestion): Replanned | null => {
  const found = levels(question);
  if (found.length === 0) return null;
  let best = judged(question, asItGoes(question));
  let way: Way | null = null;
  const untilMs = Date.now() + (question.patienceS ?? usualPatienceS) * 1000;
  search: for (const freed of found)
    for (const wait of [false, true]) {
      const next = judged(question, withoutLosing(question, freed, wait));
      if (compare(next, best) < 0) [best, way] = [next, { freed, wait }];
      const [faults, undone] = next.score;
      if ((faults === 0 && undone === 0) || Date.now() > untilMs) break search;
      if (faults === 0) break;
    }
  return whole(question, (way ? withFewer(question, best, way, untilMs) : best).tried);
};

/** Which loads were let move, and whether their dough waited meanwhile. */
interface Way {
  readonly freed: ReadonlySet<string>;
  readonly wait: boolean;
}

/** Loads that kept their oven and move all the same: each is held where it was, and stays there where nobody is worse off. */
const withFewer = (
  question: ReplanQuestion,
  found: Judged,
  { freed, wait }: Way,
  untilMs: number,
): Judged => {
  let [best, may] = [found, freed];
  const count = ({ tried }: Judged) => changesOf(question, tried.batches).length;
  for (const { loadId, from } of changesOf(question, found.tried.batches)) {
    if (Date.now() > untilMs) break;
    if (!from || question.homeless.has(loadId) || !may.has(loadId)) continue;
    const fewer = new Set([...may].filter((id) => id !== loadId));
    const next = judged(question, withoutLosing(question, fewer, wait));
    if (compare(next, best) <= 0 && count(next) < count(best)) [best, may] = [next, fewer];
  }
  return best;
};

interface Judged {
  readonly tried: Tried;
  /** The first that differs decides; less is better. */
  readonly score: readonly number[];
}

/** Below 0 where the first is the better one. */
const compare = (a: Judged, b: Judged): number => {
  const first = a.score.findIndex((value, i) => value !== b.score[i]);
  return first < 0 ? 0 : (a.score[first] ?? 0) - (b.score[first] ?? 0);
};

/** Rules broken, pieces not in time, pieces never baked, and how late the loads are. */
const judged = (question: ReplanQuestion, tried: Tried): Judged => {
  const lateS = loadsOf(tried.batches).reduce((sum, { readyS, dueS }) => sum + Math.max(0, readyS - dueS), 0);
  const never = tried.left.reduce((sum, { pieces }) => sum + pieces, 0);
  const undone = undonePieces(question.problem, tried.batches);
  return { tried, score: [newFaults(question, tried), undone, never, Math.round(lateS / laterStepS)] };
};

/** Nothing is moved: what has no oven is not baked. */
const asItGoes = ({ expected, homeless }: ReplanQuestion): Tried => ({
  batches: expected.map((batch) => ({
    ...batch,
    loads: batch.loads.filter(({ id }) => !homeless.has(id)),
    tasks: batch.tasks.filter(({ loadId }) => !homeless.has(loadId ?? '')),
  })),
  left: loadsOf(expected)
    .filter(({ id }) => homeless.has(id))
    .map((load) => ({ batchId: load.id, pieces: piecesOf(load) })),
});

/** What would find no other oven stays where it is, though it is late, unless its oven is gone. */
const withoutLosing = (question: ReplanQuestion, freed: ReadonlySet<string>, wait: boolean): Tried => {
  let may = freed;
  for (;;) {
    const tried = tryWith(question, may, wait);
    const lost = new Set(tried.left.map(({ batchId }) => batchId));
    const kept = loadsOf(question.expected).filter(
      ({ id, batchId }) => may.has(id) && !question.homeless.has(id) && (lost.has(id) || lost.has(batchId)),
    );
    if (kept.length === 0) return tried;
    may = new Set([...may].filter((id) => !kept.some((load) => load.id === id)));
  }
};

const whole = (question: ReplanQuestion, tried: Tried): Replanned => ({
  ...tried,
  changes: changesOf(question, tried.batches),
});
