import {
  div,
  modelled,
  mul,
  pow,
  relation,
  requireNumber,
  sub,
  add,
  call,
  type Figure,
  say,
  counted,
} from '../shown/index.js';
import { checkSample } from './sample.js';
import { weighCheck, type WeighCheck } from './weigh-verdict.js';
import { studentT } from './student-t.js';

/** Tolerable deficiency T of a piece of nominal mass Q, g: OIML R 87 (2016), table for 5 to 500 g. */
export const tolerableDeficiency = (nominalG: number): number => {
  if (nominalG <= 50) return 0.09 * nominalG;
  if (nominalG <= 100) return 4.5;
  if (nominalG <= 200) return 0.045 * nominalG;
  return nominalG <= 300 ? 9 : 0.03 * nominalG;
};

/** How many pieces to weigh of a batch, and after how many pieces one. A bakery's form of a sample plan. */
export const samplePlan = (
  pieces: number,
): { readonly weigh: number; readonly first: number; readonly oneIn: number } => {
  requireNumber(pieces, say`The pieces of the batch`, 1, 1e6);
  const weigh = Math.min(50, Math.max(Math.min(5, pieces), Math.ceil(Math.sqrt(pieces))));
  const first = Math.min(3, weigh);
  return { weigh, first, oneIn: Math.max(1, Math.floor((pieces - first) / Math.max(1, weigh - first))) };
};

