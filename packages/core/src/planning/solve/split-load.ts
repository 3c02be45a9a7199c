import { JokulError, say, counted } from '../../shown/index.js';
import type { BatchPlan, Load, PlanTray, Task } from '../problem/plan.js';
import { resourceIds } from '../problem/problem.js';
import { piecesOf } from '../problem/tasks.js';

/** A load's number in its batch, 0 for one that has none. */
const numberOf = ({ id, batchId }: Load): number => Number(id.slice(batchId.length).replace('-L', '')) || 0;

const traysOf = ({ trays }: Pick<Load, 'trays'>): number => trays.length;
const byHand: ReadonlySet<string> = new Set([resourceIds.hands, resourceIds.ovenHands]);

const handsTime = (task: Task, part: Load, whole: Load): Pick<Task, 'startS' | 'endS'> => {
  const { startS, endS } = task;
  if (!task.uses.some(({ resourceId }) => byHand.has(resourceId))) return { startS, endS };
  // At the oven a tray takes its time however many pieces lie on it.
  const of = task.kind === 'load' || task.kind === 'turn' || task.kind === 'pull' ? traysOf : piecesOf;
  const ownS = ((endS - startS) * of(part)) / of(whole);
  return part.id === whole.id ? { startS, endS: startS + ownS } : { startS: endS - ownS, endS };
};

const renumbered = (loadId: string, trays: readonly PlanTray[]): readonly PlanTray[] =>
  trays.map(({ pieces }, i) => ({ id: `${loadId}-T${i + 1}`, position: i + 1, pieces }));

/**
 * A task of the whole load for a part of it: it takes up so many trays and rack places. What a hand does to its pieces is
 * done to those that stay first, then to those that go.
 */
const perTray = new Set<string>([resourceIds.trays, resourceIds.racks]);
const taskFor = (task: Task, part: Load, whole: Load): Task => ({
  ...task,
  ...handsTime(task, part, whole),
  id: task.id.replace(`${task.loadId}/`, `${part.id}/`),
  loadId: part.id,
  uses: task.uses.map((use) =>
    perTray.has(use.resourceId) || use.resourceId.startsWith(resourceIds.liner(''))
      ? { ...use, amount: part.trays.length }
      : use,
  ),
});

/**
 * A load as two, in one place still: the first trays keep its name, the last ones become a load of their own with the next
 * number of the batch.
 * @param trays how many go, the last ones
 * @returns the batch, and the load that goes
 * @throws JokulError `unknown-load`, `bad-split` where nothing would go, or nothing stay
 */
export const splitLoad = (
  batch: BatchPlan,
  loadId: string,
  trays: number,
): { readonly batch: BatchPlan; readonly part: Load } => {
  const whole = batch.loads.find(({ id }) => id === loadId);
  if (!whole) throw new JokulError('unknown-load', say`This load is not in the plan any more.`, 'loadId');
  const stay = whole.trays.length - trays;
  if (!Number.isInteger(trays) || trays < 1 || stay < 1)
    throw new JokulError(
      'bad-split',
      say`It has ${whole.trays.length} ${counted(whole.trays.length, 'tray', 'trays')}: at least one goes, and one stays.`,
      'trays',
    );
  const id = `${batch.batchId}-L${Math.max(...batch.loads.map(numberOf)) + 1}`;
  const kept: Load = { ...whole, trays: whole.trays.slice(0, stay) };
  const part: Load = { ...whole, id, trays: renumbered(id, whole.trays.slice(stay)) };
  return {
    batch: {
      ...batch,
      loads: batch.loads.flatMap((load) => (load === whole ? [kept, part] : [load])),
      tasks: batch.tasks.flatMap((task) =>
        task.loadId === loadId ? [taskFor(task, kept, whole), taskFor(task, part, whole)] : [task],
      ),
    },
    part,
  };
};
