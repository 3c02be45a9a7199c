import { t } from '@lingui/core/macro';
import { weekdayNames } from '@jokul/core';
import { andList } from '../../app/and-list';

const short = (day: number) => (weekdayNames[day - 1] ?? '').slice(0, 3);

/** Days of the week, 1 for Monday, as a person says them: every day, Mon to Fri, Mon and Thu. */
export const sayWeekdays = (days: readonly number[]): string => {
  const sorted = [...days].sort((a, b) => a - b);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (first === undefined || last === undefined) return t`never`;
  if (sorted.length === weekdayNames.length) return t`every day`;
  if (sorted.length > 2 && last - first === sorted.length - 1) return t`${short(first)} to ${short(last)}`;
  return andList(sorted.map(short), weekdayNames.length);
};
