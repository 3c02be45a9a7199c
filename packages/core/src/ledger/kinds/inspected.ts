import { did, kind, withNotice, withRow } from './kind.js';

/** A tray was measured; measuring it again corrects the figures. */
export const inspected = kind('inspected', (lot, entry) => {
  const tray = lot.trays.get(entry.payload.trayId);
  if (!tray)
    return withNotice(lot, entry, { code: 'never-loaded', step: 'inspected', subject: entry.payload.trayId });
  return { ...lot, trays: withRow(lot.trays, tray.trayId, { ...tray, inspected: did(entry) }) };
});
