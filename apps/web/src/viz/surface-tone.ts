/** Surface tones from raw dough to black; even steps of lightness. */
const tones: readonly (readonly [number, readonly [number, number, number]])[] = [
  [0, [238, 221, 180]],
  [35, [214, 164, 92]],
  [55, [164, 104, 48]],
  [80, [92, 52, 26]],
  [100, [38, 24, 18]],
];

/** Tone of a surface by its browning score, 0 to 100. */
export const surfaceTone = (score: number): string => {
  const s = Math.max(0, Math.min(100, score));
  const i = Math.max(
    1,
    tones.findIndex(([at]) => at >= s),
  );
  const [a, from] = tones[i - 1] ?? [0, [0, 0, 0]];
  const [b, to] = tones[i] ?? [100, [0, 0, 0]];
  const x = (s - a) / (b - a);
  return `rgb(${from.map((c, k) => Math.round(c + x * ((to[k] ?? 0) - c))).join(' ')})`;
};
