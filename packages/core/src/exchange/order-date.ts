import { isCalendarDate } from '../quantity/index.js';

/* The day that a line of orders is for, as spreadsheets and people write it. */

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'] as const;

const dated = (year: number, month: number, day: number): string | null => {
  const full = year < 100 ? 2000 + year : year;
  const date = `${full}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  return isCalendarDate(date) ? date : null;
};

const numeric = (text: string): string | null => {
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(text);
  if (iso) return dated(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const found = /^(\d{1,2})([./-])(\d{1,2})\2(\d{4}|\d{2})$/.exec(text);
  if (!found) return null;
  const [a, b, year] = [Number(found[1]), Number(found[3]), Number(found[4])];
  // Points stand after days; of slashes it shows only where one of the two is no month.
  if (found[2] === '.' || a > 12 || a === b) return dated(year, b, a);
  return b > 12 ? dated(year, a, b) : null;
};

/**
 * The day that a cell names, as 2026-11-28: 2026-11-28, 28.11.2026, 28/11/2026, 28 Nov, Sat 28 November 2026, Nov 28.
 * @param year of a day that names none
 * @returns null for anything else, and for 5/6/2026, which is two days
 */
export const readOrderDate = (text: string, year: number): string | null => {
  const plain = text.trim().replace(/^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*[,.]?\s+/i, '');
  const byFigures = numeric(plain);
  if (byFigures !== null) return byFigures;
  const named =
    /^(\d{1,2})(?:st|nd|rd|th)?\.?[\s-]+([a-z]{3,9})\.?(?:[\s,-]+(\d{4}|\d{2}))?$/i.exec(plain) ??
    /^(?<month>[a-z]{3,9})\.?[\s-]+(?<day>\d{1,2})(?:st|nd|rd|th)?(?:[\s,-]+(?<year>\d{4}))?$/i.exec(plain);
  if (!named) return null;
  const [day, month, said] = named.groups
    ? [named.groups.day, named.groups.month, named.groups.year]
    : [named[1], named[2], named[3]];
  const at = months.findIndex((name) => month?.toLowerCase().startsWith(name));
  return at < 0 ? null : dated(said === undefined ? year : Number(said), at + 1, Number(day));
};
