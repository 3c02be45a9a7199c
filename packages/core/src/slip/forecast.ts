import type { RestRule } from '../formula/index.js';
import { emptyLot, isStockBegun, type FloorState, type TrayState } from '../ledger/index.js';
import {
  betweenLoadsS,
  lateOrders,
  shiftTasks,
  type BatchPlan,
  type DueOrder,
  type LateOrder,
  type Load,
  type PlanOven,
  type Task,
} from '../planning/index.js';
import { allAsThereIs } from './what-is-there.js';

export interface ForecastQuestion {
  readonly batches: readonly BatchPlan[];
  readonly floor: Pick<FloorState, 'lots' | 'trays'>;
  readonly nowS: number;
  /** Ovens that are in use; a load that is planned into another one bakes nowhere. */
  readonly ovens: readonly PlanOven[];
  readonly loadGapS: number;
  readonly restOf: (batch: BatchPlan) => RestRule | undefined;
}

/** The plan as it will come about by what was written down until now. */
export interface DayForecast {
  readonly batches: readonly BatchPlan[];
  /** Loads that are in their oven, or were. */
  readonly started: ReadonlySet<string>;
  /** Batches that somebody works on. */
  readonly begun: ReadonlySet<string>;
  /** Loads that have not started, and whose oven is out of use. */
  readonly homeless: ReadonlySet<string>;
}

const task = (batch: BatchPlan, kind: Task['kind']) => batch.tasks.find((own) => own.kind === kind);
const isTub = (batch: BatchPlan) => {
  const [rest, portion] = [task(batch, 'rest'), task(batch, 'portion')];
  return rest !== undefined && portion !== undefined && portion.startS > rest.startS;
};

/** A batch with the times of its work by what was done of it, and the moment from which its dough may be baked. */
const workOf = (batch: BatchPlan, { floor, nowS, restOf }: ForecastQuestion) => {
  const known = floor.lots.get(batch.batchId) ?? emptyLot(batch.batchId);
  const rest = restOf(batch);
  const [mix, portion] = [task(batch, 'mix'), task(batch, 'portion')];
  const done = known.portioned ?? known.stays[0];
  const begun = known.begun ?? known.weighed.size > 0;
  // What is late begins now; what is begun ends no sooner than now.
  const mixS = mix && !known.mixed && !done && !begun ? Math.max(mix.startS, nowS) : (mix?.startS ?? 0);
  const mixEndS = mix
    ? known.mixed
      ? known.mixed.atMs / 1000
      : done
        ? mix.endS
        : Math.max(mixS + mix.endS - mix.startS, nowS)
    : batch.stock
      ? 0
      : nowS;
  // Dough from the cold has rested.
  const minS = batch.stock ? 0 : (rest?.minS ?? 0);
  const tub = isTub(batch);
  // Portioning leaves no mark until it is done: within its time it is taken to be going on.
  const going = portion !== undefined && nowS <= portion.endS;
  const portionS = portion
    ? known.portioned
      ? portion.startS
      : Math.max(portion.startS, going ? 0 : nowS, mixEndS + (tub ? minS : 0))
    : 0;
  const portionEndS = known.portioned
    ? known.portioned.atMs / 1000
    : portion
      ? portionS + portion.endS - portion.startS
      : mixEndS;
  // Dough of a formula that rests as pieces is good from its rest on; a tub's pieces as soon as they are portioned.
  const bakeableS = portion && !(known.portioned && tub) ? portionEndS + (tub ? 0 : minS) : 0;
  const tasks = batch.tasks.map((own): Task => {
    if (own.kind === 'mix' && mixS > own.startS)
      return { ...own, startS: mixS, endS: mixS + own.endS - own.startS };
    if (own.kind === 'portion' && portionS > own.startS)
      return { ...own, startS: portionS, endS: portionS + own.endS - own.startS };
    if (own.kind === 'rest' && own.loadId === undefined) {
      const fromS = tub ? mixEndS : portionEndS;
      return fromS > own.startS && fromS < own.endS ? { ...own, startS: fromS } : own;
    }
    return own;
  });
  return { tasks, bakeableS };
};

interface InOven {
  readonly load: Load;
  readonly batch: BatchPlan;
  readonly trays: readonly TrayState[];
}

