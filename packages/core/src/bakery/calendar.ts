import { say } from '../shown/index.js';
/** Hands that a shift lacks on one day: somebody is ill, or has the day off. */
export interface Away {
  /** The day on which the shift begins. */
  readonly date: string;
  readonly shift: string;
  readonly hands: number;
  readonly why: string;
}

/** When a bakery is closed, and when it has fewer hands. */
export interface Calendar {
  /** Days of the week, 1 for Monday to 7 for Sunday. */
  readonly closedWeekdays: readonly number[];
  readonly closedDays: readonly { readonly date: string; readonly why: string }[];
  /** None where left out. */
  readonly away?: readonly Away[];
}

/** Hands that are there in a shift that begins on a day; 0 where all of them are away. */
export const handsOn = (
  calendar: Calendar | undefined,
  { name, hands }: { readonly name: string; readonly hands: number },
  date: string,
): number =>
  (calendar?.away ?? [])
    .filter((away) => away.date === date && away.shift === name)
    .reduce((left, away) => Math.max(0, left - away.hands), hands);

export const weekdayNames = [
  say`Monday`,
  say`Tuesday`,
  say`Wednesday`,
  say`Thursday`,
  say`Friday`,
  say`Saturday`,
  say`Sunday`,
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
  return calendar.closedWeekdays.includes(weekday) ? say`every ${weekdayNames[weekday - 1] ?? ''}` : null;
};
