import { t } from '@lingui/core/macro';
/** The stations of the line, in the order of the work; the number is the key that goes there. */
export const stations = [
  { key: '1', path: 'orders', name: t`Orders` },
  { key: '2', path: 'formula', name: t`Formula` },
  { key: '3', path: 'mix', name: t`Mix` },
  { key: '4', path: 'portion', name: t`Portion` },
  { key: '5', path: 'rest', name: t`Rest` },
  { key: '6', path: 'bake', name: t`Bake` },
  { key: '7', path: 'log', name: t`Log` },
] as const;

export const across = [
  { key: 'd', path: 'day', name: t`Day` },
  { key: 'w', path: 'week', name: t`Week` },
  { key: 'f', path: 'floor', name: t`Floor` },
  { key: 's', path: 'setup', name: t`Setup` },
] as const;

export const otherKeys = [
  { keys: 'n', does: t`Go to what is due next` },
  { keys: '/', does: t`Search everything` },
  { keys: t`Ctrl Z`, does: t`Undo a change to a formula` },
  { keys: t`Ctrl Shift Z`, does: t`Redo it` },
  { keys: t`Enter ↑ ↓`, does: t`Down and up a column of figures` },
  { keys: t`Alt ↑ ↓`, does: t`Move an ingredient, also to the next stage` },
  { keys: 't', does: t`Light or dark` },
  { keys: t`Esc`, does: t`Leave a field` },
  { keys: '?', does: t`This list of keys` },
] as const;
