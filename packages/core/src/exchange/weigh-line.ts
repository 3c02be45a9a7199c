import { ingredient, type Ingredient } from '../ingredient/index.js';
import { volumeUnitsMl } from '../quantity/index.js';
import { asFraction, formatNumber, sumFigure, type Figure, say } from '../shown/index.js';
import type { LineAnswer, LineQuestion, ReadResult, ReadSettings } from './answers.js';
import {
  addUp,
  ask,
  askEachOrAll,
  askIngredient,
  gramsBetween,
  gramsOnce,
  isOnlyAmountOpen,
  leaveOut,
  plain,
  total,
} from './ask.js';
import { libraryFor } from './own-names.js';
import { ofMass, type Weighed } from './packed.js';
import type { WrittenAmount } from './read-amount.js';
import { isQuestion, weighAmount } from './weigh-amount.js';
import { weightBeside } from './weight-beside.js';
import { unitIn } from './words.js';
import type { WrittenLine } from './written-line.js';

/** How near fluid ounces are rounded to, of the measure beside them. */
const sameOunces = 0.02;

/** "1/2 cup (4 oz) milk": ounces that are just the measure once more are fluid ones. */
const areFluid = (
  line: WrittenLine,
  food: Ingredient,
  amounts: readonly WrittenAmount[],
  settings: ReadSettings,
): boolean => {
  const [given, ...more] = line.given;
  const pours = food.kind === 'liquid' || food.kind === 'syrup';
  if (!pours || !given || more.length > 0 || given.unit.kind !== 'mass' || given.unit.unit !== 'oz')
    return false;
  const ml = amounts.map(({ low, sign, unit }) =>
    unit.kind === 'volume' ? low * sign * volumeUnitsMl[unitIn(unit.unit, settings.measures)] : Number.NaN,
  );
  return Math.abs(total(ml) / (given.low * volumeUnitsMl.floz) - 1) < sameOunces;
};

/** A weight that is given as a range is asked about where its ends are so far apart, of the lower one. */
const wideRange = 0.15;

/** The weight beside a measure counts before it; where the two are far apart it is said, or asked. */
const byGiven = (
  line: WrittenLine,
  food: Ingredient,
  amounts: readonly WrittenAmount[],
  weighed: readonly (Weighed | LineQuestion)[],
  estimate: Figure | null,
): ReadResult => {
  const known = { ingredientId: food.id };
  const between = gramsBetween(line);
  // "(100-150 g)" leaves more open than how exactly a cup is filled.
  if (between && between[1] / between[0] - 1 > wideRange)
    return ask(
      line,
      {
        about: 'amount',
        sentence: say`${formatNumber(between[0])} or ${formatNumber(between[1])} g: how much is it to be?`,
        choices: between.map((grams) => ({ label: `${formatNumber(grams)} g`, answer: { massG: grams } })),
      },
      known,
    );
  const once = gramsOnce(line);
  const givenG = total(once);
  const beside = weightBeside(givenG, amounts, weighed, food);
  if (beside === 'neither')
    return ask(
      line,
      {
        about: 'amount',
        sentence: estimate
          ? say`The line says ${formatNumber(givenG)} g, but its measure comes to about ${formatNumber(estimate.value)} g: which is meant?`
          : say`The line says ${formatNumber(givenG)} g, but its measure comes to something else: which is meant?`,
        choices: [givenG, ...(estimate ? [estimate.value] : [])].map((grams) => ({
          label: `${formatNumber(grams)} g`,
          answer: { massG: grams },
        })),
      },
      known,
    );
  const times = beside === 'each' ? (amounts[0]?.low ?? 1) : 1;
  const mass = sumFigure({
    name: say`Grams given in the recipe`,
    symbol: 'm',
    unit: 'g',
    terms: once.map((grams) => ({
      symbol: 'm',
      name:
        times === 1
          ? say`as written beside the measure`
          : say`as written beside it, for each of ${formatNumber(times)}`,
      value: grams * times,
      unit: 'g' as const,
      source: say`recipe`,
    })),
    source: say`the weight in the recipe counts before its measure`,
  });
  const off = estimate ? mass.value / estimate.value - 1 : 0;
  return {
    line,
    state: 'read',
    ...known,
    mass,
    ...(between && { rangeG: [plain(between[0] * times), plain(between[1] * times)] as const }),
    uncertain: [
      ...line.notes,
      ...(Math.abs(off) > 0.2
        ? [say`the weight and the measure of the recipe are ${formatNumber(Math.abs(off) * 100)} % apart`]
        : []),
    ],
  };
};

