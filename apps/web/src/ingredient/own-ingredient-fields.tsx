import { t } from '@lingui/core/macro';
import { allergenList, ingredientKinds, type IngredientKind } from '@jokul/core';
import { Field, SelectField } from '../ui/field';
import { analysisParts } from './analysis-parts';
import { analysisOf, problemOf, type Draft } from './own-ingredient-draft';

interface PartProps {
  readonly draft: Draft;
  readonly onChange: (part: Partial<Draft>) => void;
}

export const Names = ({ draft, onChange }: PartProps) => (
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
export const Composition = ({ draft, onChange }: PartProps) => {
  const analysis = analysisOf(draft);
  const sum = Object.values(analysis).reduce((all, share) => all + share, 0);
  const wrong = problemOf(analysis);
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Composition, %`}</legend>
      <div className="grid grid-cols-5 gap-2">
        {analysisParts.map(([part, label]) => (
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
export const Measures = ({ draft, onChange }: PartProps) => (
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

export const Declares = ({ draft, onChange }: PartProps) => (
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
