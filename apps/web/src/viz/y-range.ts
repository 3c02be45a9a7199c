/** Curves that hardly move are not blown up to fill the height, K. */
const leastSpan = 10;

/** Bounds of the upright axis where values and levels span less than ten; none where the chart finds them by itself. */
export const yRange = (
  values: readonly number[],
): { min: number; max: number; tickAmount: number } | null => {
  const known = values.filter(Number.isFinite);
  if (known.length === 0) return null;
  const [low, high] = known.reduce(([a, b], v) => [Math.min(a, v), Math.max(b, v)], [Infinity, -Infinity]);
  if (high - low >= leastSpan - 2) return null;
  const min = 2 * Math.floor(((low + high) / 2 - leastSpan / 2) / 2);
  return { min, max: min + leastSpan + 2, tickAmount: (leastSpan + 2) / 2 };
};
