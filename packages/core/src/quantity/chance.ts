/** A small reproducible source of chance (mulberry32): the same seed gives the same numbers everywhere. */
export const chance = (seed: number) => {
  let a = seed;
  const next = () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    /** Evenly in [from, to). */
    between: (from: number, to: number) => from + (to - from) * next(),
    /** About normal: the sum of four. */
    around: (mean: number, deviation: number) =>
      mean + deviation * Math.sqrt(3) * (next() + next() + next() + next() - 2),
    /** A version-4 UUID. */
    uuid: () => {
      const hex = Array.from({ length: 32 }, (_, i) => {
        const digit = Math.floor(next() * 16);
        return (i === 12 ? 4 : i === 16 ? 8 + (digit % 4) : digit).toString(16);
      }).join('');
      return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
    },
  };
};
export type Chance = ReturnType<typeof chance>;
