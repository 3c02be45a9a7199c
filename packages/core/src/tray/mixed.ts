import { JokulError, requireNumber, say } from '../shown/index.js';
import { layOut } from './layout.js';
import { allPlaces, apart, hair, mostTries, placesAt, type Ground, type Placed } from './mixed-places.js';
import { evenly } from './one-more.js';
import { offsetRows, straightRows, turned, type Centre, type FreeArea } from './row-patterns.js';
import { settle } from './settle.js';
import { marginsOf, type TraySide } from './sides.js';

/** One size of a tray that holds several: pieces of the same diameter after the spread. */
export interface TraySize {
  readonly diameterMm: number;
  /** How many are wanted; as many as still fit when left out. */
  readonly pieces?: number;
}

export interface MixedQuestion {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly sizes: readonly TraySize[];
  readonly gapMm: number;
  readonly marginMm: number;
  readonly openSides?: readonly TraySide[];
}

/** Where the pieces of each size lie, in the order of the question, and how many of them found no place. */
export interface MixedLayout {
  readonly sizes: readonly { readonly centresMm: readonly Centre[]; readonly left: number }[];
}

/** No tray is laid with more pieces by hand; it keeps the search short. */
const mostPieces = 300;

/** Beyond so many pieces pushing takes long. */
const mostPushed = 60;
const rounds = 200;

type Order = (a: Placed, b: Placed) => number;

/** Filled from the back along the length, or from the left along the width. */
const orders: readonly Order[] = [(a, b) => a.y - b.y || a.x - b.x, (a, b) => a.x - b.x || a.y - b.y];

const firstOf = (places: readonly Placed[], order: Order): Placed | undefined =>
  places.reduce<Placed | undefined>(
    (best, place) => (best && order(best, place) <= 0 ? best : place),
    undefined,
  );

/** Drops one more in, shakes all a little and pushes apart; null when they do not settle. */
const pushedIn = (
  ground: Ground,
  placed: readonly Placed[],
  size: number,
  next: () => number,
): readonly Placed[] | null => {
  const all = [...placed, { size, x: next() * ground.width, y: next() * ground.height }];
  const radius = ({ size: of }: Placed) => ground.radii[of] as number;
  const shake = 0.2 * Math.min(...ground.radii);
  const xs = Float64Array.from(all, ({ x }) => x + (next() - 0.5) * shake);
  const ys = Float64Array.from(all, ({ y }) => y + (next() - 0.5) * shake);
  const low = Float64Array.from(all, radius);
  const still = settle(
    {
      xs,
      ys,
      halves: Float64Array.from(all, (piece) => radius(piece) + ground.gap / 2),
      low: [low, low],
      high: [
        Float64Array.from(all, (piece) => ground.width - radius(piece)),
        Float64Array.from(all, (piece) => ground.height - radius(piece)),
      ],
    },
    rounds,
  );
  return still ? all.map(({ size: of }, i) => ({ size: of, x: xs[i] as number, y: ys[i] as number })) : null;
};

/** Fills a tray size by size, the largest first: each where it touches what is there, then pushed in. */
const filled = (
  ground: Ground,
  wanted: readonly number[],
  bySize: readonly number[],
  order: Order,
  from: readonly Placed[],
): readonly Placed[] => {
  let placed = from;
  const next = evenly(20_261);
  for (const size of bySize) {
    let places = allPlaces(ground, placed, size);
    let count = placed.filter((piece) => piece.size === size).length;
    let tries = 0;
    while (count < (wanted[size] as number) && placed.length < mostPieces && tries < mostTries) {
      const place = firstOf(places, order);
      if (place) {
        const now = [...placed, place];
        places = [
          ...places.filter((other) => apart(ground, other, place)),
          ...placesAt(ground, now, place, placed, size),
        ];
        placed = now;
        count++;
        continue;
      }
      const pushed = placed.length < mostPushed ? pushedIn(ground, placed, size, next) : null;
      if (pushed) {
        placed = pushed;
        places = allPlaces(ground, placed, size);
        count++;
        tries = 0;
      } else tries++;
    }
  }
  return placed;
};

/** Rows of one size on a strip of the ground, from its beginning. */
const rowsOn = ({ height, gap, radii }: Ground, fromX: number, length: number, size: number) => {
  const d = 2 * (radii[size] as number);
  const free: FreeArea = { widthMm: length - d, heightMm: height - d, pitchMm: d + gap };
  if (free.widthMm < 0 || free.heightMm < 0) return [];
  const [straight, offset, across] = [straightRows(free), offsetRows(free), turned(offsetRows, free)];
  const most = [offset, across].reduce((best, rows) => (rows.length > best.length ? rows : best), straight);
  return most.map(([x, y]): Placed => ({ size, x: fromX + d / 2 + x, y: d / 2 + y }));
};

