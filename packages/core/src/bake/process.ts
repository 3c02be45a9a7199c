import { leaveningOf, standardMethod, type Formula } from '../formula/index.js';

/** How a dough was worked, as far as the bake answers to it. */
export interface Process {
  /** Butter melted or browned instead of creamed; creamed long, short or as usual. */
  readonly cream: 'short' | 'standard' | 'long' | 'melted';
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
  return {
    cream: (formula.method ?? standardMethod).cream,
    restS: formula.rest.form === 'none' ? 0 : formula.rest.bestS,
    baseLeftMmolPerKg: left.value,
    gasMlPerKg: gas.value,
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
const creamLn = { short: 0.08, standard: 0, long: -0.1, melted: -0.35 } as const;
const creamLift = { short: 0.97, standard: 1, long: 1.04, melted: 0.92 } as const;
const day = 86_400;

/**
 * What is commonly known of each lever, with sizes that are estimates (directions after Pyler and Gorton, 2008):
 * - melted butter spreads (ln η −0.35), long creaming a little (−0.1), short less (+0.08);
 * - a day's rest stiffens as the flour takes up the water (ln η +0.1) and deepens the colour (+10 %), both levelling off;
 * - base that meets no acid browns (+0.4 % per mmol/kg) and spreads (ln η −0.4 % per mmol/kg), against 15 mmol/kg;
 * - gas lifts with the fourth root of its amount against 900 mL/kg;
 * - a coat of sugar or seeds holds the colour back by 5 %.
 * Calibration by the bakery's own bakes comes on top and corrects them.
 */
export const processFactors = (process: Process): ProcessFactors => {
  const rested = (seconds: number) => 1 - Math.exp(-seconds / (0.7 * day));
  const rest = rested(clamp(process.restS, 0, 10 * day)) - rested(usualProcess.restS);
  const base = clamp(process.baseLeftMmolPerKg, -25, 60) - usualProcess.baseLeftMmolPerKg;
  const gas = clamp(process.gasMlPerKg, 100, 3000) / usualProcess.gasMlPerKg;
  return {
    stiffness: Math.exp(creamLn[process.cream] + 0.16 * rest - 0.004 * base),
    colour: Math.exp(0.14 * rest + 0.004 * base) * (process.coated ? 0.95 : 1),
    lift: creamLift[process.cream] * gas ** 0.25,
  };
};
