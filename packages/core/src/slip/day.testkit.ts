import type { DraftEntry, EntryKind, Payloads } from '../ledger/index.js';
import type { BatchPlan } from '../planning/index.js';

/**
 * What a floor writes down that works a plan off until a moment.
 * @param lateS how late each load goes in, s
 * @param skip loads that nobody touches
 */
export const workedOff = (
  batches: readonly BatchPlan[],
  nowS: number,
  lateS: (loadId: string) => number = () => 0,
  skip: ReadonlySet<string> = new Set(),
): readonly DraftEntry[] => {
  const entries: DraftEntry[] = [];
  const put = <K extends EntryKind>(atS: number, lot: string, kind: K, payload: Payloads[K]) => {
    if (atS > nowS) return;
    entries.push({
      id: `${entries.length}`,
      atMs: atS * 1000,
      who: 'Oven hand',
      device: 'd',
      lot,
      kind,
      payload,
    } as DraftEntry);
  };
  for (const { batchId, massG, pieces, tasks, loads } of batches) {
    const end = (kind: string) => tasks.find((task) => task.kind === kind)?.endS;
    const [mixed, portioned] = [end('mix'), end('portion')];
    const begun = tasks.find(({ kind }) => kind === 'mix')?.startS;
    if (begun !== undefined)
      put(begun, batchId, 'weighed', { key: 'a/b', massG: 1, targetG: 1, scaleId: 'bench' });
    if (mixed !== undefined) put(mixed, batchId, 'mixed', { doughC: 22, massG, missing: [] });
    if (portioned !== undefined)
      put(portioned, batchId, 'portioned', {
        pieces,
        scoop: 30,
        samplesG: [],
        targetG: massG / pieces,
        remainderG: 0,
      });
    for (const load of loads) {
      if (skip.has(load.id)) continue;
      const trayIds = load.trays.map(({ id }) => id);
      const startS = load.startS + lateS(load.id);
      put(startS, batchId, 'loaded', {
        loadId: load.id,
        trayIds,
        ovenId: load.ovenId,
        setC: load.setC,
        pullS: load.pullS,
        trayRestS: 300,
        pieces: load.trays.map((tray) => tray.pieces),
      });
      put(startS + load.pullS, batchId, 'pulled', { loadId: load.id, trayIds });
    }
  }
  return entries.sort((a, b) => a.atMs - b.atMs);
};