const correctedOf = relation({
  name: say`Mean with the doubt of the sample in its favour`,
  symbol: 'x̄ + k s',
  unit: 'g',
  inputs: {
    x: { symbol: 'x̄', name: say`mean of the sample`, unit: 'g' },
    t: { symbol: 't', name: say`Student's t, 99.5 %`, unit: '' },
    s: { symbol: 's', name: say`spread of the sample`, unit: 'g' },
    n: { symbol: 'n', name: say`pieces weighed`, unit: 'pieces' },
  },
  formula: ({ x, t, s, n }) => add(x, div(mul(t, s), call('sqrt', n))),
  source: say`after OIML R 87 (2016): the mean criterion`,
});
const piecesLost = relation({
  name: say`Pieces given away`,
  symbol: 'N',
  unit: 'pieces',
  inputs: {
    g: { symbol: 'g', name: say`given away per piece`, unit: 'g' },
    n: { symbol: 'n', name: say`pieces`, unit: 'pieces' },
    Q: { symbol: 'Q', name: say`target weight`, unit: 'g' },
  },
  formula: ({ g, n, Q }) => div(mul(g, n), Q),
  source: 'N = g n / Q',
});
const normalTail = (z: number): number => {
  // Abramowitz and Stegun (1964), 26.2.17.
  const x = Math.abs(z);
  const k = 1 / (1 + 0.2316419 * x);
  const poly =
    k * (0.31938153 + k * (-0.356563782 + k * (1.781477937 + k * (-1.821255978 + k * 1.330274429))));
  const tail = (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return z >= 0 ? tail : 1 - tail;
};

export interface CheckWeighing {
  readonly mean: Figure;
  readonly deviation: Figure | null;
  readonly giveaway: Figure;
  readonly corrected: Figure | null;
  /** Pieces outside the house tolerance. */
  readonly light: number;
  readonly heavy: number;
  /** Pieces short by more than T, and by more than 2 T. */
  readonly shortByT: number;
  readonly shortBy2T: number;
  readonly tolerableG: number;
  /** Share of all pieces outside the house tolerance, if weights are normally spread; null for a single piece. */
  readonly outside: Figure | null;
  readonly lostPerBatch: Figure;
  /** Whether the sample passes: no piece short by 2 T, few by T, and the mean not short beyond its doubt. */
  readonly passes: boolean;
  readonly advice: string;
}

/** Share of the pieces further from the target than the tolerance, for normally spread weights. */
const outsideOf = (mean: Figure, deviation: Figure, targetG: number, toleranceG: number): Figure => {
  const s = deviation.value;
  const value =
    s === 0
      ? Number(Math.abs(mean.value - targetG) > toleranceG)
      : normalTail((targetG + toleranceG - mean.value) / s) +
        normalTail((mean.value - targetG + toleranceG) / s);
  return modelled({
    name: say`Share outside the tolerance`,
    symbol: 'P',
    value,
    unit: 'share',
    relation: say`${'P = Φ((x̄ − Q − T) / s) + Φ((Q − T − x̄) / s)'}, Φ the normal distribution`,
    terms: [
      {
        symbol: 'x̄',
        name: mean.name.toLowerCase(),
        value: mean.value,
        unit: 'g',
        source: mean.source,
        shown: mean,
      },
      {
        symbol: 's',
        name: say`spread of the sample`,
        value: s,
        unit: 'g',
        source: deviation.source,
        shown: deviation,
      },
      { symbol: 'Q', name: say`target weight`, value: targetG, unit: 'g', source: say`formula` },
      { symbol: 'T', name: say`tolerance`, value: toleranceG, unit: 'g', source: say`house rules` },
    ],
    source: say`normal distribution; Abramowitz and Stegun (1964), 26.2.17`,
    note: say`From few pieces it is a rough guess.`,
  });
};

/** Pieces that a deviation of each costs over a number of pieces; below zero, so many more come out. */
export const piecesGivenAway = (giveaway: Figure, pieces: number, targetG: number): Figure =>
  piecesLost({ g: giveaway, n: pieces, Q: targetG });

/** What the sample proves where nothing is plainly wrong: no more than that. */
const sayProved = ({ verdict, meanRangeG: [low, high], beyondTwice, morePieces }: WeighCheck): string => {
  const range = say`the mean lies between ${low.toFixed(1)} and ${high.toFixed(1)} g`;
  if (verdict === 'on-target') return say`Even and on target: ${range}.`;
  if (beyondTwice > 0)
    return say`${beyondTwice} ${counted(beyondTwice, 'piece', 'pieces')} further off than twice the tolerance: look at the whole tray.`;
  return morePieces === null
    ? say`Not decided: ${range}. The pieces are too uneven for the mean to be known.`
    : say`Not decided yet: ${range}. Weigh ${morePieces} more ${counted(morePieces, 'piece', 'pieces')}.`;
};

/**
 * Check weighing of a batch after the principles of OIML R 87 and NIST Handbook 133, in a form for a bakery.
 * @param samplesG in the order weighed
 * @param toleranceG house tolerance of a piece, either way
 */
export const checkWeighing = (
  samplesG: readonly number[],
  targetG: number,
  toleranceG: number,
  pieces: number,
): CheckWeighing | null => {
  const sample = checkSample(samplesG, targetG, toleranceG);
  if (!sample) return null;
  const { mean, deviation, giveaway } = sample;
  const T = tolerableDeficiency(targetG);
  const shortByT = samplesG.filter((x) => x < targetG - T).length;
  const shortBy2T = samplesG.filter((x) => x < targetG - 2 * T).length;
  const n = samplesG.length;
  const corrected = deviation ? correctedOf({ x: mean, t: studentT(0.995, n - 1), s: deviation, n }) : null;
  const outside = deviation && outsideOf(mean, deviation, targetG, toleranceG);
  const lostPerBatch = piecesGivenAway(giveaway, pieces, targetG);
  const proved = weighCheck(samplesG, targetG, toleranceG, Math.max(n, Math.round(pieces)));
  const passes = proved.passes && shortBy2T === 0;
  const lost = Math.round(Math.abs(lostPerBatch.value));
  const g = Math.abs(giveaway.value).toFixed(1);
  const { verdict } = proved;
  const advice =
    shortBy2T > 0
      ? say`${shortBy2T} ${counted(shortBy2T, 'piece', 'pieces')} far too light (below ${(targetG - 2 * T).toFixed(1)} g): weigh all of this tray again.`
      : verdict === 'light'
        ? say`${g} g light on the mean: fill the scoop. ${lost} ${counted(lost, 'piece', 'pieces')} more come out of the batch, each too light.`
        : verdict === 'heavy'
          ? say`${g} g heavy: ${lost} ${counted(lost, 'piece', 'pieces')} lost per batch. Level the scoop.`
          : verdict === 'uneven' && proved.beyondTwice === 0
            ? say`Too uneven: ${proved.beyondTolerance} of ${n} pieces are outside ± ${toleranceG.toFixed(1)} g. They will not bake alike; weigh one in five until it is even.`
            : sayProved(proved);
  return {
    mean,
    deviation,
    giveaway,
    corrected,
    light: sample.light.length,
    heavy: sample.heavy.length,
    shortByT,
    shortBy2T,
    tolerableG: T,
    outside,
    lostPerBatch,
    passes,
    advice,
  };
};

const spreadOf = relation({
  name: say`Bake time of a piece that is off`,
  symbol: "t'",
  unit: 's',
  inputs: {
    t: { symbol: 't', name: say`bake time of the target weight`, unit: 's', source: say`bake model` },
    m: { symbol: 'm', name: say`its weight`, unit: 'g' },
    Q: { symbol: 'Q', name: say`target weight`, unit: 'g' },
    x: {
      symbol: 'x',
      name: say`exponent of the weight`,
      unit: '',
      source: say`bake model, from two weights`,
    },
  },
  formula: ({ t, m, Q, x }) => mul(t, pow(div(m, Q), x)),
  source: say`${"t' = t (m / Q)^x"}, fitted to two bakes of the model`,
});

/** What uneven pieces do to the bake: when the lightest and the heaviest of a sample would want to be pulled. */
export const timeSpread = (
  samplesG: readonly number[],
  targetG: number,
  pullS: number,
  exponent: number,
): { readonly lightest: Figure; readonly heaviest: Figure } | null => {
  if (samplesG.length === 0) return null;
  const at = (m: number) => spreadOf({ t: pullS, m, Q: targetG, x: exponent });
  return { lightest: at(Math.min(...samplesG)), heaviest: at(Math.max(...samplesG)) };
};

const lossOf = relation({
  name: say`Not accounted for`,
  symbol: 'Δ',
  unit: 'g',
  inputs: {
    M: { symbol: 'M', name: say`dough mixed`, unit: 'g', source: say`weighed` },
    n: { symbol: 'n', name: say`pieces counted`, unit: 'pieces' },
    x: { symbol: 'x̄', name: say`mean weight of a piece`, unit: 'g' },
    r: { symbol: 'r', name: say`left over`, unit: 'g' },
  },
  formula: ({ M, n, x, r }) => sub(sub(M, mul(n, x)), r),
  source: say`mass balance of bowl, scoop and bench`,
});
/** Dough that is neither in pieces nor left over: what stayed in the bowl, on the scoop and on the bench. */
export const unaccounted = (
  mixedG: number,
  pieces: number,
  meanG: number | Figure,
  remainderG: number,
): Figure => lossOf({ M: mixedG, n: pieces, x: meanG, r: remainderG });
