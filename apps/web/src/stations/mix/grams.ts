import { digitsOf } from '@jokul/core';

/** Grams with as many digits as the scale shows. */
export const grams = (massG: number, resolutionG: number): string => massG.toFixed(digitsOf(resolutionG));

export const scaleNames: Readonly<Record<string, string>> = {
  bench: 'bench scale',
  counter: 'counter scale',
  pocket: 'pocket scale',
};
