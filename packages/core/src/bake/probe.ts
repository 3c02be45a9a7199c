/** What a pull at one time would give after the carryover. */
export interface Probe {
  readonly pullS: number;
  /** How far it is set and coloured, and the doneness; both kept rising with a later pull. */
  readonly set: number;
  readonly index: number;
}

/** When `of` passes a value, s, between probes linearly; null when it never does. */
export const passing = (found: readonly Probe[], of: 'set' | 'index', value: number): number | null => {
  for (let i = 1; i < found.length; i++) {
    const a = found[i - 1] as Probe;
    const b = found[i] as Probe;
    if (b[of] < value) continue;
    return b[of] === a[of] ? b.pullS : a.pullS + ((value - a[of]) / (b[of] - a[of])) * (b.pullS - a.pullS);
  }
  return null;
};
