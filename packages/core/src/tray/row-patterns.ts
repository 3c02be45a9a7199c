/** A centre on the free area of a tray, mm from its corner. */
export type Centre = readonly [x: number, y: number];

/** Where centres may lie, mm, and how near to one another. */
export interface FreeArea {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly pitchMm: number;
}

const tiny = 1e-9;

/** `n` places spread evenly from 0 to `length`; one alone is in the middle. */
const spread = (n: number, length: number): readonly number[] =>
  n === 1 ? [length / 2] : Array.from({ length: n }, (_, i) => (length * i) / (n - 1));

/** How many fit in a line of a length. */
export const fitting = (lengthMm: number, pitchMm: number): number =>
  lengthMm < -tiny ? 0 : 1 + Math.floor(lengthMm / pitchMm + tiny);

/** Straight rows, opened out to the margins. */
export const straightRows = ({ widthMm, heightMm, pitchMm }: FreeArea): readonly Centre[] =>
  spread(fitting(heightMm, pitchMm), heightMm).flatMap((y) =>
    spread(fitting(widthMm, pitchMm), widthMm).map((x): Centre => [x, y]),
  );

/** A row: how far from the one before it at least, where it begins and how many it holds. */
interface Row {
  readonly rise: number;
  readonly x: number;
  readonly n: number;
}

/** The rows spread over the height: what is left over opens every rise alike. */
const laid = (rows: readonly Row[], step: number, heightMm: number): readonly Centre[] => {
  const used = rows.reduce((sum, row) => sum + row.rise, 0);
  const open = rows.length > 1 ? Math.max(0, heightMm - used) / (rows.length - 1) : 0;
  let y = rows.length > 1 ? 0 : heightMm / 2;
  return rows.flatMap(({ rise, x, n }, i) => {
    y += i > 0 ? rise + open : 0;
    return Array.from({ length: n }, (_, k): Centre => [x + k * step, y]);
  });
};

/** The least rise between rows that lie half a step aside of one another; next but one rows stand over each other. */
const asideRise = (step: number, pitchMm: number): number =>
  Math.max(pitchMm / 2, Math.sqrt(Math.max(0, pitchMm ** 2 - (step / 2) ** 2)));

/** A pattern that fits: how many pieces it holds, and where they lie once that is asked. */
interface Fit {
  readonly count: number;
  readonly centres: () => readonly Centre[];
}
const nothing: Fit = { count: 0, centres: () => [] };

/** Rows of n that take turns to lean to either side. */
const leaning = ({ widthMm, heightMm, pitchMm }: FreeArea, n: number): Fit => {
  const step = widthMm / (n - 0.5);
  if (step < pitchMm - tiny && n > 1) return nothing;
  const rise = asideRise(step, pitchMm);
  const rows = fitting(heightMm, rise);
  const row = (_: unknown, i: number): Row => ({
    rise: i === 0 ? 0 : rise,
    x: i % 2 === 0 ? 0 : step / 2,
    n,
  });
  return { count: rows * n, centres: () => laid(Array.from({ length: rows }, row), step, heightMm) };
};

/**
 * Rows of n and of n − 1 in the gaps between them, and rows of n straight over rows of n where height is left for that:
 * `aside` rises of the first kind, as many of the second as fit.
 */
const alternating = ({ widthMm, heightMm, pitchMm }: FreeArea, n: number, aside: number): Fit => {
  const step = widthMm / (n - 1);
  if (step < pitchMm - tiny) return nothing;
  const rise = asideRise(step, pitchMm);
  const left = heightMm - aside * rise;
  if (left < -tiny) return nothing;
  const straight = Math.max(0, Math.floor(left / pitchMm + tiny));
  const full = (above: number): Row => ({ rise: above, x: 0, n });
  return {
    count: n * (1 + straight + aside) - Math.ceil(aside / 2),
    centres: () => {
      // The straight ones go before the first that stands aside: the last row may be a short one.
      const rows = [full(0), ...Array.from({ length: straight }, () => full(pitchMm))];
      for (let i = 0; i < aside; i++) rows.push(i % 2 === 0 ? { rise, x: step / 2, n: n - 1 } : full(rise));
      return laid(rows, step, heightMm);
    },
  };
};

/**
 * The fullest of the patterns with offset rows along the width: rows of n that lean to either side, rows of n and n − 1,
 * with any n that fits (the fewer in a row, the closer the rows move together), and mixed with straight rows. Patterns
 * are counted, and only the fullest is laid: small pieces on a large tray have many.
 */
export const offsetRows = (free: FreeArea): readonly Centre[] => {
  let best = nothing;
  const look = (fit: Fit) => {
    if (fit.count > best.count) best = fit;
  };
  const rowsAtMost = fitting(free.heightMm, free.pitchMm / 2);
  for (let n = fitting(free.widthMm, free.pitchMm); n >= 1; n--) {
    look(leaning(free, n));
    if (n > 1) for (let aside = 1; aside < rowsAtMost; aside++) look(alternating(free, n, aside));
  }
  return best.centres();
};

/** The same with the rows along the other side. */
export const turned = (
  pattern: (free: FreeArea) => readonly Centre[],
  { widthMm, heightMm, pitchMm }: FreeArea,
): readonly Centre[] =>
  pattern({ widthMm: heightMm, heightMm: widthMm, pitchMm }).map(([x, y]): Centre => [y, x]);
