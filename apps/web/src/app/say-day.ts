import { atWallClock } from '@jokul/core';
import { useWallClock } from '../lib/clock';

/** A day of the bakery's calendar in words. */
export const useSayDay = () => {
  const wall = useWallClock();
  return (date: string) => wall.date(atWallClock(date, '12:00', wall.timeZone) * 1000);
};
