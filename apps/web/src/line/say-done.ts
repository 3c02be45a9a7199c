import { plural, t } from '@lingui/core/macro';
import { toast } from 'sonner';
import type { Action } from '@jokul/core';
import { record, useJournal } from '../journal/store';
import { verb } from './actions';

/** Says that a tray action was written down, and offers to strike it. */
export const sayDone = (action: Action, product: string): void => {
  const entry = useJournal.getState().pending.at(-1)?.entry;
  const trays = action.trayIds.length;
  const what = action.prepare
    ? t`${verb(action)} ${product}: done`
    : `${verb(action)}: ${product}, ${plural(trays, { one: '# tray', other: '# trays' })}`;
  toast(what, {
    duration: 8000,
    action: entry && {
      label: t`Undo`,
      onClick: () => record('struck', action.batchId, { entryId: entry.id, reason: t`Pressed by mistake` }),
    },
  });
};
