import { toast } from 'sonner';
import type { Action } from '@jokul/core';
import { record, useJournal } from '../journal/store';
import { verb } from './actions';

/** Says that a tray action was written down, and offers to strike it. */
export const sayDone = (action: Action, product: string): void => {
  const entry = useJournal.getState().pending.at(-1)?.entry;
  const trays = action.trayIds.length;
  const what = action.prepare
    ? `${verb(action)} ${product}: done`
    : `${verb(action)}: ${product}, ${trays} ${trays === 1 ? 'tray' : 'trays'}`;
  toast(what, {
    duration: 8000,
    action: entry && {
      label: 'Undo',
      onClick: () => record('struck', action.batchId, { entryId: entry.id, reason: 'Pressed by mistake' }),
    },
  });
};
