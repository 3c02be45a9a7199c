import { t } from '@lingui/core/macro';
import {
  JokulError,
  normaliseAnalysis,
  type Allergen,
  type Analysis,
  type Ingredient,
  type IngredientKind,
} from '@jokul/core';
import { analysisParts } from './analysis-parts';
import { typedNumber } from '../lib/units';

const number = (text: string) => (text.trim() === '' ? 0 : typedNumber(text));
const pairs = (text: string): Record<string, number> =>
  Object.fromEntries(
    text
      .split(/[;\n]|,(?=\s)/)
      .map((pair) => pair.trim())
      .filter(Boolean)
      .map((pair) => {
        const at = pair.lastIndexOf(' ');
        return [pair.slice(0, at).trim() || 'level', number(pair.slice(at + 1))];
      }),
  );
const fromPairs = (values: Readonly<Record<string, number>>) =>
  Object.entries(values)
    .map(([name, value]) => `${name} ${value}`)
    .join('; ');

/** An ingredient as it is typed. */
export interface Draft {
  readonly name: string;
  readonly kind: IngredientKind;
  readonly source: string;
  readonly amounts: Readonly<Record<string, string>>;
  readonly density: string;
  readonly pieces: string;
  readonly allergens: readonly Allergen[];
  readonly leavening: { readonly base: string; readonly acid: string; readonly gas: string };
}

export const draftOf = (from: Ingredient, isNew: boolean): Draft => ({
  name: isNew ? t`${from.name}, ours` : from.name,
  kind: from.kind,
  source: isNew ? '' : from.source,
  amounts: Object.fromEntries(
    analysisParts.map(([part]) => [part, String(Number((100 * from.analysis[part]).toFixed(2)))]),
  ),
  density: fromPairs(from.densityGPerMl),
  pieces: fromPairs(from.pieceG),
  allergens: from.allergens,
  leavening: {
    base: String(from.leavening.baseMmolPerG),
    acid: String(from.leavening.acidMmolPerG),
    gas: String(from.leavening.gasMlPerG),
  },
});

export const analysisOf = ({ amounts }: Draft) =>
  Object.fromEntries(
    analysisParts.map(([part]) => [part, number(amounts[part] ?? '') / 100]),
  ) as unknown as Analysis;

/** As it is sent. */
export const rowOf = (id: string, draft: Draft) => ({
  id,
  name: draft.name.trim(),
  kind: draft.kind,
  analysis: analysisOf(draft),
  densityGPerMl: pairs(draft.density),
  pieceG: pairs(draft.pieces),
  allergens: [...draft.allergens],
  leavening: {
    baseMmolPerG: number(draft.leavening.base),
    acidMmolPerG: number(draft.leavening.acid),
    gasMlPerG: number(draft.leavening.gas),
  },
  source: draft.source,
});

/** Why a composition is none; empty where it is one. */
export const problemOf = (analysis: Analysis): string => {
  try {
    normaliseAnalysis(analysis);
    return '';
  } catch (error) {
    if (error instanceof JokulError) return error.message;
    throw error;
  }
};
