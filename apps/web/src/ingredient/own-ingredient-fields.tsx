import { t } from '@lingui/core/macro';
import { ingredientKinds, type IngredientKind } from '@jokul/core';
import { Field, SelectField } from '../ui/field';
import type { PartProps } from './own-ingredient-part';
import { ingredientKindNames } from '../words/names-of-codes';

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
        <option key={k} value={k}>
          {ingredientKindNames[k]}
        </option>
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

/** What it weighs by volume and by the piece, and how it raises a dough. */
export const Measures = ({ draft, onChange }: PartProps) => {
  const isUs = draft.units === 'us';
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={isUs ? t`Ounces a cup, by packing` : t`Grams per millilitre, by packing`}
          value={draft.density}
          hint={isUs ? t`spooned 4.25; dipped 5` : t`spooned 0.52; dipped 0.61`}
          onChange={(event) => onChange({ density: event.target.value })}
        />
        <Field
          label={isUs ? t`Ounces of one piece` : t`Grams of one piece`}
          value={draft.pieces}
          hint={isUs ? t`large 1.75; small 1.35` : t`large 50; small 38`}
          onChange={(event) => onChange({ pieces: event.target.value })}
        />
      </div>
      {draft.parts.length === 0 && (
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
      )}
    </>
  );
};
