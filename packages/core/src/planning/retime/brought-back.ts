import type { BatchPlan, Load, Task } from '../problem/plan.js';
import type { ReplanQuestion } from './replan-question.js';
import { stayUntil } from './retime.js';

interface WithTasks {
  readonly load: Load;
  readonly tasks: readonly Task[];
}

const withTasks = ({ loads, tasks }: BatchPlan): readonly WithTasks[] =>
  loads.map((load) => ({ load, tasks: tasks.filter(({ loadId }) => loadId === load.id) }));

/** Loads of a batch, and their tasks, get the names of those that they stand for, and new ones beyond. */
const named = (
  batch: BatchPlan,
  kept: readonly Load[],
  moved: readonly WithTasks[],
): readonly WithTasks[] => {
  const { batchId } = batch;
  const free = batch.loads.filter(({ id }) => !kept.some((load) => load.id === id)).map(({ id }) => id);
  let last = Math.max(0, ...batch.loads.map(({ id }) => Number(/-L(\d+)$/.exec(id)?.[1] ?? 0)));
  return [...moved]
    .sort((a, b) => a.load.startS - b.load.startS)
    .map(({ load, tasks }, i) => {
      const id = free[i] ?? `${batchId}-L${(last += 1)}`;
      const trays = load.trays.map((tray, t) => ({ ...tray, id: `${id}-T${t + 1}` }));
      return {
        load: { ...load, id, batchId, trays },
        tasks: tasks.map((task) => ({
          ...task,
          id: task.id.replace(`${load.id}/`, `${id}/`),
          loadId: id,
          batchId,
        })),
      };
    });
};

/** The day with what was let move where it found its place, by the batch or load that it was planned as. */
export const broughtBack = (
  { expected, begun }: ReplanQuestion,
  freed: ReadonlySet<string>,
  found: readonly ReadonlyMap<string, BatchPlan>[],
): readonly BatchPlan[] =>
  expected.flatMap((batch): BatchPlan[] => {
    const parts = begun.has(batch.batchId)
      ? batch.loads.filter(({ id }) => freed.has(id)).map(({ id }) => id)
      : batch.loads.some(({ id }) => freed.has(id))
        ? [batch.batchId]
        : [];
    if (parts.length === 0) return [batch];
    const own = parts.flatMap((id) => found.flatMap((placed) => placed.get(id) ?? []));
    if (!begun.has(batch.batchId)) return own;
    const stays = batch.loads.filter(({ id }) => !freed.has(id));
    const moved = named(batch, stays, own.flatMap(withTasks));
    const all = [...stays, ...moved.map(({ load }) => load)].sort((a, b) => a.startS - b.startS);
    if (all.length === 0) return [{ ...batch, loads: [], tasks: stayUntil(batch, batch.loads) }];
    return [
      {
        ...batch,
        loads: all,
        tasks: [
          ...stayUntil(batch, all),
          ...batch.tasks.filter(({ loadId }) => stays.some(({ id }) => id === loadId)),
          ...moved.flatMap(({ tasks }) => tasks),
        ],
      },
    ];
  });
