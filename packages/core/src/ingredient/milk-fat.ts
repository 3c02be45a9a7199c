/** Solid share of milk fat by temperature, °C: typical of the literature, slow cooling. */
const curve: readonly (readonly [number, number])[] = [
  [-40, 0.85],
  [-20, 0.78],
  [-10, 0.73],
  [0, 0.64],
  [5, 0.56],
  [10, 0.46],
  [15, 0.33],
  [20, 0.2],
  [25, 0.12],
  [30, 0.06],
  [35, 0.012],
  [38, 0],
];

/** Heat of melting per kilogram of solid milk fat, J/kg. */
export const meltingHeatJPerKg = 100e3;

/** Solid share of milk fat (0 to 1) at a temperature in °C. */
export const solidFatShare = (temperatureC: number): number => {
  const first = curve[0] as readonly [number, number];
  if (temperatureC <= first[0]) return first[1];
  for (let i = 1; i < curve.length; i++) {
    const [t1, s1] = curve[i] as readonly [number, number];
    if (temperatureC <= t1) {
      const [t0, s0] = curve[i - 1] as readonly [number, number];
      return s0 + ((s1 - s0) * (temperatureC - t0)) / (t1 - t0);
    }
  }
  return 0;
};
