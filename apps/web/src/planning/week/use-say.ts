import type { WeekWork } from '@jokul/contracts';
import { useWallClock } from '../../lib/clock';
import { useSayWork } from './say-work';

/** How a week speaks of its days and works. */
export const useSay = () => {
  const wall = useWallClock();
  const sayWork = useSayWork();
  const work = (own: WeekWork) => `${sayWork(own)} (${own.loadId ?? own.batchId})`;
  return { work, day: wall.day, time: (atS: number) => wall.time(atS * 1000) };
};
