import { allergensOf, type Formula } from '../formula/index.js';
import type { Allergen } from '../ingredient/index.js';
import type { LotState } from '../ledger/index.js';

/**
 * What anyone who eats of a lot must know, in alphabetical order: what it declared when it was begun, and what came with
 * dough that was worked into it, which may be of an older version of its formula.
 * @param formula of a lot that pinned nothing
 * @param lotOf a lot by its name, to ask where an entry of an older Jokul does not say what that dough declared
 */
export const lotAllergens = (
  { begun, merged }: Pick<LotState, 'begun' | 'merged'>,
  formula: Formula,
  lotOf: (lot: string) => LotState | undefined = () => undefined,
): readonly Allergen[] =>
  [
    ...new Set([
      ...(begun?.allergens ?? allergensOf(formula)),
      ...merged.flatMap(({ from, allergens = lotOf(from)?.begun?.allergens ?? [] }) => allergens),
    ]),
  ].sort();
