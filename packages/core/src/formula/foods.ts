import { foodOf, isShipped, type Ingredient, type Library, type NamesFood } from '../ingredient/index.js';
import { doughLines, type Formula } from './formula.js';

type Lined = Pick<Formula, 'stages' | 'toppings'>;

/** The formula itself where no line changes: what is remembered of it by what it is stays true. */
const everyLine = <F extends Lined>(formula: F, change: <L extends NamesFood>(line: L) => L): F => {
  let changed = false;
  const changing = <L extends NamesFood>(line: L): L => {
    const after = change(line);
    changed ||= after !== line;
    return after;
  };
  const made = {
    ...formula,
    stages: formula.stages.map((stage) => ({ ...stage, lines: stage.lines.map(changing) })),
    toppings: formula.toppings.map(changing),
  };
  return changed ? made : formula;
};

/**
 * The formula with what it is made of: a line that names one of the bakery's own ingredients carries it along, so that
 * whatever is computed of the formula needs no table beside it. A line of an ingredient that is in no library stays as
 * it is, and is refused by whatever computes with it.
 */
export const withFoods = <F extends Lined>(formula: F, library: Library): F =>
  everyLine(formula, (line) => {
    const food = isShipped(line.ingredientId) ? undefined : library.get(line.ingredientId);
    return food && food !== line.food ? { ...line, food } : line;
  });

/** The formula as it is kept and given out: it names its ingredients, and carries none. */
export const withoutFoods = <F extends Lined>(formula: F): F =>
  everyLine(formula, (line) => {
    if (!line.food) return line;
    const { food: _carried, ...named } = line;
    return named as typeof line;
  });

/** The ingredient of that id as the formula has it. @throws JokulError `unknown-ingredient` */
export const foodIn = (formula: Lined, id: string): Ingredient =>
  foodOf(
    [...doughLines(formula), ...formula.toppings].find(({ ingredientId }) => ingredientId === id) ?? {
      ingredientId: id,
    },
  );
