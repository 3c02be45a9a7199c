import { chance, type Chance } from '../../quantity/index.js';
import { bake } from '../bake.js';
import { bakeInput, type BakeRequest } from '../input.js';
import { defaultBakeParameters, type BakeParameters } from '../parameters.js';
import { noAdjustment } from './adjustment.js';
import { adjustInput } from './calibrated.js';
import { adjustmentOf } from './calibration.js';
import { fitCalibration } from './fit.js';
import { foretell } from './forward.js';
import type { LoggedBake } from './logged.js';

/** An oven that nobody knows: other grid, other parameters, an offset, a factor, uneven places. */
export interface Twin {
  readonly offsetK: number;
  readonly hFactor: number;
  readonly places: readonly number[];
  readonly parameters: BakeParameters;
}

/** Parameters that are taken to be off by some percent in the twin's world; grid and browning rate come with it. */
const perturbed = (luck: Chance): BakeParameters => {
  const off = (value: number, share: number) => value * Math.exp(share * luck.around(0, 1));
  const p = defaultBakeParameters;
  return {
    ...p,
    permeabilitySet: off(p.permeabilitySet, 0.05),
    permeabilityRaw: off(p.permeabilityRaw, 0.05),
    conductivityFactor: off(p.conductivityFactor, 0.04),
    eta0PaS: off(p.eta0PaS, 0.15),
    lift: off(p.lift, 0.08),
    browningPerS: off(p.browningPerS, 0.12),
    dipStillK: off(p.dipStillK, 0.2),
    dipFanK: off(p.dipFanK, 0.2),
    emissivityDough: p.emissivityDough - 0.04 * luck.between(0, 1),
  };
};

export const randomTwin = (seed: number): Twin => {
  const luck = chance(seed);
  return {
    offsetK: luck.between(-15, 15),
    hFactor: luck.between(0.75, 1.3),
    places: Array.from({ length: 3 }, () => luck.between(-4, 4)),
    parameters: perturbed(luck),
  };
};

const logged: BakeRequest = {
  massG: 35,
  shape: 'ball',
  start: 7,
  tray: 'bright-aluminium',
  liner: 'parchment',
  setC: 165,
  fan: true,
  target: 'chewy',
};
const other: BakeRequest = {
  ...logged,
  massG: 55,
  shape: 'mound',
  start: 12,
  setC: 170,
  target: 'soft-centre',
};

const inTwin = (request: BakeRequest, twin: Twin, position: number) =>
  adjustInput(bakeInput({ ...request, parameters: twin.parameters, rings: 9, layers: 7 }), {
    ...noAdjustment,
    offsetK: twin.offsetK + (twin.places[position - 1] ?? 0),
    hFactor: twin.hFactor,
  });

/**
 * Three logged bakes of one product in a hidden oven, at three places, then the pull of another product at the first
 * place: how far the uncalibrated and the calibrated forecast lie from what the hidden oven needs, s.
 */
export const twinTrial = (seed: number): { readonly beforeS: number; readonly afterS: number } => {
  const twin = randomTwin(seed);
  const luck = chance(seed + 7919);
  const planned = bake(bakeInput(logged)).pull?.value ?? 600;
  const bakes = [0, 60, -60].map((off, i): LoggedBake => {
    const position = i + 1;
    const pullS = Math.round(planned + off);
    const { setup } = inTwin(logged, twin, position);
    const seen = foretell({ setup, pullS, trayS: 240 }, noAdjustment);
    return {
      id: `twin-${i}`,
      atMs: 0,
      ovenId: 'twin',
      position,
      code: 'ONE',
      setup: bakeInput(logged).setup,
      pullS,
      trayS: 240,
      turned: false,
      measured: {
        coreC: seen.coreC + 1.5 * luck.around(0, 1),
        diameterMm: seen.diameterMm + 1 * luck.around(0, 1),
        heightMm: seen.heightMm + 0.5 * luck.around(0, 1),
        lossShare: seen.lossShare + 0.002 * luck.around(0, 1),
        colour: Math.min(100, Math.max(0, seen.colour + 3 * luck.around(0, 1))),
      },
    };
  });
  const { calibration } = fitCalibration(bakes, { nowMs: 0 });
  const truth = bake(inTwin(other, twin, 1)).pull?.value;
  const pull = (by: Parameters<typeof adjustmentOf>[0]) =>
    bake(adjustInput(bakeInput(other), adjustmentOf(by, { ovenId: 'twin', position: 1, code: 'TWO' }))).pull
      ?.value;
  const [before, after] = [pull(null), pull(calibration)];
  if (truth === undefined || before === undefined || after === undefined)
    return { beforeS: Number.POSITIVE_INFINITY, afterS: Number.POSITIVE_INFINITY };
  return { beforeS: before - truth, afterS: after - truth };
};
