import type { PreparationKind } from '@jokul/core';

/** What is done before a dough is weighed, as a person says it; the product follows. */
export const preparationWords: Readonly<Record<PreparationKind, string>> = {
  'butter-out': 'Butter out for',
  'butter-brown': 'Brown the butter for',
  'eggs-out': 'Eggs out for',
  clean: 'Clean the bowl before',
};
