/** The stations of the line, in the order of the work; the number is the key that goes there. */
export const stations = [
  { key: '1', path: 'orders', name: 'Orders' },
  { key: '2', path: 'formula', name: 'Formula' },
  { key: '3', path: 'mix', name: 'Mix' },
  { key: '4', path: 'portion', name: 'Portion' },
  { key: '5', path: 'rest', name: 'Rest' },
  { key: '6', path: 'bake', name: 'Bake' },
  { key: '7', path: 'log', name: 'Log' },
] as const;

export const across = [
  { key: 'd', path: 'day', name: 'Day' },
  { key: 'w', path: 'week', name: 'Week' },
  { key: 'f', path: 'floor', name: 'Floor' },
  { key: 's', path: 'setup', name: 'Setup' },
] as const;

export const otherKeys = [
  { keys: 'n', does: 'Go to what is due next' },
  { keys: '/', does: 'Search everything' },
  { keys: 'Ctrl Z', does: 'Undo a change to a formula' },
  { keys: 'Ctrl Shift Z', does: 'Redo it' },
  { keys: 'Enter ↑ ↓', does: 'Down and up a column of figures' },
  { keys: 'Alt ↑ ↓', does: 'Move an ingredient, also to the next stage' },
  { keys: 't', does: 'Light or dark' },
  { keys: 'Esc', does: 'Leave a field' },
  { keys: '?', does: 'This list of keys' },
] as const;
