import { atWallClock, sayTimeOfDay, type HoursOfDay } from '@jokul/core';
import { usePreferences } from './preferences';
import { useBakery } from './queries';

export * from './now';

const formats = new Map<string, Intl.DateTimeFormat>();
const format = (timeZone: string, options: Intl.DateTimeFormatOptions) => {
  const key = timeZone + JSON.stringify(options);
  const known = formats.get(key) ?? new Intl.DateTimeFormat('en-GB', { timeZone, ...options });
  formats.set(key, known);
  return known;
};

export interface WallClock {
  readonly timeZone: string;
  /** 05:40 */
  time: (atMs: number) => string;
  /** A stored time of day as this clock says it. */
  ofDay: (time: string) => string;
  /** 05:40:12 */
  exact: (atMs: number) => string;
  /** Fri 27 Nov */
  date: (atMs: number) => string;
  /** A day of the bakery's calendar, such as 2026-11-27, as Fri 27 Nov. */
  day: (date: string) => string;
  /** 05:40, Thu 13:10 on another day than `nearMs`, or Fri 27 Nov when that is more than six days away. */
  near: (atMs: number, nearMs: number) => string;
}

/** Says points in time as the bakery's wall clock shows them. */
export const wallClockOf = (timeZone: string, hours: HoursOfDay = '24'): WallClock => {
  const clock: Intl.DateTimeFormatOptions =
    hours === '12'
      ? { hour: 'numeric', minute: '2-digit', hour12: true }
      : { hour: '2-digit', minute: '2-digit' };
  const time = (atMs: number) => format(timeZone, clock).format(atMs);
  const date = (atMs: number) =>
    format(timeZone, { weekday: 'short', day: 'numeric', month: 'short' }).format(atMs);
  return {
    timeZone,
    time,
    ofDay: (written) => sayTimeOfDay(written, hours),
    date,
    day: (of) => date(atWallClock(of, '12:00', timeZone) * 1000),
    exact: (atMs) => format(timeZone, { ...clock, second: '2-digit' }).format(atMs),
    near: (atMs, nearMs) =>
      Math.abs(atMs - nearMs) > 6 * 86_400_000
        ? date(atMs)
        : date(atMs) === date(nearMs)
          ? time(atMs)
          : `${format(timeZone, { weekday: 'short' }).format(atMs)} ${time(atMs)}`,
  };
};

export const useWallClock = (): WallClock => {
  const bakery = useBakery();
  const { hours } = usePreferences();
  return wallClockOf(bakery.data?.rules.timeZone ?? 'UTC', hours);
};

/** 12:05 until, −0:30 past; minutes and seconds, or hours and minutes from an hour on. */
export const countdown = (leftMs: number): string => {
  const sign = leftMs < 0 ? '−' : '';
  const total = Math.floor(Math.abs(leftMs) / 1000);
  const two = (n: number) => String(n).padStart(2, '0');
  if (total >= 3600) return `${sign}${Math.floor(total / 3600)} h ${two(Math.floor((total % 3600) / 60))}`;
  return `${sign}${Math.floor(total / 60)}:${two(total % 60)}`;
};
