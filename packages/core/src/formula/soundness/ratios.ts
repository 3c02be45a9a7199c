import { limitOf, type OwnLimits } from '../../limits/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { leaveningOf, partsOfDough, perBodyFigure } from '../balance.js';
import type { Formula } from '../formula.js';
import type { Finding } from './finding.js';

const outside = (value: number, [low, high]: readonly [number, number]) => value < low || value > high;

/** What counts as the fat, the sugar and the water of a dough; what is only stirred in counts for none. */
const ratiosOf = (formula: Formula) => ({
  fat: perBodyFigure(formula, say`Fat`, ({ kind, composition }) =>
    kind === 'butter' || kind === 'fat' ? composition.fat : 0,
  ),
  sugars: perBodyFigure(formula, say`Sugars`, ({ kind, analysis }) =>
    kind === 'sugar' || kind === 'syrup' ? analysis.sugars + analysis.starch : 0,
  ),
  water: perBodyFigure(formula, say`Water`, ({ kind, composition }) =>
    kind === 'flour' || kind === 'inclusion' || kind === 'leavening' ? 0 : composition.water,
  ),
});

type Ratio = 'fat' | 'sugars' | 'water';

const ratioNames: Readonly<Record<Ratio, string>> = { fat: say`Fat`, sugars: say`Sugars`, water: say`Water` };

const effects: Readonly<Record<Ratio, readonly [string, string]>> = {
  fat: [say`short of fat: dry, little spread`, say`rich: it spreads and feels greasy`],
  sugars: [
    say`low in sugar: pale, little spread, bread-like`,
    say`high in sugar: it runs, browns early and sets hard`,
  ],
  water: [say`short of water: crumbly`, say`wet: cakey, slow to bake`],
};

export const ratioFindings = (formula: Formula, own?: OwnLimits): readonly Finding[] => {
  const ratios = ratiosOf(formula);
  const sugars = ratios.sugars.value;
  const holds =
    limitOf(own, 'fatHolds') +
    limitOf(own, 'fatHoldsPerSugar') * Math.max(0, sugars - limitOf(own, 'fatHoldsFromSugar'));
  const nutFat = partsOfDough(formula).some(({ food }) => food.kind === 'nut-butter');
  const ranges: Readonly<Record<Ratio, readonly [number, number]>> = {
    sugars: [limitOf(own, 'sugarsLow'), limitOf(own, 'sugarsHigh')],
    water: [limitOf(own, 'waterLow'), limitOf(own, 'waterHigh')],
    // Nut butter brings fat of its own.
    fat: [nutFat ? 0 : limitOf(own, 'fatLow'), Math.min(limitOf(own, 'fatHigh'), Math.round(holds))],
  };
  return (['fat', 'sugars', 'water'] as const)
    .filter((name) => outside(ratios[name].value, ranges[name]))
    .map((name) => ({
      code: `ratio-${name}`,
      level: 'mind' as const,
      sentence: say`${ratioNames[name]}: ${formatNumber(ratios[name].value)} per 100 of flour and what binds like it; usual is ${ranges[name][0]} to ${ranges[name][1]}. The dough is ${effects[name][ratios[name].value < ranges[name][0] ? 0 : 1]}.`,
      figures: { value: ratios[name].value, low: ranges[name][0], high: ranges[name][1] },
      figure: ratios[name],
    }));
};

/** A dough that is made to rise, and has neither egg nor enough other water to bind it. */
export const bindingFindings = (formula: Formula, own?: OwnLimits): readonly Finding[] => {
  const has = (kind: string) => partsOfDough(formula).some(({ food }) => food.kind === kind);
  const { water, sugars } = ratiosOf(formula);
  if (has('egg') || leaveningOf(formula).gas.value < limitOf(own, 'gasLow')) return [];
  // Little sugar: a shortbread with a little powder in it.
  if (water.value >= limitOf(own, 'bindingWater') || sugars.value < 50) return [];
  return [
    {
      code: 'nothing-binds',
      level: 'mind',
      sentence: say`No egg, and only ${formatNumber(water.value)} of water per 100 of flour and what binds like it: was the egg left out? Without one, milk, yoghurt, fruit puree or syrup binds.`,
      figures: { water: water.value },
      figure: water,
    },
  ];
};
