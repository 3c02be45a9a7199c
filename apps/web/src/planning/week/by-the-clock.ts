import { wallClock } from '@jokul/core';

const daySeconds = 86_400;

/**
 * How far a moment lies in its day by the clock on the wall, 0 to 1: noon is the middle, also on a day of 23 or 25 hours,
 * so that the hours of a week stand under each other. What lies in the hour that a clock change takes twice overlaps.
 * @param fromS midnight, s; moments before it count as midnight
 * @param toS the next midnight, s
 */
export const byTheClock = (atS: number, fromS: number, toS: number, timeZone: string): number => {
  if (atS <= fromS) return 0;
  if (atS >= toS) return 1;
  const { time } = wallClock(atS, timeZone);
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  return (hour * 3600 + minute * 60 + (((atS % 60) + 60) % 60)) / daySeconds;
};
