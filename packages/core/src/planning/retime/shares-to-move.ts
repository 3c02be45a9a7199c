import type { RestRule } from '../../formula/index.js';
import type { BatchPlan, Load } from '../problem/plan.js';
import type { PlanBatch, PlanProblem, PlanProduct } from '../problem/problem.js';
import { servedBy } from '../problem/served.js';
import { waitMaxS } from '../solve/reach.js';
import type { BatchShareOfDay, TrayShare } from '../solve/shares.js';
import type { ReplanQuestion } from './replan-question.js';

/** Ready-bys that what stays put does not fill, one entry a piece-count, the earliest first. */
const openDemands = (problem: PlanProblem, fixed: readonly BatchPlan[]) => {
  const open = new Map<string, { readyByS: number; pieces: number }[]>();
  for (const { productCode, demand, ordered, pieces } of servedBy(problem, fixed)) {
    const product = problem.products.find(({ code }) => code === productCode);
    const readyByS = product?.demands[demand]?.readyByS ?? 0;
    if (ordered > pieces)
      open.set(productCode, [...(open.get(productCode) ?? []), { readyByS, pieces: ordered - pieces }]);
  }
  for (const list of open.values()) list.sort((a, b) => a.readyByS - b.readyByS);
  return open;
};

/** Trays with the ready-by that their pieces are for. */
const deal = (
  trays: readonly number[],
  demands: { readyByS: number; pieces: number }[],
  latestS: number,
): readonly TrayShare[] =>
  trays.map((pieces) => {
    const dueS = demands.find((demand) => demand.pieces > 0)?.readyByS ?? latestS;
    let left = pieces;
    for (const demand of demands) {
      const taken = Math.min(left, demand.pieces);
      demand.pieces -= taken;
      left -= taken;
    }
    return { pieces, dueS };
  });

/** When dough that exists may go into an oven, by its window. */
const goodFor = (batch: BatchPlan, rest: RestRule) => {
  if (batch.stock && batch.stock.form !== 'tub') return { fromS: batch.stock.fromS, toS: batch.stock.toS };
  const end = (kind: string) => batch.tasks.find((task) => task.kind === kind)?.endS ?? 0;
  const portionedS = end('portion');
  return rest.form === 'tub'
    ? { fromS: portionedS, toS: portionedS + waitMaxS }
    : { fromS: portionedS + rest.minS, toS: portionedS + rest.maxS };
};

/** What may be moved, as shares for the planner: loads of dough that exists one by one, other batches whole. */
export const sharesFor = (
  { problem, expected, begun, restOf, bakesOf }: ReplanQuestion,
  fixed: readonly BatchPlan[],
  freed: ReadonlySet<string>,
): readonly BatchShareOfDay[] => {
  const open = openDemands(problem, fixed);
  return problem.products.flatMap((product) => {
    const demands = open.get(product.code) ?? [];
    const latestS = Math.max(0, ...product.demands.map(({ readyByS }) => readyByS));
    const parts = expected
      .filter((batch) => batch.productCode === product.code && batch.loads.some(({ id }) => freed.has(id)))
      .flatMap((batch): { readonly batch: BatchPlan; readonly load: Load | null }[] =>
        begun.has(batch.batchId)
          ? batch.loads.filter(({ id }) => freed.has(id)).map((load) => ({ batch, load }))
          : [{ batch, load: null }],
      )
      .map((part) => ({ ...part, dueS: part.load?.dueS ?? Math.min(...part.batch.loads.map((l) => l.dueS)) }))
      .sort((a, b) => a.dueS - b.dueS);
    return parts.map(({ batch, load }): BatchShareOfDay => {
      const loads = load ? [load] : batch.loads;
      const trays = deal(
        loads.flatMap((own) => own.trays.map(({ pieces }) => pieces)),
        demands,
        latestS,
      );
      const pieces = trays.reduce((sum, tray) => sum + tray.pieces, 0);
      const part: PlanBatch = {
        id: load ? load.id : batch.batchId,
        mixerId: batch.mixerId,
        massG: load ? (batch.massG * pieces) / batch.pieces : batch.massG,
        pieces: load ? pieces : batch.pieces,
        ...(batch.stock && { stock: batch.stock }),
        ...(load && {
          stock: {
            form: 'none' as const,
            placeKind: restOf(batch).placeKind,
            temperS: 0,
            ...goodFor(batch, restOf(batch)),
            held: true,
          },
        }),
      };
      const own: PlanProduct = { ...product, bakes: bakesOf?.(batch) ?? product.bakes };
      return { product: own, batch: part, trays, dueS: trays[0]?.dueS ?? latestS };
    });
  });
};
