import { formatNumber } from './format.js';

const glyphs: readonly (readonly [value: number, glyph: string])[] = [
  [1 / 8, '⅛'],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [3 / 8, '⅜'],
  [1 / 2, '½'],
  [5 / 8, '⅝'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [7 / 8, '⅞'],
];
const near = 1e-3;

/** A figure of cups or spoons as it is written by hand: 1.5 is "1½", 0.333 is "⅓"; any other as a number. */
export const asFraction = (value: number): string => {
  const whole = Math.floor(value);
  const [, glyph] = glyphs.find(([part]) => Math.abs(value - whole - part) < near) ?? [];
  return glyph === undefined ? formatNumber(value) : `${whole > 0 ? whole : ''}${glyph}`;
};
