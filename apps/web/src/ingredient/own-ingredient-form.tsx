import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { givenOf, isShipped, ownId, type Ingredient } from '@jokul/core';
import type { BakeryView, OwnIngredientsInput } from '@jokul/contracts';
import { useLibrary, useSaveIngredients } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Said } from '../ui/said';
import { draftOf, problemOf, rowOf, type Draft } from './own-ingredient-draft';
import { Declares } from './declares';
import { Composition } from './mixed-from';
import { Measures, Names } from './own-ingredient-fields';

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
  const { units } = useUnits();
  const isNew = isShipped(from.id);
  const [draft, setDraft] = useState(() => draftOf(from, isNew, units));
  const change = (part: Partial<Draft>) => setDraft((before) => ({ ...before, ...part }));
  const save = useSaveIngredients();
  const library = useLibrary();
  const navigate = useNavigate();
  const store = async () => {
    const id = isNew ? ownId(draft.name) : from.id;
    const row = rowOf(id, draft);
    const others = bakery.ownIngredients
      .filter((other) => other.id !== id)
      .map((other) => structuredClone(givenOf(other)));
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
          <Said>{save.error.message}</Said>
        </p>
      )}
      <div className="flex gap-2">
        <Button
          type="submit"
          look="primary"
          disabled={
            problemOf(draft, library) !== '' ||
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
