import type { Formula, FormulaLine, Topping } from './formula.js';

/*
 * Part of an ingredient is kept out of the dough and pressed on top: chips, nuts, fruit. It is weighed apart as any
 * topping is, before anything is folded in, so that it does not end in the bowl.
 */

const isOnTop = (topping: Topping): boolean => topping.on === 'top';

/** The topping that is held back of a line: of the same ingredient, made ready alike. */
const isOf = (line: FormulaLine, topping: Topping): boolean =>
  isOnTop(topping) &&
  topping.ingredientId === line.ingredientId &&
  (topping.ready ?? []).join(' ') === (line.ready ?? []).join(' ');

const percentHeld = ({ toppings }: Pick<Formula, 'toppings'>, line: FormulaLine): number =>
  toppings.filter((topping) => isOf(line, topping)).reduce((sum, { percent }) => sum + percent, 0);

/** The share of an ingredient that is held back for the top, of what goes in and on together; 0 where nothing is. */
export const heldBackShare = (formula: Pick<Formula, 'toppings'>, line: FormulaLine): number => {
  const held = percentHeld(formula, line);
  return held > 0 ? held / (held + line.percent) : 0;
};

/** The line of the dough that a topping is held back of; null for one that is there for itself. */
export const heldBackOf = ({ stages }: Pick<Formula, 'stages'>, topping: Topping): FormulaLine | null =>
  stages.flatMap(({ lines }) => lines).find((line) => isOf(line, topping)) ?? null;

/**
 * The formula with a share of one line held back for the top: as much of the ingredient in all as before.
 * @param share from 0, all into the dough, to below 1
 */
export const holdBack = (formula: Formula, line: FormulaLine, share: number): Formula => {
  const whole = line.percent + percentHeld(formula, line);
  const tidy = (percent: number) => Number(percent.toFixed(3));
  const held = tidy(whole * Math.min(0.95, Math.max(0, share)));
  const first = formula.toppings.findIndex((topping) => isOf(line, topping));
  const others = formula.toppings.filter((topping, i) => !isOf(line, topping) || i === first);
  const { browned: _, ...plain } = line;
  const topping: Topping = { ...plain, percent: held, on: 'top' };
  return {
    ...formula,
    stages: formula.stages.map((stage) => ({
      ...stage,
      lines: stage.lines.map((own) => (own === line ? { ...own, percent: tidy(whole - held) } : own)),
    })),
    toppings:
      held === 0
        ? others.filter((one) => !isOf(line, one))
        : first === -1
          ? [...others, topping]
          : others.map((one) => (isOf(line, one) ? topping : one)),
  };
};
