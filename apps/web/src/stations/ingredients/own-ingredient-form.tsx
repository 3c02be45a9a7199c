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
  const [name, setName] = useState(isNew ? t`${from.name}, ours` : from.name);
  const [kind, setKind] = useState<IngredientKind>(from.kind);
  const [source, setSource] = useState(isNew ? '' : from.source);
  const [amounts, setAmounts] = useState<Record<string, string>>(
    Object.fromEntries(parts.map(([part]) => [part, String(Number((100 * from.analysis[part]).toFixed(2)))])),
  );
  const [density, setDensity] = useState(fromPairs(from.densityGPerMl));
  const [pieces, setPieces] = useState(fromPairs(from.pieceG));
  const [allergens, setAllergens] = useState<readonly Allergen[]>(from.allergens);
  const [leavening, setLeavening] = useState({
    base: String(from.leavening.baseMmolPerG),
    acid: String(from.leavening.acidMmolPerG),
    gas: String(from.leavening.gasMlPerG),
  });
  const save = useSaveIngredients();
  const navigate = useNavigate();
  const analysis = Object.fromEntries(
    parts.map(([part]) => [part, number(amounts[part] ?? '') / 100]),
  ) as unknown as Analysis;
  const sum = Object.values(analysis).reduce((all, share) => all + share, 0);
  const problem = () => {
    try {
      normaliseAnalysis(analysis);
      return '';
    } catch (error) {
      if (error instanceof JokulError) return error.message;
      throw error;
    }
  };
  const store = async () => {
    const id = isNew ? ownId(name) : from.id;
    const row = {
      id,
      name: name.trim(),
      kind,
      analysis,
      densityGPerMl: pairs(density),
      pieceG: pairs(pieces),
      allergens: [...allergens],
      leavening: {
        baseMmolPerG: number(leavening.base),
        acidMmolPerG: number(leavening.acid),
        gasMlPerG: number(leavening.gas),
      },
      source,
    };
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
  const wrong = problem();
  return (
    <form
      aria-label={t`Own ingredient`}
      className="max-w-3xl space-y-4"
      onSubmit={(event) => {
        event.preventDefault();
        void store();
      }}
    >
      <div className="grid grid-cols-3 gap-3">
        <Field
          label={t`Name`}
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
        />
        <SelectField
          label={t`Works as`}
          value={kind}
          onChange={(event) => setKind(event.target.value as IngredientKind)}
        >
          {ingredientKinds.map((k) => (
            <option key={k}>{k}</option>
          ))}
        </SelectField>
        <Field
          label={t`Source`}
          value={source}
          placeholder={t`label, supplier`}
          maxLength={200}
          onChange={(event) => setSource(event.target.value)}
        />
      </div>
      <fieldset>
        <legend className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Composition, %`}</legend>
        <div className="grid grid-cols-5 gap-2">
          {parts.map(([part, label]) => (
            <Field
              key={part}
              label={label}
              inputMode="decimal"
              value={amounts[part] ?? ''}
              onChange={(event) => setAmounts({ ...amounts, [part]: event.target.value })}
            />
          ))}
        </div>
        <p
          className={`mt-1 text-[13.5px] ${wrong ? 'font-medium text-hand' : 'text-ink-soft'}`}
          role="status"
        >
          {wrong || t`Adds up to ${(100 * sum).toFixed(1)} %.`}
        </p>
      </fieldset>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={t`Grams per millilitre, by packing`}
          value={density}
          hint={t`spooned 0.52; dipped 0.61`}
          onChange={(event) => setDensity(event.target.value)}
        />
        <Field
          label={t`Grams of one piece`}
          value={pieces}
          hint={t`large 50; small 38`}
          onChange={(event) => setPieces(event.target.value)}
        />
      </div>
      <div className="grid grid-cols-3 gap-3">
        <Field
          label={t`Base, mmol/g`}
          inputMode="decimal"
          value={leavening.base}
          onChange={(event) => setLeavening({ ...leavening, base: event.target.value })}
        />
        <Field
          label={t`Acid, mmol/g`}
          inputMode="decimal"
          value={leavening.acid}
          onChange={(event) => setLeavening({ ...leavening, acid: event.target.value })}
        />
        <Field
          label={t`Gas, mL/g`}
          inputMode="decimal"
          value={leavening.gas}
          onChange={(event) => setLeavening({ ...leavening, gas: event.target.value })}
        />
      </div>
      <fieldset>
        <legend className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Allergens that it declares`}</legend>
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          {allergenList.map(({ id, name: label }) => (
            <label key={id} className="flex items-center gap-1.5 text-[14px]">
              <input
                type="checkbox"
                checked={allergens.includes(id)}
                onChange={(event) =>
                  setAllergens(event.target.checked ? [...allergens, id] : allergens.filter((a) => a !== id))
                }
              />
              {label}
            </label>
          ))}
        </div>
      </fieldset>
      {save.error && (
        <p role="alert" className="font-medium text-hand">
          {save.error.message}
        </p>
      )}
      <div className="flex gap-2">
        <Button
          type="submit"
          look="primary"
          disabled={wrong !== '' || name.trim().length < 2 || source.trim() === '' || save.isPending}
        >{t`Save ingredient`}</Button>
        <Button onClick={onDone}>{t`Cancel`}</Button>
        {source.trim() === '' && (
          <p className="self-center text-[13.5px] text-ink-soft">{t`Say where the figures are from.`}</p>
        )}
      </div>
    </form>
  );
};
