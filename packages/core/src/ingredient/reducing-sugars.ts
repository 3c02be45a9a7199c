import type { Ingredient } from './ingredient.js';

/**
 * Share of an ingredient's sugars that reduces (glucose, fructose, lactose, maltose) and so browns with protein at once;
 * white sugar does not. Typical values of food-composition tables; brown sugars by their molasses.
 */
const ofItsSugars: Readonly<Record<string, number>> = {
  'light-brown-sugar': 0.025,
  'dark-brown-sugar': 0.045,
  'coconut-sugar': 0.06,
  dextrose: 1,
  honey: 0.97,
  molasses: 0.45,
  'black-treacle': 0.5,
  'golden-syrup': 0.55,
  'glucose-syrup': 0.9,
  'maple-syrup': 0.04,
  'agave-syrup': 0.97,
  'date-syrup': 0.95,
  'malt-syrup': 0.9,
  'malted-barley-flour': 0.8,
  'invert-syrup': 0.95,
  'condensed-milk': 0.2,
  'caramel-sauce': 0.3,
  'orange-juice': 0.5,
  'apple-sauce': 0.75,
  banana: 0.6,
};
/** Milk's sugar is lactose, and reduces wholly. */
const milky = /milk|yoghurt|cream/;

/** Reducing sugars of an ingredient, mass fraction; none are counted where nothing is known. */
export const reducingSugars = ({ id, kind, analysis }: Ingredient): number =>
  analysis.sugars *
  (ofItsSugars[id] ?? ((kind === 'liquid' || kind === 'flavour') && milky.test(id) ? 1 : 0));
