import { t } from '@lingui/core/macro';
import type { Pattern } from '@jokul/core';

/** How the pieces lie on a tray, as a baker says it. */
export const patternWords: Readonly<Record<Pattern, string>> = {
  rows: t`straight rows`,
  staggered: t`offset rows`,
  free: t`set by the template`,
};
