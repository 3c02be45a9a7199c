/** A temperature as it was typed, °C; null where it is none between the two. */
export const within = (valueC: number, low: number, high: number): number | null =>
  valueC >= low && valueC <= high ? valueC : null;
