import type { BatchPlan, Load, Preparation, Task } from '../planning/index.js';
import { preparedKey } from './kinds/prepared.js';
import { isTakenOut } from './planned-stock.js';
import {
  emptyLot,
  type Stamp,
  type FloorState,
  type LotState,
  type NeedleCore,
  type TrayState,
} from './state.js';

export type ActionKind =
  | 'prepare'
  | 'mix'
  | 'portion'
  | 'rest-in'
  | 'rest-out'
  | 'load'
  | 'turn'
  | 'pull'
  | 'flatten'
  | 'rack'
  | 'ice'
  | 'pack';

/** Something that has to be done on the floor. */
export interface Action {
  readonly id: string;
  readonly kind: ActionKind;
  readonly batchId: string;
  readonly productCode: string;
  readonly load?: Load;
  readonly prepare?: Preparation;
  readonly trayIds: readonly string[];
  readonly ovenId?: string;
  readonly dueMs: number;
}

export type Urgency = 'late' | 'now' | 'soon' | 'later';

/** How long before and after the due moment an action counts as due now, ms: a pull is a matter of seconds. */
const nowWindowMs: Readonly<Record<ActionKind, readonly [before: number, after: number]>> = {
  pull: [15e3, 30e3],
  turn: [15e3, 45e3],
  load: [60e3, 180e3],
  flatten: [0, 60e3],
  rack: [0, 240e3],
  ice: [60e3, 1200e3],
  pack: [60e3, 1800e3],
  'rest-out': [60e3, 300e3],
  'rest-in': [0, 600e3],
  portion: [120e3, 600e3],
  mix: [300e3, 900e3],
  prepare: [300e3, 1800e3],
};
/** An oven that is on later than this is hot later than its load. */
const heatWindowMs = [60e3, 180e3] as const;
const soonMs = 10 * 60e3;

export const urgencyOf = (action: Action, nowMs: number): Urgency => {
  const [before, after] = action.prepare?.oven ? heatWindowMs : nowWindowMs[action.kind];
  if (nowMs > action.dueMs + after) return 'late';
  if (nowMs >= action.dueMs - before) return 'now';
  return nowMs >= action.dueMs - soonMs ? 'soon' : 'later';
};

/** What burns first comes first where due times tie. */
const rank: Readonly<Record<ActionKind, number>> = {
  pull: 0,
  turn: 1,
  flatten: 2,
  rack: 3,
  load: 4,
  'rest-out': 5,
  'rest-in': 6,
  portion: 7,
  mix: 8,
  ice: 9,
  pack: 10,
  prepare: 11,
};

const trayActions = (batch: BatchPlan, load: Load, state: FloorState): Action[] => {
  const base = { batchId: batch.batchId, productCode: batch.productCode, load };
  const trays = load.trays.map((tray) => state.trays.get(tray.id)).filter((tray) => tray !== undefined);
  const waiting = load.trays.filter((tray) => !state.trays.get(tray.id)).map((tray) => tray.id);
  const actions: Action[] = [];
  if (waiting.length > 0) {
    actions.push({
      ...base,
      id: `${load.id}/load`,
      kind: 'load',
      trayIds: waiting,
      ovenId: load.ovenId,
      dueMs: load.startS * 1000,
    });
  }
  const push = (
    kind: 'turn' | 'pull' | 'flatten' | 'rack' | 'ice' | 'pack',
    of: readonly TrayState[],
    due: (tray: TrayState) => number,
  ) => {
    if (of.length === 0) return;
    const dueMs = Math.min(...of.map(due));
    actions.push({
      ...base,
      id: `${load.id}/${kind}`,
      kind,
      trayIds: of.map((t) => t.trayId),
      // What is iced and packed lies on a rack.
      ...(kind !== 'ice' && kind !== 'pack' && { ovenId: of[0]?.ovenId ?? load.ovenId }),
      dueMs,
    });
  };
  const inOven = trays.filter((tray) => !tray.pulled);
  push(
    'turn',
    inOven.filter((tray) => !tray.turned),
    (tray) => tray.loaded.atMs + tray.pullS * 500,
  );
  push('pull', inOven, (tray) => tray.loaded.atMs + tray.pullS * 1000);
  push(
    'rack',
    trays.filter((tray) => tray.pulled && !tray.racked),
    (tray) => (tray.pulled?.atMs ?? 0) + tray.trayRestS * 1000,
  );
  const task = (kind: Task['kind']) =>
    batch.tasks.find((own) => own.loadId === load.id && own.kind === kind && own.id.endsWith(`/${kind}`));
  const [flatten, rack, ice, pack] = [task('flatten'), task('rack'), task('ice'), task('pack')];
  if (flatten)
    push(
      'flatten',
      trays.filter((tray) => tray.pulled && !tray.flattened && !tray.racked),
      (tray) => tray.pulled?.atMs ?? 0,
    );
  // As long after the step before as planned, and not before its own time.
  const after = (step: Task, before: Task | undefined, stamp: Stamp | null) =>
    Math.max(step.startS, (stamp?.atMs ?? 0) / 1000 + step.startS - (before?.startS ?? step.startS)) * 1000;
  const onRack = trays.filter((tray) => tray.racked && !tray.packed && !tray.test);
  if (ice)
    push(
      'ice',
      onRack.filter((tray) => !tray.iced),
      (tray) => after(ice, rack, tray.racked),
    );
  if (pack)
    push(
      'pack',
      onRack.filter((tray) => !ice || tray.iced),
      (tray) => (ice ? after(pack, ice, tray.iced) : after(pack, rack, tray.racked)),
    );
  return actions;
};

