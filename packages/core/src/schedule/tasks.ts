import {
  bagHoldsPieces,
  resourceIds,
  trayCoolS,
  tubHoldsG,
  type Load,
  type PlanBatch,
  type PlanProduct,
  type Task,
  type TaskKind,
  type Use,
} from './problem.js';

/** The moments that fix a batch: all its tasks follow from them. */
export interface Moments {
  readonly mixStartS: number;
  readonly portionStartS: number;
}

export const portionS = (product: PlanProduct, batch: PlanBatch): number =>
  product.portionSetUpS + product.portionSPerPiece * batch.pieces;

/** What a resting batch takes up in its place. */
const restUse = (product: PlanProduct, batch: PlanBatch): Use => {
  const place = product.rest.placeKind;
  if (product.rest.form === 'tub') {
    return { resourceId: resourceIds.cold(place, 'tubs'), amount: Math.ceil(batch.massG / tubHoldsG) };
  }
  if (product.rest.form === 'bag') {
    return { resourceId: resourceIds.cold(place, 'bags'), amount: Math.ceil(batch.pieces / bagHoldsPieces) };
  }
  return {
    resourceId: resourceIds.cold(place, 'trays'),
    amount: Math.ceil(batch.pieces / product.restingPerTray),
  };
};

/** Pieces on trays in the walk-in between portioning a tub and its last load. */
const waitUse = (product: PlanProduct, batch: PlanBatch): Use => ({
  resourceId: resourceIds.cold('walk-in', 'trays'),
  amount: Math.ceil(batch.pieces / product.restingPerTray),
});

/** Tray work of one load: trays in use from filling until cool again, then rack places. */
const loadTasks = (product: PlanProduct, load: Load): readonly Task[] => {
  const pulledS = load.startS + load.pullS;
  const offTrayS = pulledS + product.trayRestS;
  const trays = load.trays.length;
  const task = (kind: TaskKind, startS: number, endS: number, uses: readonly Use[]): Task => ({
    id: `${load.id}/${kind}`,
    kind,
    batchId: load.batchId,
    loadId: load.id,
    startS,
    endS,
    uses,
  });
  return [
    task('bake', load.startS, pulledS, [{ resourceId: resourceIds.trays, amount: trays }]),
    task('tray-rest', pulledS, offTrayS + trayCoolS, [{ resourceId: resourceIds.trays, amount: trays }]),
    task('rack', offTrayS, offTrayS + product.coolS, [{ resourceId: resourceIds.racks, amount: trays }]),
  ];
};

/** All tasks of a batch, in the order of the line. */
export const tasksOf = (
  product: PlanProduct,
  batch: PlanBatch,
  moments: Moments,
  loads: readonly Load[],
): readonly Task[] => {
  const firstS = Math.min(...loads.map((load) => load.startS));
  const lastS = Math.max(...loads.map((load) => load.startS));
  const { mixStartS, portionStartS } = moments;
  const mixEndS = mixStartS + product.mixS;
  const portionEndS = portionStartS + portionS(product, batch);
  const hands: Use = { resourceId: resourceIds.hands, amount: 1 };
  const task = (kind: TaskKind, startS: number, endS: number, uses: readonly Use[]): Task => ({
    id: `${batch.id}/${kind}`,
    kind,
    batchId: batch.id,
    startS,
    endS,
    uses,
  });
  const tasks: Task[] = [
    task('mix', mixStartS, mixEndS, [hands, { resourceId: batch.mixerId, amount: 1 }]),
    task('portion', portionStartS, portionEndS, [hands]),
  ];
  const { rest } = product;
  if (rest.form === 'tub') {
    const outS = portionStartS - rest.temperS;
    tasks.push(task('rest', mixEndS, outS, [restUse(product, batch)]));
    if (rest.temperS > 0) tasks.push(task('temper', outS, portionStartS, []));
    if (lastS > portionEndS) {
      tasks.push({ ...task('rest', portionEndS, lastS, [waitUse(product, batch)]), id: `${batch.id}/wait` });
    }
  } else {
    const outS = firstS - rest.temperS;
    // Until its last load the dough stays in its place; only what the first load needs is out earlier.
    tasks.push(
      task('rest', portionEndS, Math.max(portionEndS, lastS - rest.temperS), [restUse(product, batch)]),
    );
    // A frozen bag thaws in the walk-in; pieces temper on the bench.
    const thaws =
      rest.form === 'bag'
        ? [{ ...restUse(product, batch), resourceId: resourceIds.cold('walk-in', 'bags') }]
        : [];
    if (rest.temperS > 0) tasks.push(task('temper', outS, firstS, thaws));
  }
  return [...tasks, ...loads.flatMap((load) => loadTasks(product, load))];
};
