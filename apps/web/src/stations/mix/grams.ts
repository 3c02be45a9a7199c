/** Grams with as many digits as the scale shows. */
export const grams = (massG: number, resolutionG: number): string =>
  massG.toFixed(Math.max(0, Math.ceil(-Math.log10(resolutionG))));

export const scaleNames: Readonly<Record<string, string>> = {
  bench: 'bench scale',
  counter: 'counter scale',
  pocket: 'pocket scale',
};
