import type { BakeResult } from './bake.js';

const duration = (seconds: number): string => {
  const s = Math.round(Math.abs(seconds) / 5) * 5;
  return s >= 60 ? `${Math.floor(s / 60)} min${s % 60 ? ` ${s % 60} s` : ''}` : `${s} s`;
};

/** How one bake differs from another, in words: only what an eye or a clock would notice. */
export const differenceInWords = (base: BakeResult, other: BakeResult): string => {
  if (!base.pull || !base.cooled) return '';
  if (!other.pull || !other.cooled || !other.atPull) return 'It does not reach the target.';
  const [a, b] = [base.cooled, other.cooled];
  const parts: string[] = [];
  const pullBy = other.pull.value - base.pull.value;
  if (Math.abs(pullBy) >= 10) parts.push(`pull ${duration(pullBy)} ${pullBy > 0 ? 'later' : 'earlier'}`);
  const say = (by: number, least: number, more: string, less: string, unit: string, digits = 0) => {
    if (Math.abs(by) >= least) parts.push(`${Math.abs(by).toFixed(digits)}${unit} ${by > 0 ? more : less}`);
  };
  say(b.diameterMm - a.diameterMm, 1, 'wider', 'narrower', ' mm');
  say(b.heightMm - a.heightMm, 0.4, 'higher', 'flatter', ' mm', 1);
  const tone = (by: number, where: string) => {
    if (Math.abs(by) >= 5)
      parts.push(`${where} ${Math.abs(by) >= 15 ? 'much ' : ''}${by > 0 ? 'darker' : 'paler'}`);
  };
  tone(b.colour.edge - a.colour.edge, 'rim');
  tone(b.colour.bottom - a.colour.bottom, 'underside');
  const crisp = b.crispEdgeMm - a.crispEdgeMm;
  if (Math.abs(crisp) >= 2)
    parts.push(`crisp rim ${Math.abs(crisp).toFixed(0)} mm ${crisp > 0 ? 'wider' : 'narrower'}`);
  if (parts.length === 0) return 'Nothing that an eye or a clock would notice.';
  const text = parts.join(', ');
  return `${text[0]?.toUpperCase()}${text.slice(1)}.`;
};
