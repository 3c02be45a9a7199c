import { typicalDough } from '../formula/index.js';
import { chance, type Chance } from '../quantity/index.js';
import {
  adjustInput,
  adjustmentOf,
  bake,
  bakeInput,
  type BakeParameters,
  type BakeRequest,
  defaultBakeParameters,
  noAdjustment,
} from '../bake/index.js';
import { fitCalibration } from './fit.js';
import { foretell } from './forward.js';
import type { LoggedBake } from './logged.js';
import { otherBake, type OtherPiece, type OtherReading } from './other-oven.js';

/** An oven that nobody knows: other grid, other parameters, an offset, a factor, uneven places. */
export interface Twin {
  readonly offsetK: number;
  readonly hFactor: number;
  readonly places: readonly number[];
  readonly parameters: BakeParameters;
}

/** Parameters that are taken to be off by some percent in the twin's world; grid and browning rate come with it. */
const perturbed = (random: Chance): BakeParameters => {
  const off = (value: number, share: number) => value * Math.exp(share * random.around(0, 1));
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
    emissivityDough: p.emissivityDough - 0.04 * random.between(0, 1),
  };
};

export const randomTwin = (seed: number): Twin => {
  const random = chance(seed);
  return {
    offsetK: random.between(-15, 15),
    hFactor: random.between(0.75, 1.3),
    places: Array.from({ length: 3 }, () => random.between(-4, 4)),
    parameters: perturbed(random),
  };
};

/** How far a forecast of the pull lies from the truth before and after learning, s. */
export interface TwinTrial {
  readonly beforeS: number;
  readonly afterS: number;
}

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

const noisy = (seen: Omit<OtherReading, 'heartWater'>, random: Chance): LoggedBake['measured'] => ({
  coreC: seen.coreC + 1.5 * random.around(0, 1),
  diameterMm: seen.diameterMm + 1 * random.around(0, 1),
  heightMm: seen.heightMm + 0.5 * random.around(0, 1),
  lossShare: seen.lossShare + 0.002 * random.around(0, 1),
  colour: Math.min(100, Math.max(0, seen.colour + 3 * random.around(0, 1))),
});

/**
 * Three logged bakes of one product in a hidden oven, at three places, then the pull of another product at the first
 * place: how far the uncalibrated and the calibrated forecast lie from what the hidden oven needs, s.
 */
export const twinTrial = (seed: number): TwinTrial => {
  const twin = randomTwin(seed);
  const random = chance(seed + 7919);
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
      measured: noisy(seen, random),
    };
  });
  return offBy(bakes, bake(inTwin(other, twin, 1)).pull?.value);
};

/** How far the forecasts of the other product lie off before and after learning from bakes, s. */
const offBy = (bakes: readonly LoggedBake[], truthS: number | undefined): TwinTrial => {
  const { calibration } = fitCalibration(bakes, { nowMs: 0 });
  const pull = (by: Parameters<typeof adjustmentOf>[0]) =>
    bake(adjustInput(bakeInput(other), adjustmentOf(by, { ovenId: 'twin', position: 1, code: 'TWO' }))).pull
      ?.value;
  const [before, after] = [pull(null), pull(calibration)];
  if (truthS === undefined || before === undefined || after === undefined)
    return { beforeS: Number.POSITIVE_INFINITY, afterS: Number.POSITIVE_INFINITY };
  return { beforeS: before - truthS, afterS: after - truthS };
};

const asOther = ({ massG, start, setC, fan }: BakeRequest): OtherPiece => ({
  massG,
  startC: start as number,
  setC,
  fan,
  water: typicalDough.composition.water,
});
const longestS = 2400;

/**
 * The same with an oven and a cookie of other equations (`other-oven.ts`). In a usual oven they are taken to come out as the
 * bake model has it, so that what is tried is how they answer to a strange one: figures there are the model's, and what the
 * other equations say that they change by; the pull is right when the heart is as dry as it is at the usual pull.
 */
export const otherOvenTrial = (seed: number): TwinTrial => {
  const random = chance(seed);
  const usual = { offsetK: 0, transfer: 1 };
  const hidden = { offsetK: random.between(-15, 15), transfer: random.between(0.8, 1.25) };
  const places = [0, random.between(-4, 4), random.between(-4, 4)];
  const pullOf = (request: BakeRequest) => Math.round(bake(bakeInput(request)).pull?.value ?? 600);
  const usualPullS = pullOf(logged);
  const plain = otherBake(asOther(logged), usual, longestS);
  const bakes = [0, 60, -60].map((off, i): LoggedBake => {
    const pullS = usualPullS + off;
    const { setup } = bakeInput(logged);
    const model = foretell({ setup, pullS, trayS: 240 }, noAdjustment);
    const there = otherBake(
      asOther(logged),
      { ...hidden, offsetK: hidden.offsetK + (places[i] as number) },
      longestS,
    )[pullS] as OtherReading;
    const here = plain[pullS] as OtherReading;
    const changed = (of: keyof typeof model) => model[of] + there[of] - here[of];
    return {
      id: `other-${i}`,
      atMs: 0,
      ovenId: 'twin',
      position: i + 1,
      code: 'ONE',
      setup,
      pullS,
      trayS: 240,
      turned: false,
      measured: noisy(
        {
          coreC: changed('coreC'),
          diameterMm: changed('diameterMm'),
          heightMm: changed('heightMm'),
          lossShare: changed('lossShare'),
          colour: changed('colour'),
        },
        random,
      ),
    };
  });
  const dry = (otherBake(asOther(other), usual, longestS)[pullOf(other)] as OtherReading).heartWater;
  const truthS = otherBake(asOther(other), hidden, longestS).findIndex(({ heartWater }) => heartWater <= dry);
  return offBy(bakes, truthS < 0 ? undefined : truthS);
};
