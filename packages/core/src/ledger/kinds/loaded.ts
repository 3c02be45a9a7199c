import type { TrayState } from '../state.js';
import { stampOf, kind, withNotice, withRow, type EntryOf } from './kind.js';

const trayOf = (entry: EntryOf<'loaded'>, trayId: string, i: number): TrayState => {
  const { loadId, ovenId, setC, pullS, trayRestS, pieces, positions, startC, test } = entry.payload;
  return {
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
    loaded: stampOf(entry),
    turned: null,
    pulled: null,
    flattened: null,
    racked: null,
    iced: null,
    packed: null,
    inspected: null,
  };
};

/** Trays went into an oven; each goes in once. */
export const loaded = kind('loaded', (lot, entry) =>
  entry.payload.trayIds.reduce((now, trayId, i) => {
    const before = now.trays.get(trayId);
    return before
      ? withNotice(now, entry, { code: 'already', step: 'loaded', subject: trayId, by: before.loaded })
      : { ...now, trays: withRow(now.trays, trayId, trayOf(entry, trayId, i)) };
  }, lot),
);
