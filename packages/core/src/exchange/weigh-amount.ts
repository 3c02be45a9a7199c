import type { Ingredient } from '../ingredient/index.js';
import { massUnitsG, volumeUnitsMl, type MassUnit } from '../quantity/index.js';
import { formatNumber, mul, relation, type Figure } from '../shown/index.js';
import type { Choice, LineAnswer, LineQuestion, ReadSettings, SchoolName } from './answers.js';
import type { WrittenAmount } from './read-amount.js';
import type { WrittenLine } from './written-line.js';
import { fills, specks, unitIn, type Measures } from './words.js';

/** Grams from a mass in any unit. */
export const ofMass = relation({
  name: 'Mass as written',
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: 'amount', unit: '', source: 'recipe' },
    u: { symbol: 'u', name: 'grams of the unit', unit: 'g', source: 'definition of the unit' },
  },
  formula: ({ n, u }) => mul(n, u),
  source: 'm = n u',
});
const ofVolume = relation({
  name: 'Mass of a volume',
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: 'amount', unit: '', source: 'recipe' },
    v: { symbol: 'v', name: 'volume of one measure', unit: 'mL', source: 'definition of the measure' },
    f: { symbol: 'f', name: 'filling, level = 1', unit: '' },
    rho: { symbol: 'ρ', name: 'bulk density as packed', unit: 'g/mL' },
  },
  formula: ({ n, v, f, rho }) => mul(mul(mul(n, v), f), rho),
  source: 'm = n v f ρ',
});
const ofPieces = relation({
  name: 'Mass of pieces',
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: 'amount', unit: '', source: 'recipe' },
    p: { symbol: 'p', name: 'grams of one', unit: 'g' },
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

const packed = (
  food: Ingredient,
  line: WrittenLine,
  answer: LineAnswer,
  settings: ReadSettings,
): Packed | LineQuestion => {
  const all = Object.entries(food.densityGPerMl);
  const of = (packing: string): Packed => ({
    packing,
    rho: food.densityGPerMl[packing] ?? Number.NaN,
    source: `${food.name}, ${packing}: ${food.source}`,
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
      source: `own cup of ${formatNumber(chosen)} g`,
    };
  if (typeof chosen === 'string' && Object.hasOwn(food.densityGPerMl, chosen)) return of(chosen);
  const [first, second] = all;
  if (!first) return { packing: '', rho: Number.NaN, source: '' };
  const densities = all.map(([, rho]) => rho);
  if (second && Math.max(...densities) / Math.min(...densities) - 1 > tellApart)
    return {
      about: 'packing',
      sentence: `${food.name}: how was the cup filled? It matters: ${all.map(([name, rho]) => `${name} it holds ${Math.round(rho * cupMl(settings.measures))} g`).join(', ')}.`,
      choices: all.map(([packing, rho]) => ({
        label: `${packing}, ${Math.round(rho * cupMl(settings.measures))} g a cup`,
        answer: { packing },
      })),
    };
  return { ...of(first[0]), ...(second && { uncertain: `taken as ${first[0]}` }) };
};

export interface Weighed {
  readonly figure: Figure;
  readonly range: readonly [number, number];
  readonly packing?: string;
  readonly uncertain: readonly string[];
}

/** A size as people write it: `eu-m` is "EU M". */
export const sayPiece = (size: string): string =>
  size.startsWith('eu-') ? `EU ${size.slice(3).toUpperCase()}` : size;

const sizeChoices = (food: Ingredient): readonly Choice[] =>
  Object.entries(food.pieceG).map(([size, grams]) => ({
    label: `${sayPiece(size)}, ${grams} g`,
    answer: { size },
  }));

const euSizes: Readonly<Record<string, string>> = {
  small: 'eu-s',
  medium: 'eu-m',
  large: 'eu-l',
  'extra-large': 'eu-xl',
};
/** "Large" is another egg where cups are metric or imperial than where they are American: sizes there go by the European classes. */
const eggSizeIn = (size: string | undefined, measures: ReadSettings['measures']): string | undefined =>
  size !== undefined && measures !== 'us' ? (euSizes[size] ?? size) : size;

const pieceOf = (
  food: Ingredient,
  line: WrittenLine,
  answer: LineAnswer,
  settings: ReadSettings,
): { size: string; grams: number; said: boolean } | LineQuestion => {
  // A stick is a measure of its own: "Butter 250" is no number of sticks.
  const sizes = Object.keys(food.pieceG).filter((name) => name !== 'stick');
  const named = sizes.find((size) => new RegExp(`\\b${size}\\b`, 'i').test(line.text));
  const written = food.kind === 'egg' ? eggSizeIn(line.size, settings.measures) : (named ?? line.size);
  const wanted = [answer.size, written, food.kind === 'egg' ? settings.eggSize : undefined].find(
    (size) => size !== undefined && Object.hasOwn(food.pieceG, size),
  );
  const size = wanted ?? (sizes.length === 1 ? sizes[0] : undefined);
  if (size !== undefined)
    return {
      size,
      grams: food.pieceG[size] ?? Number.NaN,
      said: wanted === answer.size || (wanted === (named ?? line.size) && wanted === written),
    };
  if (sizes.length > 1)
    return {
      about: 'size',
      sentence: `Which size of ${food.name.toLowerCase()}?`,
      choices: sizeChoices(food),
    };
  return {
    about: 'amount',
    sentence: `How many grams is one ${food.name.toLowerCase()}, or the whole amount? Pieces of it have no set weight.`,
    choices: [],
  };
};

/** Grains differ so much that a spoon of them is a range: shares of the typical weight. */
const loosePacked: Readonly<Record<string, readonly [number, number]>> = {
  'kosher-salt': [0.6, 1.3],
  'flaked-salt': [0.4, 1.4],
};

/** More pieces than this in a recipe are grams whose unit is missing. */
const mostPieces = 30;

/** A figure without a unit, of something that is not counted, or of more than anyone counts. */
export const isBare = ({ low, unit }: WrittenAmount, food: Ingredient): boolean => {
  if (unit.kind !== 'piece') return false;
  const counted = Object.keys(food.pieceG).some((name) => name !== 'stick');
  // Half an egg is counted, 0.11 of one is not.
  return !counted || low >= mostPieces || (low * 4) % 1 !== 0;
};

export const isQuestion = (x: object): x is LineQuestion => 'about' in x;

const sized = (figure: Figure, range: readonly [number, number] = [1, 1]) =>
  [figure.value * range[0], figure.value * range[1]] as const;

/** An amount of a known ingredient, with all that its grams may hang on. */
interface Asked {
  readonly amount: WrittenAmount;
  /** So many of its unit. */
  readonly n: number;
  readonly food: Ingredient;
  readonly line: WrittenLine;
  readonly answer: LineAnswer;
  readonly settings: ReadSettings;
}

type Measure = Extract<WrittenAmount['unit'], { readonly kind: 'volume' | 'speck' }>;

const byMeasure = (
  { amount, n, food, line, answer, settings }: Asked,
  unit: Measure,
): Weighed | LineQuestion => {
  const fit = packed(food, line, answer, settings);
  if (isQuestion(fit)) return fit;
  const fill = amount.fill ? fills[amount.fill] : undefined;
  const speck = unit.kind === 'speck' ? specks[unit.name] : undefined;
  const ml =
    unit.kind === 'speck'
      ? specks[unit.name].tsp * volumeUnitsMl.tsp
      : volumeUnitsMl[unitIn(unit.unit, settings.measures)];
  const figure = ofVolume({
    n,
    v: ml,
    f: { value: fill?.factor ?? 1, source: amount.fill ? `${amount.fill}: typical` : 'level' },
    rho: { value: fit.rho, source: fit.source },
  });
  const salt = loosePacked[food.id];
  const filled = fill
    ? ([fill.range[0] / fill.factor, fill.range[1] / fill.factor] as const)
    : ([1, 1] as const);
  const usual = speck?.range ?? (fill ? ([1, 1] as const) : (salt ?? ([1, 1] as const)));
  const loose = [usual[0] * filled[0], usual[1] * filled[1]] as const;
  return {
    figure,
    range: sized(figure, [loose[0], loose[1]]),
    packing: fit.packing,
    uncertain: [
      ...(fit.uncertain ? [fit.uncertain] : []),
      ...(salt ? [`a spoon of ${food.name.toLowerCase()} weighs what its grain makes it: weigh it`] : []),
      ...(fill || speck
        ? [`a ${amount.fill ?? (unit.kind === 'speck' ? unit.name : '')} measure is uncertain`]
        : []),
    ],
  };
};

const byMass = (asked: Asked, unit: MassUnit): Weighed | LineQuestion => {
  const { n, food, line, answer } = asked;
  const byVolume = unit === 'oz' && (food.kind === 'liquid' || food.kind === 'syrup');
  if (byVolume && answer.ounces === undefined && line.given.length === 0 && line.amounts.length === 1) {
    const rho = Object.values(food.densityGPerMl)[0] ?? 1;
    return {
      about: 'ounces',
      sentence: `Ounces of ${food.name.toLowerCase()} by weight, or fluid ounces?`,
      choices: [
        { label: `by weight, ${formatNumber(n * massUnitsG.oz)} g`, answer: { ounces: 'weight' } },
        { label: `fluid, ${formatNumber(n * volumeUnitsMl.floz * rho)} g`, answer: { ounces: 'volume' } },
      ],
    };
  }
  if (byVolume && answer.ounces === 'volume') return byMeasure(asked, { kind: 'volume', unit: 'floz' });
  const figure = ofMass({ n, u: massUnitsG[unit] });
  return { figure, range: sized(figure), uncertain: [] };
};

const bySticks = ({ n, food }: Asked): Weighed | LineQuestion => {
  const grams = food.pieceG.stick;
  if (grams === undefined)
    return {
      about: 'amount',
      sentence: `How many grams of ${food.name.toLowerCase()}? A stick is a measure of butter.`,
      choices: [],
    };
  const figure = ofPieces({ n, p: { value: grams, source: 'a US stick: ¼ lb of butter' } });
  return { figure, range: sized(figure), uncertain: [] };
};

const byPieces = ({ amount, n, food, line, answer, settings }: Asked): Weighed | LineQuestion => {
  // So many of something that comes by the piece, or grams without their unit?
  if (isBare(amount, food)) {
    const bare = settings.bareUnit;
    if (bare === undefined)
      return {
        about: 'amount',
        sentence: `${formatNumber(n)} of ${food.name.toLowerCase()}: is that grams?`,
        choices: [{ label: `${formatNumber(n)} g`, answer: { massG: n } }],
      };
    const figure = ofMass({ n, u: massUnitsG[bare] });
    return { figure, range: sized(figure), uncertain: [`no unit written: taken as ${bare}`] };
  }
  const piece = pieceOf(food, line, answer, settings);
  if (isQuestion(piece)) return piece;
  const figure = ofPieces({
    n,
    p: { value: piece.grams, source: `${food.name}, ${piece.size}: typical` },
  });
  return {
    figure,
    range: sized(figure, piece.said ? [1, 1] : [0.9, 1.1]),
    uncertain: piece.said ? [] : [`one ${sayPiece(piece.size)} taken as ${piece.grams} g`],
  };
};

/** Grams of one amount of a known ingredient, or what has to be asked. */
export const weighAmount = (
  amount: WrittenAmount,
  food: Ingredient,
  line: WrittenLine,
  answer: LineAnswer,
  settings: ReadSettings,
): Weighed | LineQuestion => {
  const n = amount.low * line.times * amount.sign;
  const { unit } = amount;
  const asked = { amount, n, food, line, answer, settings };
  switch (unit.kind) {
    case 'mass':
      return byMass(asked, unit.unit);
    case 'percent': {
      const figure = ofMass({ n, u: { value: 10, source: 'per kilogram of flour' } });
      return { figure, range: sized(figure), uncertain: ["baker's percent, for 1 kg of flour"] };
    }
    case 'volume':
    case 'speck':
      return byMeasure(asked, unit);
    case 'stick':
      return bySticks(asked);
    case 'piece':
      return byPieces(asked);
    default:
      return {
        about: 'amount',
        sentence: `How many grams of ${food.name.toLowerCase()}? "${unit.name}" is no measure.`,
        choices: [],
      };
  }
};
