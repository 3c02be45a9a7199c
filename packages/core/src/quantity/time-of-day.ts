/** How a clock counts its hours. */
export type HoursOfDay = '12' | '24';

/** A time of day as people write it: 05:40, 5.40, 17h30, 0540, 5:40 pm, 7 am; null for anything else. */
export const readTimeOfDay = (text: string): string | null => {
  const found =
    /^(\d{1,2})(?:[:.h](\d{2})(?::\d{2})?)?\s*([ap]\.?m\.?)?$/i.exec(text.trim()) ??
    /^(\d{2})(\d{2})()$/.exec(text.trim());
  if (!found) return null;
  const [, hours = '', minutes, half] = found;
  // A bare number is a count, not an hour.
  if (minutes === undefined && !half) return null;
  let hour = Number(hours);
  if (half && (hour < 1 || hour > 12)) return null;
  if (half) hour = (hour % 12) + (/p/i.test(half) ? 12 : 0);
  const minute = Number(minutes ?? 0);
  if (hour > 23 || minute > 59) return null;
  return `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
};

const two = (n: number) => String(n).padStart(2, '0');

/** A stored time of day as a clock of 12 or 24 hours says it: 05:40, or 5:40 am. */
export const sayTimeOfDay = (time: string, hours: HoursOfDay): string => {
  const [hour = Number.NaN, minute = Number.NaN] = time.split(':').map(Number);
  if (hours === '24' || !Number.isFinite(hour) || !Number.isFinite(minute)) return time;
  return `${hour % 12 === 0 ? 12 : hour % 12}:${two(minute)} ${hour < 12 ? 'am' : 'pm'}`;
};
