import { t } from '@lingui/core/macro';
import { shortWeekdayNames } from '../lib/weekdays';
import { andList } from '../line/and-list';

const short = (day: number) => shortWeekdayNames[day] ?? '';

/** Days of the week, 1 for Monday, as a person says them: every day, Mon to Fri, Mon and Thu. */
export const sayWeekdays = (days: readonly number[]): string => {
  const sorted = [...days].sort((a, b) => a - b);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (first === undefined || last === undefined) return t`never`;
  if (sorted.length === 7) return t`every day`;
  if (sorted.length > 2 && last - first === sorted.length - 1) return t`${short(first)} to ${short(last)}`;
  return andList(sorted.map(short), 7);
};
