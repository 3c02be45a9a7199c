import { TZDate } from '@date-fns/tz';
import { JokulError, say } from '../shown/index.js';

/** Points in time are seconds since 1970-01-01T00:00Z (`atS`); the bakery's wall clock needs its time zone. */
const two = (n: number) => String(n).padStart(2, '0');

/** The wall clock of `atS` in the zone. */
export const wallClock = (atS: number, timeZone: string): { date: string; time: string; seconds: number } => {
  const d = new TZDate(atS * 1000, timeZone);
  return {
    date: `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`,
    time: `${two(d.getHours())}:${two(d.getMinutes())}`,
    seconds: d.getSeconds(),
  };
};

/** How far the wall clock of the zone is before UTC at `atS`, s; behind it is less than 0. */
export const clockAheadS = (atS: number, timeZone: string): number =>
  -60 * new TZDate(atS * 1000, timeZone).getTimezoneOffset();

/**
 * The point in time of a wall-clock date (`2026-11-27`) and time (`05:40`) in the zone.
 * A time skipped by daylight saving reads as the hour after it.
 * @throws JokulError `bad-time`
 */
export const atWallClock = (date: string, time: string, timeZone: string): number => {
  const d = /^(\d{4})-(\d{2})-(\d{2})$/.exec(date);
  const t = /^([01]\d|2[0-3]):([0-5]\d)$/.exec(time);
  const [year, month, day] = (d ?? []).slice(1).map(Number);
  if (
    !t ||
    year === undefined ||
    month === undefined ||
    day === undefined ||
    month < 1 ||
    month > 12 ||
    day < 1 ||
    day > 31
  ) {
    throw new JokulError(
      'bad-time',
      say`"${date} ${time}" is no date and time; write them as 2026-11-27 and 05:40.`,
      'time',
    );
  }
  const at = new TZDate(year, month - 1, day, Number(t[1]), Number(t[2]), 0, timeZone);
  // Years before 100 would be taken for those of the last century.
  if (at.getDate() !== day || at.getFullYear() !== year)
    throw new JokulError('bad-time', say`${date} is not in the calendar.`, 'date');
  return at.getTime() / 1000;
};

/** Whether something is a date of the calendar, such as 2026-11-27. */
export const isCalendarDate = (value: unknown): value is string => {
  if (typeof value !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(value)) return false;
  const day = new Date(`${value}T12:00:00Z`);
  return Number.isFinite(day.getTime()) && day.toISOString().slice(0, 10) === value;
};

/** The date `days` later (or earlier) on the calendar. @throws JokulError `bad-time` where there is none */
export const shiftDate = (date: string, days: number): string => {
  const d = new Date(`${date}T12:00:00Z`);
  d.setUTCDate(d.getUTCDate() + days);
  // "10000-01-01" is no date as they are written here.
  if (!Number.isFinite(d.getTime()))
    throw new JokulError('bad-time', say`${date} is not in the calendar.`, 'date');
  return d.toISOString().slice(0, 10);
};

/**
 * Whether a wall-clock time does not exist on a date in the zone, or comes twice, for a change of the clock.
 * @throws JokulError `bad-time`
 */
export const clockChangeAt = (date: string, time: string, timeZone: string): 'skipped' | 'twice' | null => {
  const atS = atWallClock(date, time, timeZone);
  const reads = (s: number) => {
    const wall = wallClock(s, timeZone);
    return `${wall.date} ${wall.time}`;
  };
  const wanted = `${date} ${time}`;
  if (reads(atS) !== wanted) return 'skipped';
  // Clocks change by half an hour or by one, and once in a while by two.
  return [-7200, -3600, -1800, 1800, 3600, 7200].some((d) => reads(atS + d) === wanted) ? 'twice' : null;
};