/** The next step of dough from the cold before its trays: out of it, and a tub's portioning. */
const stockActions = (
  batch: BatchPlan,
  known: LotState,
  started: boolean,
  act: (kind: ActionKind, dueS: number) => Action,
): Action[] => {
  const task = (kind: string) => batch.tasks.find((own) => own.kind === kind);
  const [temper, portion] = [task('temper'), task('portion')];
  if (started || !batch.stock) return [];
  const outS = temper?.startS ?? portion?.startS ?? Math.min(...batch.loads.map(({ startS }) => startS));
  if (!isTakenOut(batch, known)) return [act('rest-out', outS)];
  const sinceMs = (batch.stock.sinceS ?? 0) * 1000;
  const isPortioned = batch.stock.form !== 'tub' || (known.portioned?.atMs ?? -1) >= sinceMs;
  return portion && !isPortioned ? [act('portion', portion.startS)] : [];
};

/** The next step of a batch before its trays. */
const batchActions = (batch: BatchPlan, state: FloorState): Action[] => {
  const known = state.lots.get(batch.batchId) ?? emptyLot(batch.batchId);
  const base = { batchId: batch.batchId, productCode: batch.productCode, trayIds: [] };
  const planned = (kind: string) => batch.tasks.find((task) => task.kind === kind);
  const act = (kind: ActionKind, dueS: number): Action => ({
    ...base,
    id: `${batch.batchId}/${kind}`,
    kind,
    dueMs: dueS * 1000,
  });
  const started = batch.loads.some((load) => load.trays.some((tray) => state.trays.get(tray.id)));
  if (batch.stock) return stockActions(batch, known, started, act);
  const mix = planned('mix');
  const portion = planned('portion');
  const temper = planned('temper');
  const isTub = (portion?.startS ?? 0) > (planned('rest')?.startS ?? 0) && planned('rest') !== undefined;
  const inCold = known.stays.some((stay) => stay.outMs === null);
  const everCold = known.stays.length > 0;
  // Taken out once, it may lie in another cold place to thaw: that is no second task.
  const takenOut = known.stays.some((stay) => stay.outMs !== null);
  if (!known.mixed && !known.portioned && !everCold && !started) return mix ? [act('mix', mix.startS)] : [];
  if (isTub && known.mixed && !everCold) return [act('rest-in', mix?.endS ?? 0)];
  if (!known.portioned && !started) {
    if (isTub && inCold && !takenOut && temper) return [act('rest-out', temper.startS)];
    return portion ? [act('portion', portion.startS)] : [];
  }
  const rest = planned('rest');
  // Dough that only waits on the bench for its oven goes into no cold.
  const toCold = rest?.uses.some(({ resourceId }) => /^(walk-in|freezer)\//.test(resourceId)) ?? false;
  if (!isTub && rest && toCold && known.portioned && !everCold && !started)
    return [act('rest-in', rest.startS)];
  if (!isTub && inCold && !takenOut && temper && !started) return [act('rest-out', temper.startS)];
  return [];
};

/** Trays of test bakes: on no plan, but they must come out. */
const testActions = (batches: readonly BatchPlan[], state: FloorState): Action[] =>
  [...state.trays.values()]
    .filter((tray) => tray.test && !tray.racked)
    .flatMap((tray): Action[] => {
      const batch = batches.find(({ batchId }) => batchId === tray.batchId);
      if (!batch) return [];
      const load: Load = {
        id: tray.loadId,
        batchId: tray.batchId,
        ovenId: tray.ovenId,
        setC: tray.setC,
        pullS: tray.pullS,
        startS: tray.loaded.atMs / 1000,
        readyS: 0,
        dueS: 0,
        trays: [{ id: tray.trayId, position: tray.position ?? 1, pieces: tray.pieces }],
      };
      const kind = tray.pulled ? 'rack' : 'pull';
      return [
        {
          id: `${tray.trayId}/${kind}`,
          kind,
          batchId: tray.batchId,
          productCode: batch.productCode,
          load,
          trayIds: [tray.trayId],
          ovenId: tray.ovenId,
          dueMs: tray.pulled
            ? tray.pulled.atMs + tray.trayRestS * 1000
            : tray.loaded.atMs + tray.pullS * 1000,
        },
      ];
    });

/**
 * What is to be done next. Butter that should have been out long since, and what only waits to be iced or packed, does not
 * stand before a tray that is due.
 * @param actions the earliest due first
 */
export const mostUrgent = (actions: readonly Action[], nowMs: number): Action | undefined => {
  const isDue = (action: Action) => ['late', 'now'].includes(urgencyOf(action, nowMs));
  const [first] = actions;
  if (!first || !canWait.has(first.kind) || !isDue(first)) return first;
  return actions.find((action) => !canWait.has(action.kind) && isDue(action)) ?? first;
};

const canWait: ReadonlySet<ActionKind> = new Set<ActionKind>(['prepare', 'ice', 'pack']);

/** What left the bakery so long ago is not asked for any more, s. */
const askedForS = 2 * 3600;
const hasLeft = ({ kind, load }: Action, nowMs: number): boolean =>
  (kind === 'ice' || kind === 'pack') && load !== undefined && nowMs > (load.dueS + askedForS) * 1000;

/** An oven that is turned on, or looked at, until somebody did or its load is in. */
const heating = (prepare: Preparation, state: FloorState): Action[] => {
  const { batchId, productCode, kind, id, startS, oven } = prepare;
  const lot = state.lots.get(batchId) ?? emptyLot(batchId);
  if (!oven || lot.prepared.has(preparedKey({ what: kind, loadId: oven.loadId }))) return [];
  const trays = [...state.trays.values()].filter(({ ovenId }) => ovenId === oven.ovenId);
  if (trays.some(({ loadId, pulled }) => loadId === oven.loadId || !pulled)) return [];
  const { ovenId } = oven;
  return [{ id, kind: 'prepare', batchId, productCode, prepare, ovenId, trayIds: [], dueMs: startS * 1000 }];
};

/** What is to be put out or browned for doughs that nobody weighed yet. */
const preparing = (preparations: readonly Preparation[], state: FloorState): Action[] =>
  preparations.flatMap((prepare): Action[] => {
    const { batchId, productCode, kind, id, startS, oven } = prepare;
    if (oven) return heating(prepare, state);
    const lot = state.lots.get(batchId) ?? emptyLot(batchId);
    const begun = lot.weighed.size > 0 || lot.mixed || lot.portioned || lot.stays.length > 0;
    // A pan that was weighed is browned, also where nobody pressed that it was.
    const done = lot.prepared.has(kind) || (kind === 'butter-brown' && lot.browned.length > 0);
    return begun || done || lot.trays.size > 0
      ? []
      : [{ id, kind: 'prepare', batchId, productCode, prepare, trayIds: [], dueMs: startS * 1000 }];
  });

/**
 * Everything that is still to be done, the most urgent first.
 * @param nowMs what was to be packed and has left long since is left out; all is there where left out
 */
export const openActions = (
  batches: readonly BatchPlan[],
  state: FloorState,
  preparations: readonly Preparation[] = [],
  nowMs = Number.NEGATIVE_INFINITY,
): readonly Action[] =>
  [
    ...preparing(preparations, state),
    ...batches.flatMap((batch) => [
      ...batchActions(batch, state),
      ...batch.loads.flatMap((load) => trayActions(batch, load, state)),
    ]),
    ...testActions(batches, state),
  ]
    .filter((action) => !hasLeft(action, nowMs))
    .sort((a, b) => a.dueMs - b.dueMs || rank[a.kind] - rank[b.kind] || (a.id < b.id ? -1 : 1));

/** What is in a cold place now. */
export interface InTheCold {
  readonly batchId: string;
  readonly placeId: string;
  readonly form: 'pieces' | 'tub' | 'bag';
  readonly cover: 'open' | 'covered';
  readonly startC: number;
  readonly massG: number;
  readonly pieces: number;
  readonly inMs: number;
  readonly cores: readonly NeedleCore[];
}

/** The dough in the cold, oldest first. */
export const inTheCold = (state: FloorState): readonly InTheCold[] =>
  [...state.lots.values()]
    .flatMap((batch) =>
      batch.stays
        .filter((stay) => stay.outMs === null)
        .map(({ placeId, form, cover, startC, massG, pieces, atMs, cores }) => ({
          batchId: batch.lot,
          placeId,
          form,
          cover,
          startC,
          massG,
          pieces,
          inMs: atMs,
          cores,
        })),
    )
    .sort((a, b) => a.inMs - b.inMs);
