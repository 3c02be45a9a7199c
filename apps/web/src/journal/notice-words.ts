import type { EntryKind, Notice } from '@jokul/core';
import type { WallClock } from '../lib/clock';

const done: Partial<Readonly<Record<EntryKind, string>>> = {
  mixed: 'mixed',
  portioned: 'portioned',
  'rest-in': 'put away',
  prepared: 'prepared',
  'rest-out': 'taken out',
  split: 'split off',
  loaded: 'loaded',
  turned: 'turned',
  pulled: 'pulled',
  flattened: 'pressed flat',
  racked: 'put on the rack',
  iced: 'iced',
  packed: 'packed',
  inspected: 'measured',
};

/** What a notice says, in the bakery's time. */
export const sayNotice = (notice: Notice, wall: WallClock, place: (id: string) => string): string => {
  switch (notice.code) {
    case 'already': {
      const where = notice.placeId ? ` (${place(notice.placeId)})` : '';
      return `${notice.subject} was already ${done[notice.step] ?? 'done'}${where} by ${notice.by.who} at ${wall.time(notice.by.atMs)}. The first one counts.`;
    }
    case 'never-loaded':
      return `Tray ${notice.subject} was ${done[notice.step] ?? 'handled'}, but nobody logged that it was loaded. Log the load, or strike this entry.`;
    case 'not-pulled':
      return `Tray ${notice.subject} was on the rack or further, but nobody logged that it was pulled.`;
    case 'not-in-there':
      return `${notice.subject} was taken out of the ${place(notice.placeId).toLowerCase()}, but it was not in there.`;
    case 'unreadable':
      return `An entry for ${notice.subject} cannot be read, so it is left out. The log still has it.`;
  }
};