/** A load that is in its oven, or was, by its entries. */
const asBaked = ({ load, trays }: InOven, nowS: number): Load => {
  const startS = Math.min(...trays.map((tray) => tray.loaded.atMs)) / 1000;
  const pulled = trays.every((tray) => tray.pulled);
  const lastS = Math.max(...trays.map((tray) => tray.pulled?.atMs ?? 0)) / 1000;
  const planned = Math.max(...trays.map((tray) => tray.pullS));
  const pullS = Math.round(pulled ? lastS - startS : Math.max(planned, nowS - startS));
  const afterS = load.readyS - load.startS - load.pullS;
  return {
    ...load,
    ovenId: trays[0]?.ovenId ?? load.ovenId,
    startS: Math.round(startS),
    pullS,
    readyS: Math.round(startS) + pullS + afterS,
  };
};

/**
 * How the day goes on by what was written down: of a dough there is what was mixed and counted, what is in an oven comes out when it is due, what is overdue begins now,
 * dough is baked when it has rested, and each load waits for the one before it. The order of the plan is kept. Hands,
 * trays and racks are taken to be there; so the forecast is on the light side.
 */
export const forecastDay = (question: ForecastQuestion): DayForecast => {
  const { floor, nowS, ovens, loadGapS } = question;
  const traysOf = new Map<string, TrayState[]>();
  for (const tray of floor.trays.values())
    traysOf.set(tray.loadId, [...(traysOf.get(tray.loadId) ?? []), tray]);
  const batches = allAsThereIs(question.batches, floor);
  const all = batches
    .flatMap((batch) =>
      batch.loads.map((load): InOven => ({ load, batch, trays: traysOf.get(load.id) ?? [] })),
    )
    .sort((a, b) => a.load.startS - b.load.startS);
  const works = new Map(batches.map((batch) => [batch.batchId, workOf(batch, question)]));
  const now = new Map<string, Load>();
  const started = new Set<string>();
  const homeless = new Set<string>();
  const last = new Map<string, Load>();
  const into = (load: Load) => {
    now.set(load.id, load);
    const before = last.get(load.ovenId);
    if (!before || before.startS + before.pullS < load.startS + load.pullS) last.set(load.ovenId, load);
  };
  for (const entry of all.filter(({ trays }) => trays.length > 0)) {
    started.add(entry.load.id);
    into(asBaked(entry, nowS));
  }
  for (const { load, batch } of all.filter(({ trays }) => trays.length === 0)) {
    const oven = ovens.find(({ id }) => id === load.ovenId);
    if (!oven) {
      homeless.add(load.id);
      continue;
    }
    const before = last.get(load.ovenId);
    const freeS = before
      ? before.startS + before.pullS + betweenLoadsS(oven, before.setC, load.setC, loadGapS)
      : 0;
    const bakeableS = works.get(batch.batchId)?.bakeableS ?? 0;
    const startS = Math.ceil(Math.max(load.startS, nowS, freeS, bakeableS));
    into({ ...load, startS, readyS: load.readyS + startS - load.startS });
  }
  return {
    batches: batches.map((batch) => {
      const loads = batch.loads.map((load) => now.get(load.id) ?? load);
      const tasks = works.get(batch.batchId)?.tasks ?? batch.tasks;
      return { ...batch, loads, tasks: shiftTasks({ ...batch, tasks }, loads) };
    }),
    started,
    begun: new Set(
      batches.flatMap((batch) => {
        const { batchId, loads } = batch;
        const lot = batch.stock ? undefined : floor.lots.get(batchId);
        const worked =
          lot &&
          (lot.begun ??
            lot.mixed ??
            lot.portioned ??
            lot.stays[0] ??
            (lot.weighed.size > 0 || lot.stages.size > 0));
        return worked ||
          (batch.stock && isStockBegun(batch, floor)) ||
          loads.some(({ id }) => started.has(id))
          ? [batchId]
          : [];
      }),
    ),
    homeless,
  };
};

/** Orders that will be late as the day goes on now; a load without an oven is baked never. */
export const lateByForecast = (
  orders: readonly DueOrder[],
  { batches, homeless }: Pick<DayForecast, 'batches' | 'homeless'>,
): readonly LateOrder[] =>
  lateOrders(
    orders,
    batches.map((batch) => ({ ...batch, loads: batch.loads.filter(({ id }) => !homeless.has(id)) })),
  );
