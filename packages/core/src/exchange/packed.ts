import type { Ingredient } from '../ingredient/index.js';
import { volumeUnitsMl } from '../quantity/index.js';
import { formatNumber, mul, relation, type Figure, say } from '../shown/index.js';
import type { LineAnswer, LineQuestion, ReadSettings, SchoolName } from './answers.js';
import { sayPacking } from './measure-words.js';
import { unitIn, type Measures } from './words.js';
import type { WrittenLine } from './written-line.js';

/** Grams from a mass in any unit. */
export const ofMass = relation({
  name: say`Mass as written`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: say`amount`, unit: '', source: say`recipe` },
    u: { symbol: 'u', name: say`grams of the unit`, unit: 'g', source: say`definition of the unit` },
  },
  formula: ({ n, u }) => mul(n, u),
  source: 'm = n u',
});

export const ofVolume = relation({
  name: say`Mass of a volume`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: say`amount`, unit: '', source: say`recipe` },
    v: { symbol: 'v', name: say`volume of one measure`, unit: 'mL', source: say`definition of the measure` },
    f: { symbol: 'f', name: say`filling, level = 1`, unit: '' },
    rho: { symbol: 'ρ', name: say`bulk density as packed`, unit: 'g/mL' },
  },
  formula: ({ n, v, f, rho }) => mul(mul(mul(n, v), f), rho),
  source: 'm = n v f ρ',
});

export const ofPieces = relation({
  name: say`Mass of pieces`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: say`amount`, unit: '', source: say`recipe` },
    p: { symbol: 'p', name: say`grams of one`, unit: 'g' },
  },
  formula: ({ n, p }) => mul(n, p),
  source: 'm = n p',
});

/** Packings of one ingredient that differ by more than this are asked about, g/g. */
const tellApart = 0.1;

const schoolOf = ({ id, kind, densityGPerMl }: Ingredient): SchoolName | null => {
  if (id === 'cocoa-powder' || id === 'dutch-cocoa') return 'cocoa';
  if (kind === 'sugar' && 'packed' in densityGPerMl) return 'brown sugar';
  return kind === 'flour' && 'spooned' in densityGPerMl ? 'flour' : null;
};

interface Packed {
  readonly packing: string;
  readonly rho: number;
  readonly source: string;
  readonly uncertain?: string;
}

const cupMl = (measures: Measures) => volumeUnitsMl[unitIn('cup', measures)];

export const packed = (
  food: Ingredient,
  line: WrittenLine,
  answer: LineAnswer,
  settings: ReadSettings,
): Packed | LineQuestion => {
  const all = Object.entries(food.densityGPerMl);
  const of = (packing: string): Packed => ({
    packing,
    rho: food.densityGPerMl[packing] ?? Number.NaN,
    source: `${food.name}, ${sayPacking(packing)}: ${food.source}`,
  });
  if (answer.packing !== undefined && Object.hasOwn(food.densityGPerMl, answer.packing))
    return of(answer.packing);
  const said = line.packings.find((packing) => packing in food.densityGPerMl);
  if (said) return of(said);
  const school = schoolOf(food);
  const chosen = school ? settings.schools[school] : undefined;
  if (typeof chosen === 'number')
    return {
      packing: 'own',
      rho: chosen / cupMl(settings.measures),
      source: say`own cup of ${formatNumber(chosen)} g`,
    };
  if (typeof chosen === 'string' && Object.hasOwn(food.densityGPerMl, chosen)) return of(chosen);
  const laterOn = all.filter(([packing]) => line.afterwards.includes(packing));
  const [asIs, ...others] = all.filter((one) => !laterOn.includes(one));
  if (asIs && others.length === 0 && laterOn[0])
    return { ...of(asIs[0]), uncertain: say`measured before it is ${sayPacking(laterOn[0][0])}` };
  const [first, second] = all;
  if (!first) return { packing: '', rho: Number.NaN, source: '' };
  const densities = all.map(([, rho]) => rho);
  if (second && Math.max(...densities) / Math.min(...densities) - 1 > tellApart)
    return {
      about: 'packing',
      sentence: say`${food.name}: how was the cup filled? It matters: ${all.map(([name, rho]) => say`${sayPacking(name)} it holds ${Math.round(rho * cupMl(settings.measures))} g`).join(', ')}.`,
      choices: all.map(([packing, rho]) => ({
        label: say`${sayPacking(packing)}, ${Math.round(rho * cupMl(settings.measures))} g a cup`,
        answer: { packing },
      })),
    };
  return { ...of(first[0]), ...(second && { uncertain: say`taken as ${sayPacking(first[0])}` }) };
};

export interface Weighed {
  readonly figure: Figure;
  readonly range: readonly [number, number];
  readonly packing?: string;
  readonly uncertain: readonly string[];
}
