import { t } from '@lingui/core/macro';
import { shiftDate, weekdayOf } from '@jokul/core';
import type { Preferences } from './preferences';

/** 1 for Monday to 7 for Sunday, in the order of the names. */
const isoDays = [1, 2, 3, 4, 5, 6, 7] as const;

export const weekdayNames: Readonly<Record<number, string>> = {
  1: t`Monday`,
  2: t`Tuesday`,
  3: t`Wednesday`,
  4: t`Thursday`,
  5: t`Friday`,
  6: t`Saturday`,
  7: t`Sunday`,
};
export const shortWeekdayNames: Readonly<Record<number, string>> = {
  1: t`Mon`,
  2: t`Tue`,
  3: t`Wed`,
  4: t`Thu`,
  5: t`Fri`,
  6: t`Sat`,
  7: t`Sun`,
};

const firstDays = { day: 1, monday: 1, saturday: 6, sunday: 7 } as const;

/** The days of a week in the order of this device. */
export const weekOf = (weekStart: Preferences['weekStart']): readonly number[] => {
  const first = firstDays[weekStart] - 1;
  return [...isoDays.slice(first), ...isoDays.slice(0, first)];
};

/**
 * The first day of the week that a day is shown in.
 * @param date such as 2026-11-27
 * @param weekStart `day`: the seven days from that day on
 */
export const weekFrom = (date: string, weekStart: Preferences['weekStart']): string =>
  weekStart === 'day' ? date : shiftDate(date, -((weekdayOf(date) - firstDays[weekStart] + 7) % 7));
