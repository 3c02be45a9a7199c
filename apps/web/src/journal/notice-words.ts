import { t } from '@lingui/core/macro';
import type { EntryKind, Notice } from '@jokul/core';
import type { WallClock } from '../lib/clock';

const done: Partial<Readonly<Record<EntryKind, string>>> = {
  mixed: t`mixed`,
  portioned: t`portioned`,
  'rest-in': t`put away`,
  prepared: t`prepared`,
  'rest-out': t`taken out`,
  split: t`split off`,
  loaded: t`loaded`,
  turned: t`turned`,
  pulled: t`pulled`,
  flattened: t`pressed flat`,
  racked: t`put on the rack`,
  iced: t`iced`,
  packed: t`packed`,
  inspected: t`measured`,
};

/** What a notice says, in the bakery's time. */
export const sayNotice = (notice: Notice, wall: WallClock, place: (id: string) => string): string => {
  switch (notice.code) {
    case 'already': {
      const where = notice.placeId ? ` (${place(notice.placeId)})` : '';
      return t`${notice.subject} was already ${done[notice.step] ?? t`done`}${where} by ${notice.by.who} at ${wall.time(notice.by.atMs)}. The first one counts.`;
    }
    case 'never-loaded':
      return t`Tray ${notice.subject} was ${done[notice.step] ?? t`handled`}, but nobody logged that it was loaded. Log the load, or strike this entry.`;
    case 'not-pulled':
      return t`Tray ${notice.subject} was on the rack or further, but nobody logged that it was pulled.`;
    case 'not-in-there':
      return t`${notice.subject} was taken out of the ${place(notice.placeId).toLowerCase()}, but it was not in there.`;
    case 'unreadable':
      return t`An entry for ${notice.subject} cannot be read, so it is left out. The log still has it.`;
  }
};
