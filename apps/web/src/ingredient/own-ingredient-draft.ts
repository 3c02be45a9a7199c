import { t } from '@lingui/core/macro';
import {
  classOfSource,
  ingredient,
  JokulError,
  massUnitsG,
  normaliseAnalysis,
  ownIngredient,
  volumeUnitsMl,
  type Allergen,
  type AllergenSource,
  type Analysis,
  type Ingredient,
  type IngredientKind,
  type Library,
  type OwnGiven,
} from '@jokul/core';
import { analysisParts } from './analysis-parts';
import { typedNumber, type Units } from '../lib/units';

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
/** A figure of the device's units in one that is stored: ounces of a piece in grams, ounces a cup in g/mL. */
const inUnits: Readonly<Record<Units, { readonly piece: number; readonly density: number }>> = {
  metric: { piece: 1, density: 1 },
  us: { piece: massUnitsG.oz, density: massUnitsG.oz / volumeUnitsMl.cup },
};
const fromPairs = (values: Readonly<Record<string, number>>, unit: number) =>
  Object.entries(values)
    .map(([name, value]) => `${name} ${unit === 1 ? value : Number((value / unit).toPrecision(4))}`)
    .join('; ');
/** What was typed as it is stored; a figure that nobody changed stays to its last digit. */
const typedPairs = (text: string, unit: number, before: Readonly<Record<string, number>>) =>
  Object.fromEntries(
    Object.entries(pairs(text)).map(([name, value]) => {
      const was = before[name];
      return [
        name,
        was !== undefined && fromPairs({ [name]: was }, unit) === `${name} ${value}` ? was : value * unit,
      ];
    }),
  );

/** A part of a mix as it is typed. */
export interface DraftPart {
  readonly ingredientId: string;
  readonly percent: string;
}

/** An ingredient as it is typed. */
export interface Draft {
  /** The units that it is typed in, and what stood there before. */
  readonly units: Units;
  readonly from: Pick<Ingredient, 'densityGPerMl' | 'pieceG'>;
  readonly name: string;
  readonly kind: IngredientKind;
  readonly source: string;
  readonly amounts: Readonly<Record<string, string>>;
  /** What it is mixed from; empty for one that is bought as it is. */
  readonly parts: readonly DraftPart[];
  readonly density: string;
  readonly pieces: string;
  readonly allergens: readonly Allergen[];
  /** The nuts and cereals among them. */
  readonly which: readonly AllergenSource[];
  readonly leavening: { readonly base: string; readonly acid: string; readonly gas: string };
}

export const draftOf = (from: Ingredient, isNew: boolean, units: Units = 'metric'): Draft => ({
  units,
  from: { densityGPerMl: from.densityGPerMl, pieceG: from.pieceG },
  name: isNew ? t`${from.name}, ours` : from.name,
  kind: from.kind,
  source: isNew ? '' : from.source,
  amounts: Object.fromEntries(
    analysisParts.map(([part]) => [part, String(Number((100 * from.analysis[part]).toFixed(2)))]),
  ),
  parts: from.parts.map(({ ingredientId, share }) => ({
    ingredientId,
    percent: String(Number((100 * share).toFixed(2))),
  })),
  density: fromPairs(from.densityGPerMl, inUnits[units].density),
  pieces: fromPairs(from.pieceG, inUnits[units].piece),
  allergens: from.allergens,
  which: from.which ?? [],
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
export const rowOf = (id: string, draft: Draft): OwnGiven => ({
  id,
  name: draft.name.trim(),
  kind: draft.kind,
  analysis: analysisOf(draft),
  densityGPerMl: typedPairs(draft.density, inUnits[draft.units].density, draft.from.densityGPerMl),
  pieceG: typedPairs(draft.pieces, inUnits[draft.units].piece, draft.from.pieceG),
  allergens: [...draft.allergens],
  which: draft.which.filter((source) => draft.allergens.includes(classOfSource(source))),
  leavening: {
    baseMmolPerG: number(draft.leavening.base),
    acidMmolPerG: number(draft.leavening.acid),
    gasMlPerG: number(draft.leavening.gas),
  },
  ...(draft.parts.length > 0 && {
    parts: draft.parts.map(({ ingredientId, percent }) => ({ ingredientId, share: number(percent) / 100 })),
  }),
  source: draft.source,
});

/** What a mix comes to; null while it is none, and for what is not mixed. */
export const mixOf = (draft: Draft, library: Library): Ingredient | null => {
  if (draft.parts.length === 0) return null;
  try {
    return ownIngredient({ ...rowOf('own-mix', draft), densityGPerMl: { level: 1 }, pieceG: {} }, (id) =>
      ingredient(id, library),
    );
  } catch (error) {
    if (error instanceof JokulError) return null;
    throw error;
  }
};

/** Why what it is made of cannot be; empty where it can. */
export const problemOf = (draft: Draft, library: Library): string => {
  try {
    if (draft.parts.length === 0) normaliseAnalysis(analysisOf(draft));
    else
      ownIngredient({ ...rowOf('own-mix', draft), densityGPerMl: { level: 1 }, pieceG: {} }, (id) =>
        ingredient(id, library),
      );
    return '';
  } catch (error) {
    if (error instanceof JokulError) return error.message;
    throw error;
  }
};
