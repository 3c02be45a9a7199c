import { doughOf, type Amount, type FormulaLine } from '../formula/index.js';
import { foodOf } from '../ingredient/index.js';
import {
  formatNumber,
  mul,
  JokulError,
  modelled,
  relation,
  requireNumber,
  sumFigure,
  type Figure,
  say,
} from '../shown/index.js';
import { enthalpy } from '../thermal/index.js';
import type { Mixer } from '../scaling/index.js';

/** Heat content of an ingredient, J/kg at °C: Choi-Okos from its composition, with the melting of milk fat. */
const heatOf = (line: FormulaLine) => {
  const dough = doughOf({ stages: [{ id: '', name: '', cue: '', lines: [line] }] });
  return (temperatureC: number) => enthalpy(dough, temperatureC);
};

/** What is known of a mixer's heat. Defaults follow the bowl; calibrate by logged doughs. */
export interface MixerHeat {
  readonly powerW: number;
  /** Share of the motor's power that ends as heat in the dough. */
  readonly efficiency: number;
  /** Steel of bowl and paddle that takes part, J/K. */
  readonly bowlJPerK: number;
}

/** Its motor as it is set up, else typical: 18 W of motor and 0.17 kg of steel a litre of bowl; a quarter of the power warms the dough. */
export const typicalMixerHeat = (mixer: Pick<Mixer, 'bowlL' | 'powerW'>): MixerHeat => ({
  powerW: mixer.powerW ?? 18 * mixer.bowlL,
  efficiency: 0.25,
  bowlJPerK: 0.17 * mixer.bowlL * 490 * 0.5,
});

/** One mixing: what goes in at which temperature, for how long it is worked. */
export interface Mixing {
  readonly amounts: readonly Amount[];
  readonly roomC: number;
  /** Ingredients that are not at room temperature: egg from the cold, chocolate kept cold, butter. */
  readonly temperaturesC: Readonly<Record<string, number>>;
  readonly bowlC?: number;
  readonly mixS: number;
  readonly heat: MixerHeat;
}

const friction = relation({
  name: say`Heat of the mixer`,
  symbol: 'E',
  unit: 'J',
  inputs: {
    P: { symbol: 'P', name: say`power of the motor`, unit: 'W', source: say`mixer; typical for its bowl` },
    t: { symbol: 't', name: say`time worked`, unit: 's', source: say`stages of the formula` },
    eta: {
      symbol: 'η',
      name: say`share that warms the dough`,
      unit: 'share',
      source: say`typical, then learned from logged doughs`,
    },
  },
  formula: ({ P, t, eta }) => mul(mul(P, t), eta),
  source: 'E = P t η',
});

export const frictionHeat = ({ heat, mixS }: Pick<Mixing, 'heat' | 'mixS'>): Figure =>
  friction({ P: heat.powerW, t: mixS, eta: heat.efficiency });

const check = (mixing: Mixing) => {
  requireNumber(mixing.roomC, say`The room`, -5, 45, '°C');
  requireNumber(mixing.mixS, say`The mixing time`, 0, 7200, 's');
  for (const [id, temperatureC] of Object.entries(mixing.temperaturesC)) {
    const line = mixing.amounts.find((amount) => amount.line.ingredientId === id)?.line;
    const { name } = foodOf(line ?? { ingredientId: id });
    requireNumber(temperatureC, say`The temperature of ${name.toLowerCase()}`, -25, 60, '°C');
  }
};

/** Heat that ingredients and bowl take up on the way to `doughC`, less the mixer's, J. Rises with `doughC`. */
const surplus = (mixing: Mixing, doughC: number): number => {
  const { amounts, temperaturesC, roomC, bowlC = roomC, heat, mixS } = mixing;
  const taken = amounts.reduce((sum, { line, mass }) => {
    const h = heatOf(line);
    return sum + (mass.value / 1000) * (h(doughC) - h(temperaturesC[line.ingredientId] ?? roomC));
  }, 0);
  return taken + heat.bowlJPerK * (doughC - bowlC) - heat.powerW * mixS * heat.efficiency;
};

/** The zero of a rising function between two bounds, by bisection; null when it has none there. */
const zeroOf = (f: (x: number) => number, low: number, high: number): number | null => {
  if (f(low) > 0 || f(high) < 0) return null;
  let [a, b] = [low, high];
  for (let i = 0; i < 50; i++) {
    const mid = (a + b) / 2;
    if (f(mid) < 0) a = mid;
    else b = mid;
  }
  return (a + b) / 2;
};

