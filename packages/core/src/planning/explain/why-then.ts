import type { RestRule } from '../../formula/index.js';
import { type BatchPlan, type Load } from '../problem/plan.js';
import { betweenLoadsS, type PlanOven } from '../problem/problem.js';
import { waitMaxS } from '../solve/reach.js';

/** What keeps a load from starting later, or earlier, and how much room it leaves, s. */
export type Hold = { readonly loadId: string; readonly slackS: number } & (
  | { readonly kind: 'ready-by'; readonly atS: number }
  | { readonly kind: 'next-load' | 'load-before'; readonly otherId: string; readonly ovenId: string }
  | { readonly kind: 'goes-off' | 'rested'; readonly atS: number }
  | { readonly kind: 'now' }
);

export interface WhyThenQuestion {
  readonly batches: readonly BatchPlan[];
  readonly ovens: readonly PlanOven[];
  readonly loadGapS: number;
  readonly nowS: number;
  readonly restOf: (batch: BatchPlan) => RestRule | undefined;
}

/** A chain is followed for so many loads. */
const longest = 5;

/** Less room than this is none, s. */
const aboutS = 60;

const inOrder = ({ batches }: WhyThenQuestion, ovenId: string): readonly Load[] =>
  batches
    .flatMap(({ loads }) => loads)
    .filter((load) => load.ovenId === ovenId)
    .sort((a, b) => a.startS - b.startS);

/** When the dough of a batch may be in an oven, by its window; null where nothing is known of it. */
const windowOf = ({ restOf }: WhyThenQuestion, batch: BatchPlan) => {
  if (batch.stock && batch.stock.form !== 'tub') return { fromS: batch.stock.fromS, toS: batch.stock.toS };
  const portion = batch.tasks.find(({ kind }) => kind === 'portion');
  const rest = restOf(batch);
  if (!portion || !rest) return null;
  return rest.form === 'tub'
    ? { fromS: portion.endS, toS: portion.endS + waitMaxS }
    : { fromS: portion.endS + rest.minS, toS: portion.endS + rest.maxS };
};

const betweenS = ({ ovens, loadGapS }: WhyThenQuestion, before: Load, after: Load) => {
  const oven = ovens.find(({ id }) => id === before.ovenId);
  return oven ? betweenLoadsS(oven, before.setC, after.setC, loadGapS) : loadGapS;
};

const tightest = (holds: readonly Hold[]): Hold =>
  holds.reduce((least, hold) => (hold.slackS < least.slackS ? hold : least));

const laterHold = (question: WhyThenQuestion, batch: BatchPlan, load: Load): Hold => {
  const all = inOrder(question, load.ovenId);
  const next = all[all.findIndex(({ id }) => id === load.id) + 1];
  const window = windowOf(question, batch);
  const of = { loadId: load.id };
  return tightest([
    { ...of, kind: 'ready-by', atS: load.dueS, slackS: load.dueS - load.readyS },
    ...(next
      ? [
          {
            ...of,
            kind: 'next-load' as const,
            otherId: next.id,
            ovenId: load.ovenId,
            slackS: next.startS - load.startS - load.pullS - betweenS(question, load, next),
          },
        ]
      : []),
    ...(window
      ? [{ ...of, kind: 'goes-off' as const, atS: window.toS, slackS: window.toS - load.startS }]
      : []),
  ]);
};

/**
 * Why a load does not start later: what stands closest after it, and if that is another load, what holds that one, and so
 * on to the first that is no load or leaves room. Empty where the load is not in the plan.
 */
export const whyNotLater = (question: WhyThenQuestion, loadId: string): readonly Hold[] => {
  const chain: Hold[] = [];
  for (let id: string | null = loadId; id !== null && chain.length < longest;) {
    const batch = question.batches.find(({ loads }) => loads.some((load) => load.id === id));
    const load = batch?.loads.find((own) => own.id === id);
    if (!batch || !load) break;
    const hold = laterHold(question, batch, load);
    chain.push(hold);
    id = hold.kind === 'next-load' && hold.slackS < aboutS ? hold.otherId : null;
  }
  return chain;
};

/** Why a load does not start earlier: what stands closest before it; null where the load is not in the plan. */
export const whyNotEarlier = (question: WhyThenQuestion, loadId: string): Hold | null => {
  const batch = question.batches.find(({ loads }) => loads.some(({ id }) => id === loadId));
  const load = batch?.loads.find(({ id }) => id === loadId);
  if (!batch || !load) return null;
  const all = inOrder(question, load.ovenId);
  const before = all[all.findIndex(({ id }) => id === loadId) - 1];
  const window = windowOf(question, batch);
  const of = { loadId };
  return tightest([
    { ...of, kind: 'now', slackS: load.startS - question.nowS },
    ...(before
      ? [
          {
            ...of,
            kind: 'load-before' as const,
            otherId: before.id,
            ovenId: load.ovenId,
            slackS: load.startS - before.startS - before.pullS - betweenS(question, before, load),
          },
        ]
      : []),
    ...(window
      ? [{ ...of, kind: 'rested' as const, atS: window.fromS, slackS: load.startS - window.fromS }]
      : []),
  ]);
};
