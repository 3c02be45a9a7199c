import { t } from '@lingui/core/macro';
const english = new Intl.ListFormat('en', { type: 'conjunction' });

/** Names as a sentence says them: A, B and C; of many the first and how many more. */
export const andList = (names: readonly string[], most = 3): string =>
  names.length <= most
    ? english.format(names)
    : english.format([...names.slice(0, most - 1), t`${names.length - most + 1} more`]);
