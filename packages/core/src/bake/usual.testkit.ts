import type { BakeRequest } from './input.js';

/** The bake that the truths are told of: a 35 g ball at 7 °C, 177 °C still, parchment on bright aluminium. */
export const usual: BakeRequest = {
  massG: 35,
  shape: 'ball',
  start: 7,
  tray: 'bright-aluminium',
  liner: 'parchment',
  setC: 177,
  fan: false,
  target: 'soft-centre',
};
