import { div, formatNumber, mul, relation, sub, type Figure, say } from '../shown/index.js';
import type { WeighLine, WeighSheet } from '../scaling/index.js';

const factorOf = relation({
  name: say`Everything scaled to what is in the bowl`,
  symbol: 'f',
  unit: '',
  inputs: {
    a: { symbol: 'a', name: say`as weighed`, unit: 'g' },
    t: { symbol: 't', name: say`target`, unit: 'g' },
  },
  formula: ({ a, t }) => div(a, t),
  source: say`${'f = a / t'}: the ratios of the formula are kept`,
});
const newTotal = relation({
  name: say`Dough after scaling`,
  symbol: "M'",
  unit: 'g',
  inputs: {
    M: { symbol: 'M', name: say`dough as planned`, unit: 'g' },
    f: { symbol: 'f', name: say`factor`, unit: '' },
  },
  formula: ({ M, f }) => mul(M, f),
  source: "M' = M f",
});
const overOf = relation({
  name: say`Over the target`,
  symbol: 'Δ',
  unit: 'g',
  inputs: {
    a: { symbol: 'a', name: say`as weighed`, unit: 'g' },
    t: { symbol: 't', name: say`target`, unit: 'g' },
  },
  formula: ({ a, t }) => sub(a, t),
  source: say`difference`,
});
const acceptedOf = relation({
  name: say`Share of the target`,
  symbol: 'q',
  unit: '%',
  inputs: {
    a: { symbol: 'a', name: say`as weighed`, unit: 'g' },
    t: { symbol: 't', name: say`target`, unit: 'g' },
  },
  formula: ({ a, t }) => div(mul(100, a), t),
  source: 'q = 100 a / t',
});

/** What to add of an ingredient that was weighed already, when everything is scaled. */
export interface TopUp {
  readonly key: string;
  readonly name: string;
  readonly addG: number;
}

export type CorrectionKind = 'scale' | 'take-out' | 'top-up' | 'accept';

export interface Correction {
  readonly kind: CorrectionKind;
  readonly possible: boolean;
  readonly sentence: string;
  readonly figure: Figure;
  /** For `scale`: the factor on all targets, and what the ingredients that are weighed already want more. */
  readonly factor?: number;
  readonly topUps?: readonly TopUp[];
}

/** Above this factor a correction by scaling makes another batch, not a correction. */
const mostScaling = 1.35;

const scaledUp = (factor: number, totalG: number, topUps: readonly TopUp[]): string => {
  const more = formatNumber(100 * (factor - 1));
  const total = formatNumber(totalG);
  const needs = topUps
    .map(({ name, addG }) => say`${name.toLowerCase()} +${formatNumber(addG)} g`)
    .join(', ');
  return needs
    ? say`Scale everything else +${more} %: the dough becomes ${total} g, and what is already in needs more: ${needs}.`
    : say`Scale everything else +${more} %: the dough becomes ${total} g.`;
};

/**
 * What can be done about an ingredient over or under its target, with the arithmetic of each; the best first.
 * @param weighedG what each line of the sheet has come to so far, g by key
 * @param maxMassG most dough that the bowl may hold, g
 * @param inBowl whether it fell onto other ingredients, so that it cannot be taken out cleanly
 */
export const correctionsFor = (
  sheet: WeighSheet,
  line: WeighLine,
  actualG: number,
  weighedG: Readonly<Record<string, number>>,
  maxMassG: number,
  inBowl = false,
): readonly Correction[] => {
  const over = overOf({ a: actualG, t: line.roundedG });
  const accept = (): Correction => {
    const figure = acceptedOf({ a: actualG, t: line.roundedG });
    return {
      kind: 'accept',
      possible: true,
      figure,
      sentence:
        over.value > 0
          ? say`Accept it: ${line.name.toLowerCase()} is ${formatNumber(figure.value)} % of the formula’s amount, the dough ${formatNumber(over.value)} g heavier.`
          : say`Accept it: ${line.name.toLowerCase()} is ${formatNumber(figure.value)} % of the formula’s amount, the dough ${formatNumber(-over.value)} g lighter.`,
    };
  };
  if (over.value < 0)
    return [
      {
        kind: 'top-up',
        possible: true,
        figure: over,
        sentence: say`Add the ${formatNumber(-over.value)} g that are missing.`,
      },
      accept(),
    ];
  const factor = factorOf({ a: actualG, t: line.roundedG });
  const total = newTotal({ M: sheet.exactTotalG, f: factor });
  const fits = total.value <= maxMassG;
  const topUps = sheet.lines
    .filter(({ key }) => key !== line.key && weighedG[key] !== undefined)
    .map(({ key, name, roundedG }) => ({ key, name, addG: roundedG * factor.value - (weighedG[key] ?? 0) }))
    .filter(({ addG }) => addG > 0);
  return [
    {
      kind: 'take-out',
      possible: !inBowl,
      figure: over,
      sentence: inBowl
        ? say`It lies on other ingredients and cannot be taken out cleanly.`
        : say`Take ${formatNumber(over.value)} g out again.`,
    },
    {
      kind: 'scale',
      possible: fits && factor.value <= mostScaling,
      figure: total,
      factor: factor.value,
      topUps,
      sentence: !fits
        ? say`Scaling everything else would make ${formatNumber(total.value)} g; the bowl holds ${formatNumber(maxMassG)} g.`
        : factor.value > mostScaling
          ? say`Scaling everything else would make the batch ${formatNumber(factor.value)} times as large.`
          : scaledUp(factor.value, total.value, topUps),
    },
    accept(),
  ];
};

/** What may be given to a dough that is off, before it is another dough: limits are house defaults. */
export const doughLimits = { liquidShareOfFlour: 0.03, spoonG: 5 } as const;

export interface DoughAdvice {
  readonly sentence: string;
  /** Liquid that may still be given, g; 0 when it is not the cure. */
  readonly liquidG: number;
}

/**
 * What to do about a dough that is dry and crumbly, or loose and shiny.
 * @param givenG liquid given already as a correction, g
 */
export const doughAdvice = (
  look: 'crumbly' | 'loose',
  flourG: number,
  doughC: number,
  givenG: number,
): DoughAdvice => {
  if (look === 'loose')
    return {
      liquidG: 0,
      sentence:
        doughC > 24
          ? say`Warm, at ${formatNumber(doughC)} °C: the fat runs. Rest it cold; give no flour.`
          : say`Loose at ${formatNumber(doughC)} °C: look for egg or liquid weighed over. Rest it cold half an hour before you judge; give no flour.`,
    };
  const most = doughLimits.liquidShareOfFlour * flourG;
  const left = Math.max(0, most - givenG);
  return {
    liquidG: left,
    sentence:
      left < doughLimits.spoonG / 2
        ? say`The limit of ${formatNumber(most)} g is given. Still crumbly: too much flour, or an egg is missing. Check the sheet, do not add more.`
        : say`Most likely too much flour. Give milk or water by the spoon (${doughLimits.spoonG} g), ${formatNumber(left)} g at the most, and mix just until it holds.`,
  };
};
