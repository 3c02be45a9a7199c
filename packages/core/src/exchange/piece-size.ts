import { say } from '../shown/index.js';
import type { Ingredient } from '../ingredient/index.js';
import type { Choice, LineAnswer, LineQuestion, ReadSettings } from './answers.js';
import { sayPiece } from './measure-words.js';
import type { WrittenLine } from './written-line.js';

const sizeChoices = (food: Ingredient): readonly Choice[] =>
  Object.entries(food.pieceG).map(([size, grams]) => ({
    label: say`${sayPiece(size)}, ${grams} g`,
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

export const pieceOf = (
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
      sentence: say`Which size of ${food.name.toLowerCase()}?`,
      choices: sizeChoices(food),
    };
  return {
    about: 'amount',
    sentence: say`How many grams is one ${food.name.toLowerCase()}, or the whole amount? Pieces of it have no set weight.`,
    choices: [],
  };
};

/** Grains differ so much that a spoon of them is a range: shares of the typical weight. */
export const loosePacked: Readonly<Record<string, readonly [number, number]>> = {
  'kosher-salt': [0.6, 1.3],
  'flaked-salt': [0.4, 1.4],
};

/** More pieces than this in a recipe are grams whose unit is missing. */
export const mostPieces = 30;
