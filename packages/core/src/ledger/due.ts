import type { BatchPlan, Load, Preparation, Task } from '../planning/index.js';
import { hasLeft, rank, type Action } from './action.js';
import { batchActions, preparing, testActions } from './due-batches.js';
import type { FloorState, Stamp, TrayState } from './state.js';

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
