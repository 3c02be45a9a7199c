import type { Formula, HouseRules, InTheCold, Place, RestQuestion } from '@jokul/core';

const twoDays = 2 * 86_400;

/** Core at which a dough in that place counts as through: cold for the walk-in, hard for the freezer. */
export const readyAt = (place: Place, rules: HouseRules): number =>
  place.kind === 'freezer' ? place.airC + 6 : rules.readyCoreC;

/** What to ask the cold model of a dough that lies in a place. */
export const questionOf = (
  item: Pick<InTheCold, 'form' | 'cover' | 'startC' | 'massG'>,
  formula: Formula,
  place: Place,
  rules: HouseRules,
): RestQuestion => ({
  formula,
  form: item.form,
  tubMassG: Math.min(8000, Math.max(500, item.massG)),
  place,
  cover: item.cover,
  startC: item.startC,
  targetC: readyAt(place, rules),
  durationS: item.form === 'pieces' ? 6 * 3600 : twoDays,
});
