import type { Ingredient } from './ingredient.js';

/**
 * How well a sugar thins a dough as it warms, against white sugar. Coarse white crystals dissolve in the oven and let the
 * dough run; brown sugars and syrups bind their own water and thin less; icing sugar is dissolved from the start, and its
 * starch binds what is left: it does not thin at all. Directions are common knowledge (Pyler and Gorton, 2008), sizes are estimates.
 */
const againstWhite: Readonly<Record<string, number>> = {
  'icing-sugar': 0,
  'light-brown-sugar': 0.7,
  'dark-brown-sugar': 0.65,
  'coconut-sugar': 0.7,
};
const ofSyrups = 0.7;

/** What an ingredient's sugar counts for in thinning a dough, mass fraction of white sugar. */
export const thinningSugar = ({ id, kind, composition }: Ingredient): number => {
  if (kind === 'sugar') return againstWhite[id] ?? 1;
  return kind === 'syrup' ? composition.carbohydrate * ofSyrups : 0;
};

/** What the typical dough's sugar counts for, half white and half brown: the viscosity is tuned on it. */
export const typicalThinning = 0.85;
