import {
  doughFromComposition,
  doughOf,
  JokulError,
  typicalDough,
  type Dough,
  type Formula,
  say,
} from '@jokul/core';
import type { BakeRequestInput, ScaleFormula } from '@jokul/contracts';

/** A formula of the contract as the core knows one. */
export const stagesOf = (formula: ScaleFormula): Pick<Formula, 'stages'> => ({
  stages: [...new Set(formula.ingredients.map((i) => i.stage))].map((stage) => ({
    id: stage,
    name: stage,
    cue: '',
    lines: formula.ingredients
      .filter((i) => i.stage === stage)
      .map((i) => ({ ingredientId: i.id, percent: i.bakersPercent })),
  })),
});

/** Start of a piece, °C, or its profile. @throws JokulError `out-of-range` without either */
export const startOf = ({ profile, startC }: BakeRequestInput['piece']): number | readonly number[] => {
  const start = profile ?? startC;
  if (start === undefined)
    throw new JokulError('out-of-range', say`Give the start temperature or a profile.`, 'piece.startC');
  return start;
};

/** The dough of a formula or a composition; the typical one without either. @throws JokulError `too-much` with both */
export const doughIn = ({
  formula,
  composition,
}: Pick<BakeRequestInput, 'formula' | 'composition'>): Dough => {
  if (formula && composition)
    throw new JokulError('too-much', say`Give a formula or a composition, not both.`, 'composition');
  if (formula) return doughOf(stagesOf(formula));
  return composition ? doughFromComposition(composition) : typicalDough;
};

/** What the piece lies on, with what is known of it beyond its kind. */
export const lyingOn = ({ liner, contactWPerM2K, drag }: BakeRequestInput['tray']) => ({
  liner,
  ...(contactWPerM2K !== undefined && { contactWPerM2K }),
  ...(drag !== undefined && { drag }),
});