const balance = 'Σ m (h(T_d) − h(T)) + C_bowl (T_d − T_bowl) = E';
const source = say`heat balance of the mix; enthalpies after Choi and Okos (1986) with the melting of milk fat`;

const termsOf = (mixing: Mixing): Figure['terms'] => [
  ...mixing.amounts.map(({ line, name, mass }) => ({
    symbol: 'T',
    name: say`${name}, ${Math.round(mass.value)} g`,
    value: mixing.temperaturesC[line.ingredientId] ?? mixing.roomC,
    unit: '°C' as const,
    source: line.ingredientId in mixing.temperaturesC ? say`entered` : say`room`,
  })),
  {
    symbol: 'C',
    name: say`bowl and paddle`,
    value: mixing.heat.bowlJPerK,
    unit: 'J/K' as const,
    source: say`typical for the bowl`,
  },
  (() => {
    const shown = frictionHeat(mixing);
    return {
      symbol: 'E',
      name: shown.name.toLowerCase(),
      value: shown.value,
      unit: shown.unit,
      source: shown.source,
      shown,
    };
  })(),
];

/** Temperature of the dough that comes off the mixer, °C. @throws JokulError `out-of-range`, `not-computable` */
export const doughTemperature = (mixing: Mixing): Figure => {
  check(mixing);
  const value = zeroOf((t) => surplus(mixing, t), -20, 60);
  if (value === null)
    throw new JokulError(
      'not-computable',
      say`No dough temperature balances these figures.`,
      'temperaturesC',
    );
  return modelled({
    name: say`Dough off the mixer`,
    symbol: 'T_d',
    value,
    unit: '°C',
    relation: balance,
    terms: termsOf(mixing),
    source,
    note: say`Within about 1.5 K until the mixer has been calibrated by logged doughs.`,
  });
};

/**
 * Temperature that the butter must have so that the dough comes to `wantedC`; null when no workable butter does it
 * (below −5 or above 35 °C).
 */
export const butterTemperature = (mixing: Mixing, butterId: string, wantedC: number): Figure | null => {
  check(mixing);
  requireNumber(wantedC, say`The wanted dough temperature`, 5, 35, '°C');
  const at = (butterC: number): Mixing => ({
    ...mixing,
    temperaturesC: { ...mixing.temperaturesC, [butterId]: butterC },
  });
  // The warmer the butter, the more heat it brings: the balance falls.
  const value = zeroOf((butterC) => -surplus(at(butterC), wantedC), -5, 35);
  if (value === null) return null;
  return modelled({
    name: say`Butter for a dough of ${formatNumber(wantedC)} °C`,
    symbol: 'T_butter',
    value,
    unit: '°C',
    relation: balance,
    terms: termsOf(at(value)),
    source,
    note: say`Below about 16 °C butter does not cream, above 21 °C it holds no air: then change the bowl or the egg instead.`,
  });
};

/** A dough that was logged: how it was mixed, and what came off the mixer. */
export interface LoggedDough {
  readonly mixing: Mixing;
  readonly doughC: number;
}

const learned = (name: string, prior: number, values: readonly number[], weight: number): Figure =>
  sumFigure({
    name,
    symbol: 'η',
    unit: 'share',
    terms: [
      {
        symbol: 'w η₀',
        name: say`typical ${(prior * 100).toFixed(0)} %, counts as ${weight} doughs`,
        value: (weight * prior) / (weight + values.length),
        unit: 'share',
        source: say`typical`,
      },
      ...values.map((value, i) => ({
        symbol: 'η',
        name: say`dough ${i + 1}: ${(value * 100).toFixed(0)} %`,
        value: value / (weight + values.length),
        unit: 'share' as const,
        source: say`logged`,
      })),
    ],
    source: say`mean of the typical value and the logged ones, the typical one with a weight of its own`,
  });

/**
 * The mixer's heat share learned from logged doughs. One dough already helps, a wild one is held back (0.02 to 0.9).
 * @param weight how many doughs the typical value counts for
 */
export const learnEfficiency = (doughs: readonly LoggedDough[], prior = 0.25, weight = 2): Figure =>
  learned(
    say`Share of the motor that warms the dough`,
    prior,
    doughs
      .filter(({ mixing }) => mixing.mixS > 0)
      .map(({ mixing, doughC }) => {
        const cold = { ...mixing, heat: { ...mixing.heat, efficiency: 0 } };
        const share = surplus(cold, doughC) / (mixing.heat.powerW * mixing.mixS);
        return Math.min(0.9, Math.max(0.02, share));
      }),
    weight,
  );
