import type { Pattern } from '@jokul/core';

/** How the pieces lie on a tray, as a baker says it. */
export const patternWords: Readonly<Record<Pattern, string>> = {
  rows: 'straight rows',
  staggered: 'offset rows',
  free: 'set by the template',
};
