/** A piece on its way: its middle, mm, and half of the pitch that it keeps to its like. */
export interface Pushed {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  /** Half the diameter and half the gap of each piece. */
  readonly halves: Float64Array;
  /** Where each middle may lie. */
  readonly low: readonly [x: Float64Array, y: Float64Array];
  readonly high: readonly [x: Float64Array, y: Float64Array];
}

const inside = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/**
 * Pushes apart what overlaps, each of two by half (Huang and Ye, 2011, "quasi-physical"), until nothing is nearer than its
 * pitch. Moves the pieces in place; returns whether they settled within the rounds.
 */
export const settle = ({ xs, ys, halves, low, high }: Pushed, rounds: number): boolean => {
  const n = xs.length;
  const push = new Float64Array(2 * n);
  for (let round = 0; round < rounds; round++) {
    push.fill(0);
    let worst = 0;
    for (let i = 0; i < n; i++)
      for (let j = 0; j < i; j++) {
        const dx = (xs[i] as number) - (xs[j] as number);
        const dy = (ys[i] as number) - (ys[j] as number);
        const pitch = (halves[i] as number) + (halves[j] as number);
        // A hair more than needed, so that what settles is truly apart.
        const want = pitch * (1 + 1e-6);
        const squared = dx * dx + dy * dy;
        if (squared >= want * want) continue;
        const apart = Math.sqrt(squared) || 1e-6;
        const share = (want - apart) / (2 * apart);
        worst = Math.max(worst, pitch - apart);
        push[2 * i] = (push[2 * i] as number) + dx * share;
        push[2 * i + 1] = (push[2 * i + 1] as number) + dy * share;
        push[2 * j] = (push[2 * j] as number) - dx * share;
        push[2 * j + 1] = (push[2 * j + 1] as number) - dy * share;
      }
    if (worst <= 0) return true;
    for (let i = 0; i < n; i++) {
      xs[i] = inside((xs[i] as number) + (push[2 * i] as number), low[0][i] as number, high[0][i] as number);
      ys[i] = inside(
        (ys[i] as number) + (push[2 * i + 1] as number),
        low[1][i] as number,
        high[1][i] as number,
      );
    }
  }
  return false;
};
