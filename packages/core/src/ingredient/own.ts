import { JokulError, requireNumber } from '../shown/index.js';
import { compositionOf, normaliseAnalysis, type Ingredient } from './ingredient.js';

/**
 * An ingredient of the bakery's own, from what its label says.
 * @throws JokulError `bad-composition` with the sum when the parts miss 100 % by more than 1.5, `out-of-range`
 */
export const ownIngredient = (given: Omit<Ingredient, 'composition' | 'parts' | 'words'>): Ingredient => {
  if (Object.keys(given.densityGPerMl).length === 0)
    throw new JokulError(
      'no-density',
      `Give ${given.name} a density: g per mL as it is measured.`,
      'densityGPerMl',
    );
  for (const density of Object.values(given.densityGPerMl))
    requireNumber(density, `The density of ${given.name}`, 0.05, 3, 'g/mL');
  for (const grams of Object.values(given.pieceG))
    requireNumber(grams, `A piece of ${given.name}`, 0.01, 5000, 'g');
  const analysis = normaliseAnalysis(given.analysis, given.name);
  return { ...given, analysis, composition: compositionOf(analysis), parts: [], words: [] };
};
