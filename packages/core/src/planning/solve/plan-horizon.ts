import { say } from '../../shown/index.js';
import { costOf, type PlanCost } from '../bound/cost.js';
import { leastCost } from '../bound/least-cost.js';
import { leastUndone, type SolveLinear } from '../bound/undone-bound.js';
import { checkPlan } from '../check/check.js';
import { type Violation } from '../check/violation.js';
import { waysOut, type WayOut } from '../explain/ways.js';
import { ovenTasks, type OvenTask } from '../lists/oven-tasks.js';
import type { HorizonInput, HorizonOrder } from '../problem/horizon-input.js';
import { horizonProblem } from '../problem/horizon.js';
import type { BatchPlan, Task } from '../problem/plan.js';
import type { PlanProblem, Resource } from '../problem/problem.js';
import { missingPieces, servedBy, undonePieces, type Served } from '../problem/served.js';
import { soonestReadyS } from './reach.js';
import { noOven } from './why-no-oven.js';
import { safePlan, type SafeEffort } from './safe-plan.js';
import { surenessOf } from './sure.js';

export interface HorizonOptions extends SafeEffort {
  readonly solveLinear: SolveLinear;
  /** How long ways out are sought for orders that are not served, s; 4 where left out. */
  readonly waysSeconds?: number;
}

export interface ServedOrder {
  readonly order: HorizonOrder;
  readonly pieces: number;
  readonly readyS: number | null;
}

export interface UnservedOrder {
  readonly order: HorizonOrder;
  readonly pieces: number;
  readonly reason: string;
  readonly ways: readonly WayOut[];
}

/** A plan of all orders with its proof: everything that a stranger needs to count it again. */
export interface HorizonPlan {
  readonly problem: PlanProblem;
  readonly batches: readonly BatchPlan[];
  /** All tasks, those of the chambers too. */
  readonly tasks: readonly (Task | OvenTask)[];
  /** All resources, the chambers too. */
  readonly resources: readonly Resource[];
  readonly served: readonly ServedOrder[];
  readonly unserved: readonly UnservedOrder[];
  readonly objective: { readonly undonePieces: number; readonly cost: number };
  readonly bound: { readonly undonePieces: number; readonly cost: number };
  readonly cost: PlanCost;
  readonly chance: readonly { readonly order: HorizonOrder; readonly probability: number }[];
  readonly violations: readonly Violation[];
  readonly notes: readonly string[];
}

const reasonFor = (
  problem: PlanProblem,
  { productCode, demand }: Served,
  reasons: ReadonlyMap<string, string>,
): string => {
  const product = problem.products.find(({ code }) => code === productCode);
  const readyByS = product?.demands[demand]?.readyByS;
  const own = (product?.batches ?? []).filter(({ serves }) => serves?.includes(demand) ?? true);
  const [first] = own;
  // Of a batch that others wait for too the reason may be theirs.
  if (product && first && readyByS !== undefined) {
    const all = own.map((batch) => soonestReadyS(problem, { product, batch }));
    if (all.every((soonestS) => soonestS > readyByS))
      return noOven(problem, { product, batch: first }, readyByS);
  }
  const said = own.find(({ id }) => reasons.has(id));
  return reasons.get(said?.id ?? '') ?? say`Its pieces are ready only after its ready-by.`;
};

/**
 * Plans all orders together, proves how good the plan is, says what is not served and what would help, and how sure each
 * ready-by is.
 * @throws JokulError of the solver
 */
export const planHorizon = (input: HorizonInput, options: HorizonOptions): HorizonPlan => {
  const { problem, refused, ordersOf, notes } = horizonProblem(input);
  const undone = leastUndone(problem, options.solveLinear);
  const { plan, reasons } = safePlan(problem, { ...options, leastUndone: undone });
  const { batches } = plan;
  const { timeZone } = input.rules;
  const dealt = servedBy(problem, batches);
  const orderOf = ({ productCode, demand }: Pick<Served, 'productCode' | 'demand'>) =>
    ordersOf.get(productCode)?.[demand] as HorizonOrder;
  const short = dealt.filter(({ pieces, ordered }) => pieces < ordered);
  const cost = costOf(problem, batches);
  const untilMs = Date.now() + 1000 * (options.waysSeconds ?? 4);
  const byId = new Map(input.orders.map((order) => [order.id, order]));
  return {
    problem,
    batches,
    tasks: [
      ...batches.flatMap((batch) =>
        batch.tasks.map((task) => {
          const load = batch.loads.find(({ id }) => id === task.loadId);
          return task.kind === 'bake' && load
            ? { ...task, uses: [...task.uses, { resourceId: load.ovenId, amount: 1 }] }
            : task;
        }),
      ),
      ...ovenTasks(problem, batches),
    ],
    resources: [...problem.resources, ...problem.ovens.map(({ id, name }) => ({ id, name, capacity: 1 }))],
    served: dealt.map((served) => ({ order: orderOf(served), pieces: served.pieces, readyS: served.readyS })),
    unserved: [
      ...short.map((served) => ({
        order: orderOf(served),
        pieces: served.ordered - served.pieces,
        reason: reasonFor(problem, served, reasons),
        ways: waysOut(problem, dealt, served, timeZone, untilMs),
      })),
      ...refused.map(({ orderId, productCode, pieces, reason }) => ({
        order: byId.get(orderId) ?? {
          id: orderId,
          customer: '',
          productCode,
          pieces,
          readyByS: problem.nowS,
        },
        pieces,
        reason,
        ways: [],
      })),
    ],
    objective: {
      undonePieces: undonePieces(problem, batches) + refused.reduce((sum, { pieces }) => sum + pieces, 0),
      cost: cost.minutes,
    },
    bound: {
      undonePieces: undone + refused.reduce((sum, { pieces }) => sum + pieces, 0),
      cost: leastCost(problem, missingPieces(problem, batches)),
    },
    cost,
    chance: surenessOf(problem, batches).map((sure) => ({
      order: orderOf(sure),
      probability: sure.probability,
    })),
    violations: checkPlan(problem, plan),
    notes,
  };
};
