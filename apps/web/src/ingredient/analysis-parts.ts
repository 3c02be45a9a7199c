import { t } from '@lingui/core/macro';
import type { Analysis } from '@jokul/core';

/** What an ingredient is made of, in the order in which it is told. */
export const analysisParts: readonly (readonly [keyof Analysis, string])[] = [
  ['water', t`Water`],
  ['fat', t`Fat`],
  ['protein', t`Protein`],
  ['starch', t`Starch`],
  ['sugars', t`Sugars`],
  ['fibre', t`Fibre`],
  ['ash', t`Minerals, without salt`],
  ['salt', t`Salt`],
  ['alcohol', t`Alcohol`],
];
