import { ingredients, type PreparationKind } from '@jokul/core';
import { andList } from './and-list';

/** Ingredients by their names in the library. */
export const ingredientList = (ids: readonly string[]): string =>
  andList(
    ids.map((id) => (ingredients.get(id)?.name ?? id).toLowerCase()),
    4,
  );

/** What is done before a dough is weighed, as a person says it; the product follows. */
export const preparationWords: Readonly<Record<PreparationKind, string>> = {
  'butter-out': 'Butter out for',
  'butter-brown': 'Brown the butter for',
  'eggs-out': 'Eggs out for',
  toast: 'Toast for',
  chop: 'Chop for',
  sift: 'Sift for',
  warm: 'Out of the cold for',
  clean: 'Clean the bowl before',
  'oven-on': 'Oven on for',
  'oven-check': 'Oven hot for',
};
