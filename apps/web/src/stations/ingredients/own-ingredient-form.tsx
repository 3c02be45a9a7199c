import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import {
  allergenList,
  ingredientKinds,
  isShipped,
  JokulError,
  normaliseAnalysis,
  ownId,
  type Allergen,
  type Analysis,
  type Ingredient,
  type IngredientKind,
} from '@jokul/core';
import type { BakeryView, OwnIngredientsInput } from '@jokul/contracts';
import { useSaveIngredients } from '../../lib/queries';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';

const number = (text: string) => Number(text.replace(',', '.'));
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

const parts: readonly (readonly [keyof Analysis, string])[] = [
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

/** An ingredient as it is typed. */
interface Draft {
  readonly name: string;
  readonly kind: IngredientKind;
  readonly source: string;
  readonly amounts: Readonly<Record<string, string>>;
  readonly density: string;
  readonly pieces: string;
  readonly allergens: readonly Allergen[];
  readonly leavening: { readonly base: string; readonly acid: string; readonly gas: string };
}

const draftOf = (from: Ingredient, isNew: boolean): Draft => ({
  name: isNew ? t`${from.name}, ours` : from.name,
  kind: from.kind,
  source: isNew ? '' : from.source,
  amounts: Object.fromEntries(
    parts.map(([part]) => [part, String(Number((100 * from.analysis[part]).toFixed(2)))]),
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

const analysisOf = ({ amounts }: Draft) =>
  Object.fromEntries(parts.map(([part]) => [part, number(amounts[part] ?? '') / 100])) as unknown as Analysis;

/** As it is sent. */
const rowOf = (id: string, draft: Draft) => ({
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
const problemOf = (analysis: Analysis): string => {
  try {
    normaliseAnalysis(analysis);
    return '';
  } catch (error) {
    if (error instanceof JokulError) return error.message;
    throw error;
  }
};

interface PartProps {
  readonly draft: Draft;
  readonly onChange: (part: Partial<Draft>) => void;
}

const Names = ({ draft, onChange }: PartProps) => (
  <div className="grid grid-cols-3 gap-3">
    <Field
      label={t`Name`}
      value={draft.name}
      maxLength={60}
      onChange={(event) => onChange({ name: event.target.value })}
    />
    <SelectField
      label={t`Works as`}
      value={draft.kind}
      onChange={(event) => onChange({ kind: event.target.value as IngredientKind })}
    >
      {ingredientKinds.map((k) => (
        <option key={k}>{k}</option>
      ))}
    </SelectField>
    <Field
      label={t`Source`}
      value={draft.source}
      placeholder={t`label, supplier`}
      maxLength={200}
      onChange={(event) => onChange({ source: event.target.value })}
    />
  </div>
);

/** What it is made of, and what that adds up to. */
const Composition = ({ draft, onChange }: PartProps) => {
  const analysis = analysisOf(draft);
  const sum = Object.values(analysis).reduce((all, share) => all + share, 0);
  const wrong = problemOf(analysis);
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Composition, %`}</legend>
      <div className="grid grid-cols-5 gap-2">
        {parts.map(([part, label]) => (
          <Field
            key={part}
            label={label}
            inputMode="decimal"
            value={draft.amounts[part] ?? ''}
            onChange={(event) => onChange({ amounts: { ...draft.amounts, [part]: event.target.value } })}
          />
        ))}
      </div>
      <p className={`mt-1 text-[13.5px] ${wrong ? 'font-medium text-hand' : 'text-ink-soft'}`} role="status">
        {wrong || t`Adds up to ${(100 * sum).toFixed(1)} %.`}
      </p>
    </fieldset>
  );
};

/** What it weighs by volume and by the piece, and how it raises a dough. */
const Measures = ({ draft, onChange }: PartProps) => (
  <>
    <div className="grid grid-cols-2 gap-3">
      <Field
        label={t`Grams per millilitre, by packing`}
        value={draft.density}
        hint={t`spooned 0.52; dipped 0.61`}
        onChange={(event) => onChange({ density: event.target.value })}
      />
      <Field
        label={t`Grams of one piece`}
        value={draft.pieces}
        hint={t`large 50; small 38`}
        onChange={(event) => onChange({ pieces: event.target.value })}
      />
    </div>
    <div className="grid grid-cols-3 gap-3">
      <Field
        label={t`Base, mmol/g`}
        inputMode="decimal"
        value={draft.leavening.base}
        onChange={(event) => onChange({ leavening: { ...draft.leavening, base: event.target.value } })}
      />
      <Field
        label={t`Acid, mmol/g`}
        inputMode="decimal"
        value={draft.leavening.acid}
        onChange={(event) => onChange({ leavening: { ...draft.leavening, acid: event.target.value } })}
      />
      <Field
        label={t`Gas, mL/g`}
        inputMode="decimal"
        value={draft.leavening.gas}
        onChange={(event) => onChange({ leavening: { ...draft.leavening, gas: event.target.value } })}
      />
    </div>
  </>
);

const Declares = ({ draft, onChange }: PartProps) => (
  <fieldset>
    <legend className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Allergens that it declares`}</legend>
    <div className="flex flex-wrap gap-x-4 gap-y-1">
      {allergenList.map(({ id, name: label }) => (
        <label key={id} className="flex items-center gap-1.5 text-[14px]">
          <input
            type="checkbox"
            checked={draft.allergens.includes(id)}
            onChange={(event) =>
              onChange({
                allergens: event.target.checked
                  ? [...draft.allergens, id]
                  : draft.allergens.filter((a) => a !== id),
              })
            }
          />
          {label}
        </label>
      ))}
    </div>
  </fieldset>
);

/** An ingredient of the bakery's own, with the fields of the library. */
export const OwnIngredientForm = ({
  from,
  bakery,
  onDone,
}: {
  from: Ingredient;
  bakery: BakeryView;
  onDone: () => void;
}) => {
  const isNew = isShipped(from.id);
  const [draft, setDraft] = useState(() => draftOf(from, isNew));
  const change = (part: Partial<Draft>) => setDraft((before) => ({ ...before, ...part }));
  const save = useSaveIngredients();
  const navigate = useNavigate();
  const store = async () => {
    const id = isNew ? ownId(draft.name) : from.id;
    const row = rowOf(id, draft);
    const others = bakery.ownIngredients
      .filter((other) => other.id !== id)
      .map(({ composition: _c, parts: _p, words: _w, ...other }) => structuredClone(other));
    try {
      await save.mutateAsync({
        ingredients: [...others, row],
        version: bakery.ownIngredientsVersion,
      } as unknown as OwnIngredientsInput);
      toast(t`${row.name} is saved.`);
      onDone();
      void navigate(`/setup/ingredients/${id}`);
    } catch {
      // The refusal stands under the fields.
    }
  };
  return (
    <form
      aria-label={t`Own ingredient`}
      className="max-w-3xl space-y-4"
      onSubmit={(event) => {
        event.preventDefault();
        void store();
      }}
    >
      <Names draft={draft} onChange={change} />
      <Composition draft={draft} onChange={change} />
      <Measures draft={draft} onChange={change} />
      <Declares draft={draft} onChange={change} />
      {save.error && (
        <p role="alert" className="font-medium text-hand">
          {save.error.message}
        </p>
      )}
      <div className="flex gap-2">
        <Button
          type="submit"
          look="primary"
          disabled={
            problemOf(analysisOf(draft)) !== '' ||
            draft.name.trim().length < 2 ||
            draft.source.trim() === '' ||
            save.isPending
          }
        >{t`Save ingredient`}</Button>
        <Button onClick={onDone}>{t`Cancel`}</Button>
        {draft.source.trim() === '' && (
          <p className="self-center text-[13.5px] text-ink-soft">{t`Say where the figures are from.`}</p>
        )}
      </div>
    </form>
  );
};
