/**
 * Bounds of the upright axis where values and levels span less than `leastSpan`, so that curves that hardly move are not
 * blown up to fill the height; none where the chart finds them by itself.
 * @param leastSpan an even number, in the unit of the values
 */
export const yRange = (
  values: readonly number[],
  leastSpan: number,
): { min: number; max: number; tickAmount: number } | null => {
  const known = values.filter(Number.isFinite);
  if (known.length === 0) return null;
  const [low, high] = known.reduce(([a, b], v) => [Math.min(a, v), Math.max(b, v)], [Infinity, -Infinity]);
  if (high - low >= leastSpan - 2) return null;
  const min = 2 * Math.floor(((low + high) / 2 - leastSpan / 2) / 2);
  return { min, max: min + leastSpan + 2, tickAmount: (leastSpan + 2) / 2 };
};
