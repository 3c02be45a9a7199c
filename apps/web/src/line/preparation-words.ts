import { t } from '@lingui/core/macro';
import { ingredients, type Preparation, type PreparationKind } from '@jokul/core';
import { andList } from './and-list';

/** What is made ready, by its names; "" where it is not single ingredients. A plan of an older Jokul has their ids alone. */
export const ingredientList = ({
  ingredientIds = [],
  ingredientNames = ingredientIds.map((id) => ingredients.get(id)?.name ?? id),
}: Pick<Preparation, 'ingredientIds' | 'ingredientNames'>): string =>
  andList(
    ingredientNames.map((name) => name.toLowerCase()),
    4,
  );

/** What is done before a dough is weighed, as a person says it; the product follows. */
export const preparationWords: Readonly<Record<PreparationKind, string>> = {
  'butter-out': t`Butter out for`,
  'butter-brown': t`Brown the butter for`,
  'eggs-out': t`Eggs out for`,
  toast: t`Toast for`,
  melt: t`Melt for`,
  heat: t`Heat in a pan for`,
  chop: t`Chop for`,
  sift: t`Sift for`,
  warm: t`Out of the cold for`,
  clean: t`Clean the bowl before`,
  'oven-on': t`Oven on for`,
  'oven-check': t`Oven hot for`,
};
