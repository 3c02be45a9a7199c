import { JokulError, requireNumber, say } from '../shown/index.js';
import { marginsOf, type TraySide } from './sides.js';

/** Bars that are baked as one batch: rectangles, which may touch. */
export interface BarQuestion {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly barLengthMm: number;
  readonly barWidthMm: number;
  /** 0 when they touch, and are broken or cut apart after the bake. */
  readonly gapMm: number;
  readonly marginMm: number;
  readonly openSides?: readonly TraySide[];
}

export interface Bar {
  /** Its middle, mm from the tray's corner. */
  readonly xMm: number;
  readonly yMm: number;
  /** Whether its long side lies along the tray's length. */
  readonly along: boolean;
}

/** How many of a length fit in a row. */
const inRow = (room: number, length: number, gap: number) =>
  Math.max(0, Math.floor((room + gap) / (length + gap) + 1e-9));

/** Small bars on a large tray have more ways than are worth trying: blocks gain nothing there. */
const mostWays = 100_000;

interface Block {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly along: boolean;
}

const barsIn = (block: Block, { barLengthMm, barWidthMm, gapMm }: BarQuestion): readonly Bar[] => {
  const [w, h] = block.along ? [barLengthMm, barWidthMm] : [barWidthMm, barLengthMm];
  const columns = inRow(block.width, w, gapMm);
  const rows = inRow(block.height, h, gapMm);
  return Array.from({ length: columns * rows }, (_, i) => ({
    xMm: block.x + w / 2 + (i % columns) * (w + gapMm),
    yMm: block.y + h / 2 + Math.floor(i / columns) * (h + gapMm),
    along: block.along,
  }));
};

/** The blocks of a tray cut in up to four: in each corner bars lie one way (Smith and De Cani, 1980). */
const cuts = (q: BarQuestion, width: number, height: number): readonly (readonly Block[])[] => {
  const { barLengthMm: l, barWidthMm: w, gapMm: g } = q;
  const whole = [true, false].map((along): readonly Block[] => [{ x: 0, y: 0, width, height, along }]);
  const columns = (long: number) =>
    Array.from({ length: inRow(width, long, g) + 1 }, (_, i) => i * (long + g));
  const rows = (long: number) => Array.from({ length: inRow(height, long, g) + 1 }, (_, i) => i * (long + g));
  // Two blocks side by side or one over the other; then four around the middle, lying like the sails of a mill.
  const two = columns(l).flatMap((x): readonly (readonly Block[])[] => [
    [
      { x: 0, y: 0, width: x, height, along: true },
      { x, y: 0, width: width - x, height, along: false },
    ],
  ]);
  const over = rows(w).flatMap((y): readonly (readonly Block[])[] => [
    [
      { x: 0, y: 0, width, height: y, along: true },
      { x: 0, y, width, height: height - y, along: false },
    ],
  ]);
  const ways = columns(l).length * rows(w).length * columns(w).length * rows(l).length;
  const mill = (ways > mostWays ? [] : columns(l)).flatMap((x1) =>
    rows(w).flatMap((y1) =>
      columns(w)
        .filter((x2) => x2 <= x1)
        .flatMap((x2) =>
          rows(l)
            .filter((y2) => y2 >= y1)
            .map((y2): readonly Block[] => [
              { x: 0, y: 0, width: x1, height: y1, along: true },
              { x: x1, y: 0, width: width - x1, height: y2, along: false },
              { x: x2, y: y2, width: width - x2, height: height - y2, along: true },
              { x: 0, y: y1, width: x2, height: height - y1, along: false },
            ]),
        ),
    ),
  );
  return [...whole, ...two, ...over, ...mill];
};

/**
 * The fullest tray of bars that lie along either side, in up to four blocks. What is left over is shared out on both
 * sides, so that the batch stands in the middle.
 * @throws JokulError `piece-too-large` when not even one bar fits, `out-of-range`
 */
export const layOutBars = (q: BarQuestion): readonly Bar[] => {
  requireNumber(q.lengthMm, say`The length of the tray`, 50, 3000, 'mm');
  requireNumber(q.widthMm, say`The width of the tray`, 50, 3000, 'mm');
  requireNumber(q.barLengthMm, say`The length of a bar`, 10, 1000, 'mm');
  requireNumber(q.barWidthMm, say`The width of a bar`, 10, 1000, 'mm');
  requireNumber(q.gapMm, say`The gap`, 0, 300, 'mm');
  requireNumber(q.marginMm, say`The margin`, 0, 300, 'mm');
  const margins = marginsOf(q.marginMm, q.openSides);
  const width = q.lengthMm - margins.left - margins.right;
  const height = q.widthMm - margins.front - margins.back;
  let best: readonly Bar[] = [];
  let mostOf = 0;
  for (const blocks of cuts(q, width, height)) {
    const count = blocks.reduce((sum, block) => {
      const [w, h] = block.along ? [q.barLengthMm, q.barWidthMm] : [q.barWidthMm, q.barLengthMm];
      return sum + inRow(block.width, w, q.gapMm) * inRow(block.height, h, q.gapMm);
    }, 0);
    if (count > mostOf) {
      mostOf = count;
      best = blocks.flatMap((block) => barsIn(block, q));
    }
  }
  if (best.length === 0)
    throw new JokulError(
      'piece-too-large',
      say`A bar of ${q.barLengthMm} × ${q.barWidthMm} mm does not fit on a tray of ${q.lengthMm} × ${q.widthMm} mm with a margin of ${q.marginMm} mm.`,
      'barLengthMm',
    );
  const half = (bar: Bar, size: 'x' | 'y') =>
    (size === 'x') === bar.along ? q.barLengthMm / 2 : q.barWidthMm / 2;
  const usedX = Math.max(...best.map((bar) => bar.xMm + half(bar, 'x')));
  const usedY = Math.max(...best.map((bar) => bar.yMm + half(bar, 'y')));
  return best.map((bar) => ({
    ...bar,
    xMm: bar.xMm + margins.left + (width - usedX) / 2,
    yMm: bar.yMm + margins.back + (height - usedY) / 2,
  }));
};
