import { t } from '@lingui/core/macro';
import { useLibrary } from '../lib/queries';
import { typedNumber } from '../lib/units';
import { IngredientPicker } from '../line/ingredient-picker';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { analysisParts } from './analysis-parts';
import { analysisOf, mixOf, problemOf, type Draft } from './own-ingredient-draft';
import type { PartProps } from './own-ingredient-part';

/** What it is mixed from, in percent: a spice mix, a house praline. */
const MixedFrom = ({ draft, onChange }: PartProps) => {
  const library = useLibrary();
  const set = (parts: Draft['parts']) => onChange({ parts });
  return (
    <div>
      <ul className="space-y-1">
        {draft.parts.map(({ ingredientId, percent }, i) => {
          const name = library.get(ingredientId)?.name ?? ingredientId;
          return (
            <li key={ingredientId} className="flex items-center gap-2">
              <span className="min-w-48 text-[14px]">{name}</span>
              <div className="w-24">
                <Field
                  label={t`${name}, %`}
                  hideLabel
                  inputMode="decimal"
                  value={percent}
                  onChange={(event) =>
                    set(draft.parts.with(i, { ingredientId, percent: event.target.value }))
                  }
                />
              </div>
              <span className="text-ink-soft">%</span>
              <Button
                aria-label={t`Take ${name} out of the mix`}
                onClick={() => set(draft.parts.filter((part) => part.ingredientId !== ingredientId))}
              >
                {t`Take out`}
              </Button>
            </li>
          );
        })}
      </ul>
      <IngredientPicker
        label={t`What it is mixed from`}
        onPick={({ id }) => {
          if (draft.parts.every(({ ingredientId }) => ingredientId !== id))
            set([...draft.parts, { ingredientId: id, percent: '' }]);
        }}
      >
        <Button className="mt-1">{t`Mixed from others: add one`}</Button>
      </IngredientPicker>
    </div>
  );
};

/** What it is made of, and what that adds up to: by its label, or by what it is mixed from. */
export const Composition = ({ draft, onChange }: PartProps) => {
  const library = useLibrary();
  const mix = mixOf(draft, library);
  const isMixed = draft.parts.length > 0;
  const shares = isMixed
    ? draft.parts.map(({ percent }) => typedNumber(percent) / 100)
    : Object.values(analysisOf(draft));
  const sum = shares.reduce((all, share) => all + (Number.isFinite(share) ? share : 0), 0);
  const wrong = problemOf(draft, library);
  return (
    <fieldset>
      <legend className="mb-1 text-[13px] font-semibold text-ink-soft">{t`Composition, %`}</legend>
      {!isMixed && (
        <div className="mb-2 grid grid-cols-5 gap-2">
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
      )}
      <MixedFrom draft={draft} onChange={onChange} />
      <p className={`mt-1 text-[13.5px] ${wrong ? 'font-medium text-hand' : 'text-ink-soft'}`} role="status">
        {wrong || t`Adds up to ${(100 * sum).toFixed(1)} %.`}
      </p>
      {mix && (
        <p className="text-[13.5px] text-ink-soft">
          {analysisParts
            .filter(([part]) => mix.analysis[part] > 0.0005)
            .map(([part, label]) => t`${label} ${(100 * mix.analysis[part]).toFixed(1)} %`)
            .join(' · ')}
        </p>
      )}
    </fieldset>
  );
};
