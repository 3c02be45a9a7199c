import type { LotState } from '../state.js';
import { stampOf, kind, withNotice, withRow, type EntryOf } from './kind.js';

type Step = 'turned' | 'pulled' | 'flattened' | 'racked' | 'iced' | 'packed';

const inTheOven: ReadonlySet<Step> = new Set<Step>(['turned', 'pulled']);

/** What must have happened to a tray before, and what must not have, for a step to take effect. */
const step = (lot: LotState, entry: EntryOf<Step>): LotState =>
  entry.payload.trayIds.reduce((now, trayId) => {
    const tray = now.trays.get(trayId);
    const name = entry.kind;
    if (!tray) return withNotice(now, entry, { code: 'never-loaded', step: name, subject: trayId });
    const done = tray[name];
    if (done) return withNotice(now, entry, { code: 'already', step: name, subject: trayId, by: done });
    if (name === 'turned' && tray.pulled)
      return withNotice(now, entry, { code: 'already', step: 'pulled', subject: trayId, by: tray.pulled });
    if (!inTheOven.has(name) && !tray.pulled)
      return withNotice(now, entry, { code: 'not-pulled', subject: trayId });
    return { ...now, trays: withRow(now.trays, trayId, { ...tray, [name]: stampOf(entry) }) };
  }, lot);

export const turned = kind('turned', step);
export const pulled = kind('pulled', step);
export const flattened = kind('flattened', step);
export const racked = kind('racked', step);
export const iced = kind('iced', step);
export const packed = kind('packed', step);
