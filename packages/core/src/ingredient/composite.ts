import { JokulError, say } from '../shown/index.js';
import {
  analysisNames,
  compositionOf,
  normaliseAnalysis,
  type Analysis,
  type Ingredient,
  type Part,
} from './ingredient.js';

/**
 * The ingredient that a mix of others is: composition, leavening and allergens follow from its parts.
 * @param find looks a part up; composites may be made of composites
 * @throws JokulError `bad-composition` when the shares do not add up to 100 % within 1.5
 */
export const composite = (
  row: Pick<Ingredient, 'id' | 'name' | 'kind' | 'densityGPerMl' | 'pieceG' | 'words'>,
  given: readonly Part[],
  find: (id: string) => Ingredient,
): Ingredient => {
  const total = given.reduce((sum, { share }) => sum + share, 0);
  if (given.some(({ share }) => !(share > 0)) || Math.abs(total - 1) > 0.015)
    throw new JokulError(
      'bad-composition',
      say`The parts of ${row.name} must add up to 100 % (within 1.5); these add up to ${(total * 100).toFixed(1)} %.`,
      row.id,
    );
  const parts = given.map(({ ingredientId, share }) => ({ ingredientId, share: share / total }));
  const found = parts.map(({ ingredientId, share }) => ({ part: find(ingredientId), share }));
  const sum = (of: (part: Ingredient) => number) =>
    found.reduce((all, { part, share }) => all + share * of(part), 0);
  const analysis = normaliseAnalysis(
    Object.fromEntries(
      analysisNames.map((name) => [name, sum(({ analysis: a }) => a[name])]),
    ) as unknown as Analysis,
    row.id,
  );
  const which = [...new Set(found.flatMap(({ part }) => part.which ?? []))].sort();
  return {
    ...row,
    analysis,
    composition: compositionOf(analysis),
    allergens: [...new Set(found.flatMap(({ part }) => part.allergens))].sort(),
    ...(which.length > 0 && { which }),
    leavening: {
      baseMmolPerG: sum(({ leavening }) => leavening.baseMmolPerG),
      acidMmolPerG: sum(({ leavening }) => leavening.acidMmolPerG),
      gasMlPerG: sum(({ leavening }) => leavening.gasMlPerG),
    },
    parts,
    source: say`made of ${found.map(({ part, share }) => `${part.name.toLowerCase()} ${Number((share * 100).toFixed(1))} %`).join(', ')}`,
  };
};
