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

/** Relative luminance (WCAG 2). */
const luminance = (hex: string): number => {
  const [r, g, b] = [0, 1, 2].map((i) => {
    const c = channel(hex, i) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};

/** Contrast of two colours, 1 to 21 (WCAG 2). */
export const contrast = (a: string, b: string): number => {
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (high + 0.05) / (low + 0.05);
};

/** Ink that reads on that colour: black or white, whichever stands out more; one of them always does by 4.5. */
export const inkOn = (hex: string): string =>
  contrast(hex, '#ffffff') > contrast(hex, '#000000') ? '#ffffff' : '#000000';
