import { allergensOf, whichOf, type Formula } from '../formula/index.js';
import type { Allergen, AllergenSource, Declared } from '../ingredient/index.js';
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

/** The nuts and cereals among them by name: an entry that does not say follows the formula that the lot is made by. */
export const lotWhich = (
  { begun, merged }: Pick<LotState, 'begun' | 'merged'>,
  formula: Formula,
  lotOf: (lot: string) => LotState | undefined = () => undefined,
): readonly AllergenSource[] => {
  const madeBy = (pinned: LotState['begun'] | undefined) =>
    pinned && (pinned.which ?? whichOf(pinned.formula));
  return [
    ...new Set([
      ...(madeBy(begun) ?? whichOf(formula)),
      ...merged.flatMap(({ from, which = madeBy(lotOf(from)?.begun) ?? [] }) => which),
    ]),
  ].sort();
};

/** What the label of a lot says: its allergens, with the nuts and cereals by name. */
export const lotDeclares = (...of: Parameters<typeof lotAllergens>): readonly Declared[] => [
  ...lotAllergens(...of),
  ...lotWhich(...of),
];
