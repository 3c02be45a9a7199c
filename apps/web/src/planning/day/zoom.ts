/** A stretch of time that is shown, s since 1970. */
export interface Stretch {
  readonly fromS: number;
  readonly toS: number;
}

/** No closer than ten minutes. */
const leastS = 600;

/** The stretch within the limits, as long as it was where they leave room for that. */
const within = ({ fromS, toS }: Stretch, limits: Stretch): Stretch => {
  const spanS = Math.min(toS - fromS, limits.toS - limits.fromS);
  const start = Math.min(Math.max(fromS, limits.fromS), limits.toS - spanS);
  return { fromS: start, toS: start + spanS };
};

/**
 * Closer (factor under 1) or farther, with one moment staying where it is on the screen.
 * @param atS the moment; one that is not shown is taken as the middle
 */
export const zoomed = (shown: Stretch, factor: number, atS: number, limits: Stretch): Stretch => {
  const spanS = shown.toS - shown.fromS;
  const heldS = atS > shown.fromS && atS < shown.toS ? atS : shown.fromS + spanS / 2;
  const nextS = Math.min(limits.toS - limits.fromS, Math.max(leastS, spanS * factor));
  const fromS = heldS - ((heldS - shown.fromS) / spanS) * nextS;
  return within({ fromS, toS: fromS + nextS }, limits);
};

/** Earlier or later by a share of what is shown. */
export const panned = (shown: Stretch, share: number, limits: Stretch): Stretch => {
  const byS = (shown.toS - shown.fromS) * share;
  return within({ fromS: shown.fromS + byS, toS: shown.toS + byS }, limits);
};

/** The same length around a moment. */
export const around = (shown: Stretch, atS: number, limits: Stretch): Stretch => {
  const half = (shown.toS - shown.fromS) / 2;
  return within({ fromS: atS - half, toS: atS + half }, limits);
};

export const isWhole = (shown: Stretch, limits: Stretch): boolean =>
  shown.toS - shown.fromS >= limits.toS - limits.fromS - 1;
export const isClosest = (shown: Stretch): boolean => shown.toS - shown.fromS <= leastS + 1;
