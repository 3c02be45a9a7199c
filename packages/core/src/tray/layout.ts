import {
  add,
  call,
  div,
  JokulError,
  mul,
  relation,
  requireNumber,
  sub,
  type Figure,
} from '../shown/index.js';

export type Pattern = 'rows' | 'staggered';

export interface TrayQuestion {
  readonly lengthMm: number;
  readonly widthMm: number;
  /** Final diameter of the piece after the spread. */
  readonly diameterMm: number | Figure;
  /** Clear space between two baked pieces. */
  readonly gapMm: number;
  /** Clear space to the rim of the tray. */
  readonly marginMm: number;
  readonly pattern: Pattern | 'best';
}

export interface Layout {
  readonly count: number;
  readonly pattern: Pattern;
  readonly centresMm: readonly (readonly [number, number])[];
  readonly perRow: Figure;
}

const perRow = relation({
  name: 'Pieces in a row',
  symbol: 'n',
  unit: 'pieces',
  inputs: {
    L: { symbol: 'L', name: 'length of the tray', unit: 'mm', source: 'equipment' },
    a: { symbol: 'a', name: 'margin to the rim', unit: 'mm', source: 'house rules' },
    g: { symbol: 'g', name: 'gap between baked pieces', unit: 'mm', source: 'formula' },
    D: { symbol: 'D', name: 'diameter after the spread', unit: 'mm', source: 'bake model' },
  },
  formula: ({ L, a, g, D }) => call('floor', div(add(sub(L, mul(2, a)), g), add(D, g))),
  source: 'geometry: n D + (n − 1) g ≤ L − 2 a',
});

/** `n` centres spread evenly over the free length, pieces touching the margin when there is more than one. */
const line = (n: number, from: number, to: number): readonly number[] =>
  n === 1 ? [(from + to) / 2] : Array.from({ length: n }, (_, i) => from + ((to - from) * i) / (n - 1));

const rows = (nx: number, ny: number, x0: number, x1: number, y0: number, y1: number): [number, number][] =>
  line(ny, y0, y1).flatMap((y) => line(nx, x0, x1).map((x): [number, number] => [x, y]));

/** Offset rows; a row between two full ones is shifted by half a pitch, and holds one less where it would not fit. */
const staggered = (
  nx: number,
  pitch: number,
  x0: number,
  x1: number,
  y0: number,
  y1: number,
): [number, number][] => {
  const free = x1 - x0;
  const shiftedFits = (nx - 1) * pitch + pitch / 2 <= free + 1e-9;
  const short = shiftedFits ? nx : nx - 1;
  // The widest pitch in x lets the rows move together in y until neighbours are `pitch` apart.
  const px = shiftedFits ? free / (nx - 0.5) : nx > 1 ? free / (nx - 1) : 0;
  const rise = Math.max(pitch / 2, Math.sqrt(Math.max(0, pitch * pitch - (px / 2) ** 2)));
  const ny = 1 + Math.floor((y1 - y0) / rise + 1e-9);
  return line(ny, y0, y1).flatMap((y, row) => {
    const odd = row % 2 === 1;
    const n = odd ? short : nx;
    const start = odd && px > 0 ? x0 + px / 2 : x0;
    return n === 1 && !odd && px === 0
      ? [[(x0 + x1) / 2, y] as [number, number]]
      : Array.from({ length: n }, (_, i): [number, number] => [start + i * px, y]);
  });
};

/**
 * Piece centres on a tray, in mm from its corner; no two baked pieces closer than the gap, none beyond the margin.
 * @throws JokulError `piece-too-large` when not even one piece fits, `out-of-range`
 */
export const layOut = (q: TrayQuestion): Layout => {
  requireNumber(q.lengthMm, 'The length of the tray', 50, 3000, 'mm');
  requireNumber(q.widthMm, 'The width of the tray', 50, 3000, 'mm');
  requireNumber(q.gapMm, 'The gap', 0, 300, 'mm');
  requireNumber(q.marginMm, 'The margin', 0, 300, 'mm');
  const d = requireNumber(
    typeof q.diameterMm === 'number' ? q.diameterMm : q.diameterMm.value,
    'The diameter',
    5,
    1000,
    'mm',
  );
  const acrossFigure = perRow({ L: q.lengthMm, a: q.marginMm, g: q.gapMm, D: q.diameterMm });
  const nx = acrossFigure.value;
  const ny = Math.floor((q.widthMm - 2 * q.marginMm + q.gapMm) / (d + q.gapMm) + 1e-9);
  if (nx < 1 || ny < 1) {
    throw new JokulError(
      'piece-too-large',
      `A piece of ${d.toFixed(0)} mm does not fit on a tray of ${q.lengthMm} × ${q.widthMm} mm with a margin of ${q.marginMm} mm. Make the piece smaller or use a larger tray.`,
      'diameterMm',
    );
  }
  const [x0, x1] = [q.marginMm + d / 2, q.lengthMm - q.marginMm - d / 2];
  const [y0, y1] = [q.marginMm + d / 2, q.widthMm - q.marginMm - d / 2];
  const straight = rows(nx, ny, x0, x1, y0, y1);
  const offset = staggered(nx, d + q.gapMm, x0, x1, y0, y1);
  const useOffset = q.pattern === 'staggered' || (q.pattern === 'best' && offset.length > straight.length);
  const centresMm = useOffset ? offset : straight;
  return {
    count: centresMm.length,
    pattern: useOffset ? 'staggered' : 'rows',
    centresMm,
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