/** A strip for each size one after the other, the shortest that holds what is wanted of it; the last takes the rest. */
const strips = (ground: Ground, wanted: readonly number[], bySize: readonly number[]): readonly Placed[] => {
  let fromX = 0;
  const placed: Placed[] = [];
  for (const size of bySize) {
    const d = 2 * (ground.radii[size] as number);
    let rows: readonly Placed[] = [];
    for (let length = d; fromX + length <= ground.width + hair; length += d / 10) {
      rows = rowsOn(ground, fromX, length, size);
      if (rows.length >= (wanted[size] as number)) break;
    }
    if (rows.length < (wanted[size] as number)) rows = rowsOn(ground, fromX, ground.width - fromX, size);
    placed.push(...rows.slice(0, Math.min(wanted[size] as number, mostPieces - placed.length)));
    fromX = Math.max(fromX, ...rows.map(({ x }) => x + d / 2)) + ground.gap;
  }
  return placed;
};

/** The ground with its sides exchanged, and pieces of the one on the other. */
const turnedGround = (ground: Ground): Ground => ({ ...ground, width: ground.height, height: ground.width });
const turnedPiece = ({ size, x, y }: Placed): Placed => ({ size, x: y, y: x });

const coverOf = (placed: readonly Placed[], radii: readonly number[]) =>
  placed.reduce((sum, { size }) => sum + (radii[size] as number) ** 2, 0);

const requireCount = (pieces: number, path: string): void => {
  if (!Number.isInteger(pieces) || pieces < 0 || pieces > mostPieces)
    throw new JokulError('out-of-range', say`How many is a whole number from 0 to ${mostPieces}.`, path);
};

/** All of one size, with as many as fit: the best of the layouts of one size. */
const alone = (q: MixedQuestion): MixedLayout => {
  const [size] = q.sizes as readonly [TraySize];
  const { centresMm } = layOut({ ...q, diameterMm: size.diameterMm, pattern: 'best' });
  const taken = centresMm.slice(0, size.pieces ?? centresMm.length);
  return { sizes: [{ centresMm: taken, left: (size.pieces ?? taken.length) - taken.length }] };
};

/**
 * Pieces of several sizes on one tray: the best of a strip for each size and of the largest first, each where it touches
 * the sides or others; then pushed in where that still makes room. Not proved to be the most; no two nearer than the gap, none beyond the margin.
 * @throws JokulError `piece-too-large` when a size fits on no tray, `out-of-range`
 */
export const layOutMixed = (q: MixedQuestion): MixedLayout => {
  if (q.sizes.length === 0) throw new JokulError('no-sizes', say`Say at least one size.`, 'sizes');
  requireNumber(q.lengthMm, say`The length of the tray`, 50, 3000, 'mm');
  requireNumber(q.widthMm, say`The width of the tray`, 50, 3000, 'mm');
  requireNumber(q.gapMm, say`The gap`, 0, 300, 'mm');
  requireNumber(q.marginMm, say`The margin`, 0, 300, 'mm');
  const margins = marginsOf(q.marginMm, q.openSides);
  const width = q.lengthMm - margins.left - margins.right;
  const height = q.widthMm - margins.front - margins.back;
  q.sizes.forEach(({ diameterMm, pieces }, i) => {
    requireNumber(diameterMm, say`The diameter`, 5, 1000, 'mm');
    if (pieces !== undefined) requireCount(pieces, `sizes.${i}.pieces`);
    if (diameterMm > Math.min(width, height))
      throw new JokulError(
        'piece-too-large',
        say`A piece of ${diameterMm.toFixed(0)} mm does not fit on a tray of ${q.lengthMm} × ${q.widthMm} mm with a margin of ${q.marginMm} mm. Make the piece smaller or use a larger tray.`,
        `sizes.${i}.diameterMm`,
      );
  });
  if (q.sizes.length === 1) return alone(q);
  const radii = q.sizes.map(({ diameterMm }) => diameterMm / 2);
  const ground: Ground = { width, height, gap: q.gapMm, radii };
  const wanted = q.sizes.map(({ pieces }) => pieces ?? Number.POSITIVE_INFINITY);
  const bySize = radii.map((_, i) => i).sort((a, b) => (radii[b] as number) - (radii[a] as number) || a - b);
  const beginnings = [
    [],
    strips(ground, wanted, bySize),
    strips(turnedGround(ground), wanted, bySize).map(turnedPiece),
  ];
  const [best] = orders
    .flatMap((order) => beginnings.map((from) => filled(ground, wanted, bySize, order, from)))
    .sort((a, b) => coverOf(b, radii) - coverOf(a, radii));
  return {
    sizes: q.sizes.map(({ pieces }, size) => {
      const centresMm = (best ?? [])
        .filter((piece) => piece.size === size)
        .map(({ x, y }): Centre => [x + margins.left, y + margins.back]);
      return { centresMm, left: (pieces ?? centresMm.length) - centresMm.length };
    }),
  };
};