/**
 * The grams of a line, or the one question that it hangs on. Nothing is guessed without saying so: what is taken for
 * granted stands in `uncertain`.
 */
export const weighLine = (line: WrittenLine, settings: ReadSettings, answer: LineAnswer = {}): ReadResult => {
  const library = libraryFor(settings);
  if (line.kind !== 'ingredient') return { line, state: line.kind, uncertain: [] };
  if (answer.leaveOut) return { line, state: 'left-out', uncertain: [] };
  // Whoever says how much it is has settled the figure that was left.
  const settled = line.left.length === 0 || (answer.massG !== undefined && isOnlyAmountOpen(line));
  const id = answer.ingredientId ?? (line.ids.length === 1 && settled ? line.ids[0] : undefined);
  if (id === undefined) return askIngredient(line, library);
  const food = ingredient(id, library);
  const known = { ingredientId: id, food };
  if (answer.massG !== undefined) {
    const mass = ofMass({ n: answer.massG, u: { value: 1, source: say`entered by the baker` } });
    return { line, state: 'read', ...known, mass, uncertain: line.notes };
  }
  if (line.amounts.length === 0)
    return ask(
      line,
      {
        about: 'amount',
        sentence: say`How many grams of ${food.name.toLowerCase()}? The recipe does not say.`,
        choices: [leaveOut],
      },
      known,
    );
  const open = line.amounts.find(({ low, high }) => low !== high);
  if (open && answer.amount === undefined)
    return ask(
      line,
      {
        about: 'amount',
        sentence: say`${asFraction(open.low)} or ${asFraction(open.high)}: how much is it to be?`,
        choices: [...new Set([open.low, (open.low + open.high) / 2, open.high])].map((amount) => ({
          label: asFraction(amount),
          answer: { amount },
        })),
      },
      known,
    );
  const amounts = line.amounts.map((amount) =>
    amount === open && answer.amount !== undefined
      ? { ...amount, low: answer.amount, high: answer.amount }
      : amount,
  );
  if (line.eachOrAll) return askEachOrAll(line, (amounts[0]?.low ?? 1) * line.times, known);
  const weighed = amounts.map((amount) => weighAmount(amount, food, line, answer, settings));
  const parts = weighed.filter((part): part is Weighed => !isQuestion(part));
  const estimate = parts.length === weighed.length ? addUp(parts) : null;
  const fluid = areFluid(line, food, amounts, settings);
  if (line.given.length > 0 && !fluid) return byGiven(line, food, amounts, weighed, estimate);
  const question = weighed.find(isQuestion);
  if (question) return ask(line, question, known);
  if (!estimate || !(estimate.value > 0))
    return ask(
      line,
      { about: 'amount', sentence: say`How many grams of ${food.name.toLowerCase()}?`, choices: [] },
      known,
    );
  const low = parts.reduce((sum, part) => sum + part.range[0], 0);
  const high = parts.reduce((sum, part) => sum + part.range[1], 0);
  const packing = parts.find((part) => part.packing)?.packing;
  return {
    line,
    state: 'read',
    ...known,
    mass: estimate,
    ...(high > low * 1.0001 && { rangeG: [plain(low), plain(high)] as const }),
    ...(packing && { packing }),
    uncertain: [
      ...line.notes,
      ...(fluid ? [say`the ounces are taken as fluid ounces`] : []),
      ...new Set(parts.flatMap((part) => part.uncertain)),
    ],
  };
};
