import type { BatchPlan, Load, Preparation } from '../planning/index.js';
import type { Action, ActionKind } from './action.js';
import { preparedKey } from './kinds/prepared.js';
import { isTakenOut } from './planned-stock.js';
import { emptyLot, type FloorState, type LotState } from './state.js';

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
export const batchActions = (batch: BatchPlan, state: FloorState): Action[] => {
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
export const testActions = (batches: readonly BatchPlan[], state: FloorState): Action[] =>
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
export const preparing = (preparations: readonly Preparation[], state: FloorState): Action[] =>
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
