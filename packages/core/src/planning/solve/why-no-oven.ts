import { sayDuration, say } from '../../shown/index.js';
import { firstAttendedS } from '../problem/availability.js';
import { heatUpS, type PlanProblem, type PlanProduct, type Resource } from '../problem/problem.js';
import { afterPullS, loadTasks, portionS } from '../problem/tasks.js';
import type { Floor } from './floor-plan.js';
import { afterOvenS, earliestBakeS, latestBakeS, quickestS, soonestReadyS } from './reach.js';
import type { BatchShareOfDay, TrayShare } from './shares.js';

/** What is short where a chamber would be free for the next tray; null where that is not why it finds no place. */
export const shortBesideOvens = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  dueS: number,
  { pieces }: TrayShare,
): Resource | null => {
  const { product, batch } = share;
  const afterS = afterPullS(product, pieces);
  const id = `${batch.id}-L1`;
  const trays = [{ id: `${id}-T1`, position: 1, pieces }];
  for (const bake of product.bakes) {
    const oven = problem.ovens.find((own) => own.id === bake.ovenId);
    if (!oven || oven.places < 1) continue;
    const endByS = Math.min(dueS - afterS, latestBakeS(share) + bake.pullS);
    const startS = floor.latestStart(oven, bake, endByS, earliestBakeS(problem, share));
    if (startS === null) continue;
    const readyS = startS + bake.pullS + afterS;
    const short = floor.blocking(
      loadTasks(product, { id, batchId: batch.id, ...bake, startS, readyS, dueS, trays }),
    );
    if (short) return short.resource;
  }
  return null;
};

/** Whether an oven that bakes it is hot and attended for as long as that takes, somewhere between two moments. */
const couldBake = (problem: PlanProblem, { bakes }: PlanProduct, fromS: number, toS: number): boolean =>
  bakes.some(({ ovenId, setC, pullS }) => {
    const oven = problem.ovens.find(({ id }) => id === ovenId);
    const heatS = oven && problem.coldOvens ? heatUpS(oven, setC) : 0;
    return oven && firstAttendedS(problem.ovenHours, fromS, pullS, heatS) + pullS <= toS;
  });

/**
 * Why no oven takes it: no time for its way through the line, or no room.
 * @param short what is short although a chamber would be free
 */
export const noOven = (
  problem: PlanProblem,
  share: Pick<BatchShareOfDay, 'product' | 'batch'>,
  dueS: number,
  short: Resource | null = null,
): string => {
  const { product, batch } = share;
  const quickest = quickestS(product);
  const after = afterOvenS(share);
  const needs = soonestReadyS(problem, share);
  if (product.bakes.length === 0)
    return say`No oven in use can bake it: look at the ovens that its formula names, or add one in Setup.`;
  if (needs > dueS) {
    const parts = batch.stock
      ? [
          say`its dough may be loaded in ${sayDuration(Math.max(0, earliestBakeS(problem, share) - problem.nowS))}`,
        ]
      : [
          say`mixing ${sayDuration(product.mixS)}`,
          say`portioning ${sayDuration(portionS(product, batch))}`,
          ...(product.rest.minS > 0 ? [say`resting at least ${sayDuration(product.rest.minS)}`] : []),
        ];
    parts.push(say`baking ${sayDuration(quickest)}`, say`cooling and packing ${sayDuration(after)}`);
    return say`There is not enough time before its ready-by: ${parts.join(', ')} come to ${sayDuration(needs - problem.nowS)}, but only ${sayDuration(Math.max(0, dueS - problem.nowS))} are left. Give it a later ready-by (${sayDuration(needs - dueS)} later), or fewer pieces.`;
  }
  const inS = earliestBakeS(problem, share);
  if (!couldBake(problem, product, inS, dueS - after))
    return say`No oven is hot and attended when it could bake: its dough can go in ${sayDuration(inS - problem.nowS)} from now at the earliest, and must be out ${sayDuration(after)} before its ready-by. Change the hours of the ovens in Setup, or give it another ready-by.`;
  if (short)
    return say`${short.name}: ${short.capacity} in all, and none free for it when an oven is. Get more, move another product earlier, or give this one a later ready-by.`;
  return say`The ovens are full before its ready-by: no chamber has ${sayDuration(quickest)} free in time. Move another product earlier, give this one a later ready-by, or fewer pieces.`;
};
