import type { BatchPlan } from '../problem/plan.js';
import { aboutS, loadsOf, type ReplanQuestion } from './replan-question.js';
import { stayUntil } from './retime.js';

/** Loads that start so long before a lost one may make room for it, s. */
const aroundS = 1800;

/** Which loads may be moved: those without an oven, then all in trouble, then also those around them, then all that have not started. */
export const levels = ({ expected, started, homeless }: ReplanQuestion): readonly ReadonlySet<string>[] => {
  const open = loadsOf(expected).filter(({ id }) => !started.has(id));
  const trouble = open.filter(({ id, readyS, dueS }) => homeless.has(id) || readyS > dueS + aboutS);
  if (trouble.length === 0) return [];
  const fromS = Math.min(...trouble.map(({ startS, dueS }) => Math.min(startS, dueS - 3600))) - aroundS;
  const toS = Math.max(...trouble.map(({ startS, dueS }) => Math.max(startS, dueS)));
  const near = open.filter(({ startS }) => startS >= fromS && startS <= toS);
  const lost = trouble.filter(({ id }) => homeless.has(id));
  return [...(lost.length > 0 ? [lost] : []), trouble, [...trouble, ...near], open].map(
    (loads) => new Set(loads.map(({ id }) => id)),
  );
};

/** The loads that are let move: of a batch that nobody began, all. */
export const freedOf = (
  { expected, begun }: ReplanQuestion,
  loads: ReadonlySet<string>,
): ReadonlySet<string> =>
  new Set(
    expected.flatMap((batch) =>
      batch.loads
        .filter(({ id }) =>
          begun.has(batch.batchId) ? loads.has(id) : batch.loads.some((load) => loads.has(load.id)),
        )
        .map(({ id }) => id),
    ),
  );

/** The day without them; what is mixed stays in its place until its loads, or with `wait` until their ready-by. */
export const whatStays = (
  { expected, begun }: ReplanQuestion,
  freed: ReadonlySet<string>,
  wait: boolean,
): readonly BatchPlan[] =>
  expected.flatMap((batch): BatchPlan[] => {
    if (!begun.has(batch.batchId) && batch.loads.some(({ id }) => freed.has(id))) return [];
    const stays = batch.loads.filter(({ id }) => !freed.has(id));
    const until = batch.loads.map((load) =>
      wait && freed.has(load.id) ? { ...load, startS: Math.max(load.startS, load.dueS) } : load,
    );
    return [
      {
        ...batch,
        loads: stays,
        tasks: [
          ...stayUntil(batch, until),
          ...batch.tasks.filter(({ loadId }) => loadId !== undefined && !freed.has(loadId)),
        ],
      },
    ];
  });
