import { doughLines, standardMethod, type Formula } from './formula.js';

/** How much of what goes into a dough, and how it is worked: what makes two doughs one. */
const doughKey = (formula: Formula): string => {
  const amounts = new Map<string, number>();
  for (const { ingredientId, percent, browned, ready = [] } of doughLines(formula)) {
    const what = `${ingredientId}${browned ? ' browned' : ''} ${ready
      .map((way) => JSON.stringify(way))
      .sort()
      .join()}`;
    amounts.set(what, (amounts.get(what) ?? 0) + percent);
  }
  const lines = [...amounts].map(([what, percent]) => `${what} ${percent.toFixed(4)}`).sort();
  const { cream, egg, finish } = { ...standardMethod, ...formula.method };
  return JSON.stringify([lines, cream, egg, finish]);
};

/**
 * Whether two formulas are of one dough: the same amounts, worked alike. Piece, toppings, rest and bake may differ: one dough
 * portioned small and large, plain and filled.
 */
export const isSameDough = (a: Formula, b: Formula): boolean => doughKey(a) === doughKey(b);
