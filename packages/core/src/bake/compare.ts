import { say } from '../shown/index.js';
import type { BakeResult } from './bake.js';

const duration = (seconds: number): string => {
  const s = Math.round(Math.abs(seconds) / 5) * 5;
  return s >= 60 ? `${Math.floor(s / 60)} min${s % 60 ? ` ${s % 60} s` : ''}` : `${s} s`;
};

/** How one bake differs from another, in words: only what an eye or a clock would notice. */
export const differenceInWords = (base: BakeResult, other: BakeResult): string => {
  if (!base.pull || !base.cooled) return '';
  if (!other.pull || !other.cooled || !other.atPull) return say`It does not reach the target.`;
  const [a, b] = [base.cooled, other.cooled];
  const parts: string[] = [];
  const pullBy = other.pull.value - base.pull.value;
  if (Math.abs(pullBy) >= 10)
    parts.push(pullBy > 0 ? say`pull ${duration(pullBy)} later` : say`pull ${duration(pullBy)} earlier`);
  const wider = b.diameterMm - a.diameterMm;
  const size = Math.abs(wider).toFixed(0);
  if (Math.abs(wider) >= 1) parts.push(wider > 0 ? say`${size} mm wider` : say`${size} mm narrower`);
  const higher = b.heightMm - a.heightMm;
  const height = Math.abs(higher).toFixed(1);
  if (Math.abs(higher) >= 0.4) parts.push(higher > 0 ? say`${height} mm higher` : say`${height} mm flatter`);
  const tone = (by: number, darker: string, paler: string, muchDarker: string, muchPaler: string) => {
    if (Math.abs(by) < 5) return;
    if (by > 0) parts.push(by >= 15 ? muchDarker : darker);
    else parts.push(by <= -15 ? muchPaler : paler);
  };
  tone(
    b.colour.edge - a.colour.edge,
    say`rim darker`,
    say`rim paler`,
    say`rim much darker`,
    say`rim much paler`,
  );
  tone(
    b.colour.bottom - a.colour.bottom,
    say`underside darker`,
    say`underside paler`,
    say`underside much darker`,
    say`underside much paler`,
  );
  const crisp = b.crispEdgeMm - a.crispEdgeMm;
  if (Math.abs(crisp) >= 2)
    parts.push(
      crisp > 0
        ? say`crisp rim ${crisp.toFixed(0)} mm wider`
        : say`crisp rim ${(-crisp).toFixed(0)} mm narrower`,
    );
  if (parts.length === 0) return say`Nothing that an eye or a clock would notice.`;
  const text = parts.join(', ');
  // A letter behind a mark too: another language may begin a sentence with one.
  return `${text.replace(/^\P{L}?\p{L}/u, (first) => first.toUpperCase())}.`;
};
