import { limitOf, type LimitKey, type OwnLimits } from '../limits/index.js';
import { leaveningOf, meltedButterShare, standardMethod, type Formula } from '../formula/index.js';

/** How a dough was worked, as far as the bake answers to it. */
export interface Process {
  /** Butter melted or browned instead of creamed; creamed long, short or as usual. */
  readonly cream: 'short' | 'standard' | 'long' | 'melted';
  /** Share of the butter that goes in melted beside what is creamed; none where left out. */
  readonly meltedShare?: number;
  /** Rest in the cold before the bake, s. */
  readonly restS: number;
  /** Base beyond its acid, mmol per kg of dough. */
  readonly baseLeftMmolPerKg: number;
  /** Gas of the leavening, mL per kg of dough. */
  readonly gasMlPerKg: number;
  /** Rolled in sugar or seeds. */
  readonly coated: boolean;
}

/** The process that the parameters were tuned to: it changes nothing. */
export const usualProcess: Process = {
  cream: 'standard',
  restS: 3 * 3600,
  baseLeftMmolPerKg: 15,
  gasMlPerKg: 900,
  coated: false,
};

export const processOf = (formula: Formula): Process => {
  const { left, gas } = leaveningOf(formula);
  const share = meltedButterShare(formula);
  return {
    cream: share === 1 ? 'melted' : (formula.method ?? standardMethod).cream,
    restS: formula.rest.form === 'none' ? 0 : formula.rest.bestS,
    baseLeftMmolPerKg: left.value,
    gasMlPerKg: gas.value,
    ...(share > 0 && share < 1 && { meltedShare: share }),
    coated: formula.toppings.some(({ on = 'coat' }) => on === 'coat'),
  };
};

/** Factors that a process puts on the bake's parameters. */
export interface ProcessFactors {
  readonly stiffness: number;
  readonly colour: number;
  readonly lift: number;
}

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
const creamed = {
  short: ['shortStiffness', 'shortLift'],
  long: ['longStiffness', 'longLift'],
  melted: ['meltedStiffness', 'meltedLift'],
} as const satisfies Readonly<Record<Exclude<Process['cream'], 'standard'>, readonly [LimitKey, LimitKey]>>;
const day = 86_400;

/**
 * What is commonly known of each lever, with sizes that are estimates (directions after Pyler and Gorton, 2008) where the
 * house sets none of its own:
 * - melted butter spreads (ln η −0.35), long creaming a little (−0.1), short less (+0.08);
 * - a day's rest stiffens as the flour takes up the water (ln η +0.1) and deepens the colour (+10 %), both levelling off;
 * - base that meets no acid browns (+0.4 % per mmol/kg) and spreads (ln η −0.4 % per mmol/kg), against 15 mmol/kg;
 * - gas lifts with the fourth root of its amount against 900 mL/kg;
 * - a coat of sugar or seeds holds the colour back by 5 %.
 * Calibration by the bakery's own bakes comes on top and corrects them.
 */
export const processFactors = (process: Process, own?: OwnLimits): ProcessFactors => {
  const of = (key: LimitKey) => limitOf(own, key);
  const rested = (seconds: number) => 1 - Math.exp(-seconds / (0.7 * day));
  const rest = rested(clamp(process.restS, 0, 10 * day)) - rested(usualProcess.restS);
  const tens = (clamp(process.baseLeftMmolPerKg, -25, 60) - usualProcess.baseLeftMmolPerKg) / 10;
  const gas = clamp(process.gasMlPerKg, 100, 3000) / usualProcess.gasMlPerKg;
  const ofCream = (cream: Process['cream']) =>
    cream === 'standard' ? ([1, 1] as const) : ([of(creamed[cream][0]), of(creamed[cream][1])] as const);
  const share = process.cream === 'melted' ? 0 : clamp(process.meltedShare ?? 0, 0, 1);
  // Of butter that is half melted, half does what melted butter does.
  const [stiffness, lift] = [0, 1].map(
    (i) => (ofCream(process.cream)[i] ?? 1) ** (1 - share) * (ofCream('melted')[i] ?? 1) ** share,
  );
  return {
    stiffness: (stiffness ?? 1) * of('restedStiffness') ** rest * of('baseStiffness') ** tens,
    colour: of('restedColour') ** rest * of('baseColour') ** tens * (process.coated ? of('coatColour') : 1),
    lift: (lift ?? 1) * gas ** 0.25,
  };
};
