import { JokulError, say } from '../shown/index.js';
import type { Shift } from './equipment.js';

/** A stretch of a shift in which it works: minutes after midnight of the day on which the shift begins. */
export interface ShiftPart {
  readonly fromMin: number;
  readonly toMin: number;
}

const dayMin = 24 * 60;
const minutes = (time: string): number => {
  const [hours = 0, rest = 0] = time.split(':').map(Number);
  return 60 * hours + rest;
};

/** Minutes of the shift's day; what is not after its beginning is of the morning after. */
const within = (startMin: number, time: string): number => {
  const own = minutes(time);
  return own < startMin ? own + dayMin : own;
};

/**
 * When a shift works: from its beginning to its end, but for its breaks. One that ends before it begins ends on the next day.
 * @throws JokulError `bad-shift` for breaks that are not within it, or not one after the other
 */
export const shiftParts = ({
  name,
  from,
  to,
  breaks = [],
}: Pick<Shift, 'name' | 'from' | 'to' | 'breaks'>): readonly ShiftPart[] => {
  const startMin = minutes(from);
  const ends = minutes(to);
  const endMin = ends <= startMin ? ends + dayMin : ends;
  const parts: ShiftPart[] = [];
  let fromMin = startMin;
  for (const pause of breaks) {
    const [pauseMin, againMin] = [within(startMin, pause.from), within(startMin, pause.to)];
    if (pauseMin < fromMin || againMin <= pauseMin || againMin > endMin)
      throw new JokulError(
        'bad-shift',
        say`${name}: the break from ${pause.from} to ${pause.to} is not within the shift (${from} to ${to}), or not after the one before it.`,
        'shifts',
      );
    if (pauseMin > fromMin) parts.push({ fromMin, toMin: pauseMin });
    fromMin = againMin;
  }
  if (endMin > fromMin) parts.push({ fromMin, toMin: endMin });
  if (parts.length === 0)
    throw new JokulError('bad-shift', say`${name}: its breaks leave no time to work.`, 'shifts');
  return parts;
};

/** A time of day by its minutes, and how many days later it is. */
export const wallOf = (min: number): { readonly time: string; readonly days: number } => {
  const two = (n: number) => String(n).padStart(2, '0');
  const own = min % dayMin;
  return { time: `${two(Math.floor(own / 60))}:${two(own % 60)}`, days: Math.floor(min / dayMin) };
};
