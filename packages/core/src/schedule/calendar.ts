/** When a bakery is closed. */
export interface Calendar {
  /** Days of the week, 1 for Monday to 7 for Sunday. */
  readonly closedWeekdays: readonly number[];
  readonly closedDays: readonly { readonly date: string; readonly why: string }[];
}

export const weekdayNames = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;

/** The day of the week of a date such as 2026-11-27, 1 for Monday to 7 for Sunday. */
export const weekdayOf = (date: string): number => {
  const day = new Date(`${date}T00:00:00Z`).getUTCDay();
  return day === 0 ? 7 : day;
};

/** Why nobody works on a day, as a sentence has it: "it is a Sunday"; null when the bakery is open. */
export const whyClosed = (calendar: Calendar | undefined, date: string): string | null => {
  if (!calendar) return null;
  const day = calendar.closedDays.find((closed) => closed.date === date);
  if (day) return day.why;
  const weekday = weekdayOf(date);
  return calendar.closedWeekdays.includes(weekday) ? `every ${weekdayNames[weekday - 1] ?? ''}` : null;
};
