import { offsetRows, straightRows, turned, type Centre, type FreeArea } from './row-patterns.js';
import { withMore } from './one-more.js';
import { marginsOf, type TraySide } from './sides.js';
import { cached } from '../cache/index.js';
import {
  add,
  call,
  div,
  JokulError,
  relation,
  requireNumber,
  sub,
  type Figure,
  say,
} from '../shown/index.js';

/** Straight rows, offset rows along either side, or set free where that holds more than any rows do. */
export type Pattern = 'rows' | 'staggered' | 'free';

export interface TrayQuestion {
  readonly lengthMm: number;
  readonly widthMm: number;
  /** Final diameter of the piece after the spread. */
  readonly diameterMm: number | Figure;
  /** Clear space between two baked pieces. */
  readonly gapMm: number;
  /** Clear space to the rim of the tray. */
  readonly marginMm: number;
  /** Sides without a rail: pieces may come to the edge there. All have one when left out. */
  readonly openSides?: readonly TraySide[];
  readonly pattern: 'rows' | 'staggered' | 'best';
}

export interface Layout {
  readonly count: number;
  readonly pattern: Pattern;
  readonly centresMm: readonly (readonly [number, number])[];
  readonly perRow: Figure;
}

const perRow = relation({
  name: say`Pieces in a row`,
  symbol: 'n',
  unit: 'pieces',
  inputs: {
    L: { symbol: 'L', name: say`length of the tray`, unit: 'mm', source: say`equipment` },
    a: {
      symbol: 'a',
      name: say`margins at both ends`,
      unit: 'mm',
      source: say`house rules, none on an open side`,
    },
    g: { symbol: 'g', name: say`gap between baked pieces`, unit: 'mm', source: say`formula` },
    D: { symbol: 'D', name: say`diameter after the spread`, unit: 'mm', source: say`bake model` },
  },
  formula: ({ L, a, g, D }) => call('floor', div(add(sub(L, a), g), add(D, g))),
  source: say`geometry: n D + (n − 1) g ≤ L − a`,
});

const patternSought = (
  free: FreeArea,
  asked: TrayQuestion['pattern'],
): { readonly pattern: Pattern; readonly centres: readonly Centre[] } => {
  const straight = straightRows(free);
  if (asked === 'rows') return { pattern: 'rows', centres: straight };
  const along = offsetRows(free);
  const across = turned(offsetRows, free);
  const offset = across.length > along.length ? across : along;
  if (asked === 'staggered') return { pattern: 'staggered', centres: offset };
  const rows =
    offset.length > straight.length
      ? ({ pattern: 'staggered', centres: offset } as const)
      : ({ pattern: 'rows', centres: straight } as const);
  // Rows are quicker to set by hand: only more pieces are worth leaving them.
  const more = withMore(rows.centres, free);
  return more.length > rows.centres.length ? { pattern: 'free', centres: more } : rows;
};

/** Setting pieces free takes longer than all the rest, and a day asks for a few trays again and again. */
const patternOn = cached(patternSought, (free, asked) => JSON.stringify([free, asked]), 200);

/**
 * Piece centres on a tray, in mm from its corner; no two baked pieces closer than the gap, none beyond the margin.
 * @throws JokulError `piece-too-large` when not even one piece fits, `out-of-range`
 */
export const layOut = (q: TrayQuestion): Layout => {
  requireNumber(q.lengthMm, say`The length of the tray`, 50, 3000, 'mm', 'tray.lengthMm');
  requireNumber(q.widthMm, say`The width of the tray`, 50, 3000, 'mm', 'tray.widthMm');
  requireNumber(q.gapMm, say`The gap`, 0, 300, 'mm', 'gapMm');
  requireNumber(q.marginMm, say`The margin`, 0, 300, 'mm', 'marginMm');
  const d = requireNumber(
    typeof q.diameterMm === 'number' ? q.diameterMm : q.diameterMm.value,
    say`The diameter`,
    5,
    1000,
    'mm',
    'diameterMm',
  );
  const margins = marginsOf(q.marginMm, q.openSides);
  const acrossFigure = perRow({
    L: q.lengthMm,
    a: margins.left + margins.right,
    g: q.gapMm,
    D: q.diameterMm,
  });
  const nx = acrossFigure.value;
  const ny = Math.floor((q.widthMm - margins.front - margins.back + q.gapMm) / (d + q.gapMm) + 1e-9);
  if (nx < 1 || ny < 1) {
    throw new JokulError(
      'piece-too-large',
      say`A piece of ${d.toFixed(0)} mm does not fit on a tray of ${q.lengthMm} × ${q.widthMm} mm with a margin of ${q.marginMm} mm. Make the piece smaller or use a larger tray.`,
      'diameterMm',
    );
  }
  const free: FreeArea = {
    widthMm: q.lengthMm - margins.left - margins.right - d,
    heightMm: q.widthMm - margins.front - margins.back - d,
    pitchMm: d + q.gapMm,
  };
  const { pattern, centres } = patternOn(free, q.pattern);
  return {
    count: centres.length,
    pattern,
    centresMm: centres.map(([x, y]) => [x + margins.left + d / 2, y + margins.back + d / 2] as const),
    perRow: acrossFigure,
  };
};

/** Smallest distance between two centres, mm; Infinity for one piece. For checks. */
export const closestMm = (centres: readonly (readonly [number, number])[]): number => {
  let closest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < centres.length; i++) {
    for (let j = 0; j < i; j++) {
      const [a, b] = [centres[i], centres[j]] as [readonly [number, number], readonly [number, number]];
      closest = Math.min(closest, Math.hypot(a[0] - b[0], a[1] - b[1]));
    }
  }
  return closest;
};

/** Raw pieces resting close together on a tray: 5 mm apart, 10 mm to the rim. */
export const restingPerTray = (
  tray: { readonly lengthMm: number; readonly widthMm: number },
  rawDiameterMm: number,
): number => layOut({ ...tray, diameterMm: rawDiameterMm, gapMm: 5, marginMm: 10, pattern: 'best' }).count;
