import type { DraftEntry, EntryKind } from './entry.js';
import {
  deedOf,
  emptyBatch,
  emptyState,
  type BatchState,
  type Deed,
  type FloorState,
  type ColdStay,
  type TrayState,
} from './state.js';

type Of<K extends EntryKind> = Extract<DraftEntry, { kind: K }>;

const notice = (state: FloorState, entry: DraftEntry, message: string): FloorState => ({
  ...state,
  notices: [...state.notices, { entryId: entry.id, atMs: entry.atMs, who: entry.who, message }],
});

const withBatch = (
  state: FloorState,
  lot: string,
  change: (batch: BatchState) => BatchState,
): FloorState => ({
  ...state,
  batches: { ...state.batches, [lot]: change(state.batches[lot] ?? emptyBatch(lot)) },
});

const clock = (atMs: number) => new Date(atMs).toISOString().slice(11, 16);
const already = (what: string, deed: Deed) =>
  `was already ${what} by ${deed.who} (${clock(deed.atMs)} UTC); the first one counts.`;

const loaded = (state: FloorState, entry: Of<'loaded'>): FloorState => {
  const { loadId, trayIds, ovenId, setC, pullS, trayRestS, pieces, positions, startC, test } = entry.payload;
  let next = state;
  trayIds.forEach((trayId, i) => {
    const before = next.trays[trayId];
    if (before) {
      next = notice(next, entry, `Tray ${trayId} ${already('loaded', before.loaded)}`);
      return;
    }
    const tray: TrayState = {
      trayId,
      loadId,
      batchId: entry.lot,
      ovenId,
      setC,
      pullS,
      trayRestS,
      pieces: pieces[i] ?? 0,
      ...(positions?.[i] !== undefined && { position: positions[i] }),
      ...(startC !== undefined && { startC }),
      test: test ?? false,
      loaded: deedOf(entry),
      turned: null,
      pulled: null,
      racked: null,
      inspected: null,
    };
    next = { ...next, trays: { ...next.trays, [trayId]: tray } };
  });
  return next;
};

/** What must have happened to a tray before, and what must not have, for a step to take effect. */
const trayStep = (state: FloorState, entry: Of<'turned'> | Of<'pulled'> | Of<'racked'>): FloorState => {
  let next = state;
  for (const trayId of entry.payload.trayIds) {
    const tray = next.trays[trayId];
    const step = entry.kind;
    if (!tray) {
      next = notice(
        next,
        entry,
        `Tray ${trayId} was ${step}, but it was never loaded. Write down the loading, or strike this entry.`,
      );
      continue;
    }
    const done = tray[step];
    if (done) {
      next = notice(next, entry, `Tray ${trayId} ${already(step, done)}`);
    } else if (step === 'turned' && tray.pulled) {
      next = notice(next, entry, `Tray ${trayId} ${already('pulled', tray.pulled)}`);
    } else if (step === 'racked' && !tray.pulled) {
      next = notice(next, entry, `Tray ${trayId} went to the rack, but it was not pulled.`);
    } else {
      next = { ...next, trays: { ...next.trays, [trayId]: { ...tray, [step]: deedOf(entry) } } };
    }
  }
  return next;
};

const restOut = (state: FloorState, entry: Of<'rest-out'>): FloorState => {
  const stays = state.batches[entry.lot]?.stays ?? [];
  const open = stays.findLastIndex((stay) => stay.placeId === entry.payload.placeId && stay.outMs === null);
  if (open === -1)
    return notice(
      state,
      entry,
      `${entry.lot} was taken out of ${entry.payload.placeId}, but it was not in there.`,
    );
  return withBatch(state, entry.lot, (batch) => ({
    ...batch,
    stays: batch.stays.map((stay, i): ColdStay => (i === open ? { ...stay, outMs: entry.atMs } : stay)),
  }));
};

/** A dough that is measured while it lies in the cold was measured with a needle in its core. */
const withCore = (stays: readonly ColdStay[], entry: Of<'measured'>): readonly ColdStay[] => {
  const open = stays.findLastIndex((stay) => stay.outMs === null);
  const core = { ...deedOf(entry), temperatureC: entry.payload.temperatureC };
  return stays.map((stay, i) => (i === open ? { ...stay, cores: [...stay.cores, core] } : stay));
};

const once = (state: FloorState, entry: Of<'mixed'> | Of<'portioned'>): FloorState => {
  const before = state.batches[entry.lot]?.[entry.kind];
  if (before) return notice(state, entry, `${entry.lot} ${already(entry.kind, before)}`);
  return withBatch(state, entry.lot, (batch) => ({
    ...batch,
    [entry.kind]: { ...deedOf(entry), ...entry.payload },
  }));
};

/** The state after one more entry. Entries that cannot take effect leave a notice; none is refused. */
export const applyEntry = (state: FloorState, entry: DraftEntry): FloorState => {
  switch (entry.kind) {
    case 'weighed':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        weighed: { ...batch.weighed, [entry.payload.key]: { ...deedOf(entry), ...entry.payload } },
      }));
    case 'browned':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        browned: [...batch.browned, { ...deedOf(entry), ...entry.payload }],
      }));
    case 'measured':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        measured: { ...batch.measured, [entry.payload.what]: { ...deedOf(entry), ...entry.payload } },
        stays: entry.payload.what === 'dough' ? withCore(batch.stays, entry) : batch.stays,
      }));
    case 'stage-done':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        stages: { ...batch.stages, [entry.payload.stageId]: { ...deedOf(entry), ...entry.payload } },
      }));
    case 'adjusted':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        adjusted: [...batch.adjusted, { ...deedOf(entry), ...entry.payload }],
      }));
    case 'mixed':
    case 'portioned':
      return once(state, entry);
    case 'rest-in':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        stays: [...batch.stays, { ...deedOf(entry), ...entry.payload, outMs: null, cores: [] }],
      }));
    case 'rest-out':
      return restOut(state, entry);
    case 'released':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        released: [...batch.released, { ...deedOf(entry), ...entry.payload }],
      }));
    case 'loaded':
      return loaded(state, entry);
    case 'turned':
    case 'pulled':
    case 'racked':
      return trayStep(state, entry);
    case 'inspected': {
      const tray = state.trays[entry.payload.trayId];
      if (!tray)
        return notice(state, entry, `Tray ${entry.payload.trayId} was measured, but it was never loaded.`);
      const inspected = { ...deedOf(entry), ...entry.payload };
      return { ...state, trays: { ...state.trays, [tray.trayId]: { ...tray, inspected } } };
    }
    case 'note':
      return withBatch(state, entry.lot, (batch) => ({
        ...batch,
        notes: [...batch.notes, { ...deedOf(entry), text: entry.payload.text }],
      }));
    case 'struck':
      return state;
  }
};

/**
 * What the entries, in journal order, make of the floor. Struck entries take no effect. Sending an entry twice
 * changes nothing: the second of the same id is passed over.
 */
export const reduceJournal = (entries: readonly DraftEntry[]): FloorState => {
  const struck = new Set(
    entries.flatMap((entry) => (entry.kind === 'struck' ? [entry.payload.entryId] : [])),
  );
  const seen = new Set<string>();
  let state = emptyState;
  for (const entry of entries) {
    if (seen.has(entry.id) || struck.has(entry.id)) continue;
    seen.add(entry.id);
    state = applyEntry(state, entry);
  }
  return state;
};
