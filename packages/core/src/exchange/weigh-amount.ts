import type { Ingredient } from '../ingredient/index.js';
import { massUnitsG, volumeUnitsMl, type MassUnit } from '../quantity/index.js';
import { formatNumber, type Figure, say } from '../shown/index.js';
import type { LineAnswer, LineQuestion, ReadSettings } from './answers.js';
import { ofMass, ofPieces, ofVolume, packed, type Weighed } from './packed.js';
import { loosePacked, mostPieces, pieceOf } from './piece-size.js';
import { sayPiece } from './measure-words.js';
import type { WrittenAmount } from './read-amount.js';
import { fills, specks, unitIn } from './words.js';
import type { WrittenLine } from './written-line.js';

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
    f: { value: fill?.factor ?? 1, source: amount.fill ? say`${amount.fill}: typical` : 'level' },
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
      ...(salt ? [say`a spoon of ${food.name.toLowerCase()} weighs what its grain makes it: weigh it`] : []),
      ...(fill || speck
        ? [say`a ${amount.fill ?? (unit.kind === 'speck' ? unit.name : '')} measure is uncertain`]
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
      sentence: say`Ounces of ${food.name.toLowerCase()} by weight, or fluid ounces?`,
      choices: [
        { label: say`by weight, ${formatNumber(n * massUnitsG.oz)} g`, answer: { ounces: 'weight' } },
        { label: say`fluid, ${formatNumber(n * volumeUnitsMl.floz * rho)} g`, answer: { ounces: 'volume' } },
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
      sentence: say`How many grams of ${food.name.toLowerCase()}? A stick is a measure of butter.`,
      choices: [],
    };
  const figure = ofPieces({ n, p: { value: grams, source: say`a US stick: ¼ lb of butter` } });
  return { figure, range: sized(figure), uncertain: [] };
};

const byPieces = ({ amount, n, food, line, answer, settings }: Asked): Weighed | LineQuestion => {
  // So many of something that comes by the piece, or grams without their unit?
  if (isBare(amount, food)) {
    const bare = settings.bareUnit;
    if (bare === undefined)
      return {
        about: 'amount',
        sentence: say`${formatNumber(n)} of ${food.name.toLowerCase()}: is that grams?`,
        choices: [{ label: `${formatNumber(n)} g`, answer: { massG: n } }],
      };
    const figure = ofMass({ n, u: massUnitsG[bare] });
    return { figure, range: sized(figure), uncertain: [say`no unit written: taken as ${bare}`] };
  }
  const piece = pieceOf(food, line, answer, settings);
  if (isQuestion(piece)) return piece;
  const figure = ofPieces({
    n,
    p: { value: piece.grams, source: say`${food.name}, ${piece.size}: typical` },
  });
  return {
    figure,
    range: sized(figure, piece.said ? [1, 1] : [0.9, 1.1]),
    uncertain: piece.said ? [] : [say`one ${sayPiece(piece.size)} taken as ${piece.grams} g`],
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
      const figure = ofMass({ n, u: { value: 10, source: say`per kilogram of flour` } });
      return { figure, range: sized(figure), uncertain: [say`baker's percent, for 1 kg of flour`] };
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
        sentence: say`How many grams of ${food.name.toLowerCase()}? "${unit.name}" is no measure.`,
        choices: [],
      };
  }
};
