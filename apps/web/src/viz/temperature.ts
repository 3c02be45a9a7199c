/** The one temperature scale: °C and colour. Ice-blue, slate, butter, ember; even for colour-blind eyes in lightness. */
export const temperatureStops: readonly (readonly [number, string])[] = [
  [-20, '#8fd0f5'],
  [-5, '#5f9bd0'],
  [4, '#5f7399'],
  [12, '#8f8aa6'],
  [22, '#ecd078'],
  [40, '#f2b654'],
  [70, '#ee8440'],
  [95, '#dd4f33'],
  [120, '#a8222e'],
];

const channel = (hex: string, i: number) => Number.parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16);

/** Colour of a temperature in °C, between the stops in a straight line. */
export const temperatureColour = (temperatureC: number): string => {
  const first = temperatureStops[0] as readonly [number, string];
  const last = temperatureStops.at(-1) as readonly [number, string];
  if (temperatureC <= first[0]) return first[1];
  if (temperatureC >= last[0]) return last[1];
  const i = temperatureStops.findIndex(([t]) => t >= temperatureC);
  const [t0, c0] = temperatureStops[i - 1] as readonly [number, string];
  const [t1, c1] = temperatureStops[i] as readonly [number, string];
  const x = (temperatureC - t0) / (t1 - t0);
  const mix = [0, 1, 2].map((n) => Math.round(channel(c0, n) + x * (channel(c1, n) - channel(c0, n))));
  return `#${mix.map((n) => n.toString(16).padStart(2, '0')).join('')}`;
};

/** Ink that reads on that colour. */
export const inkOn = (hex: string): string => {
  const luma = 0.299 * channel(hex, 0) + 0.587 * channel(hex, 1) + 0.114 * channel(hex, 2);
  return luma > 140 ? '#16191b' : '#ffffff';
};
