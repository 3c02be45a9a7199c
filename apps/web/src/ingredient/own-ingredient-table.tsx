import { plural, t } from '@lingui/core/macro';
import { toast } from 'sonner';
import {
  givenOf,
  ingredientsToCsv,
  readIngredientTable,
  type IngredientTableRow,
  type OwnIngredientRow,
} from '@jokul/core';
import type { BakeryView, OwnIngredientsInput } from '@jokul/contracts';
import { useSaveIngredients } from '../lib/queries';
import { Button } from '../ui/button';
import { CsvTable, TableLook, type OpenedTable } from '../ui/csv-table';

const ownRows = ({ ownIngredients }: BakeryView): readonly OwnIngredientRow[] => ownIngredients.map(givenOf);

/** What a table would do, before it is done. */
const Look = ({
  opened,
  bakery,
  onDone,
}: {
  readonly opened: OpenedTable<IngredientTableRow>;
  readonly bakery: BakeryView;
  readonly onDone: () => void;
}) => {
  const save = useSaveIngredients();
  const { name, rows } = opened;
  const known = ownRows(bakery);
  const taken = rows.flatMap(({ ingredient }) => ingredient ?? []);
  const changed = taken.filter(({ id }) => known.some((own) => own.id === id));
  const troubled = rows.filter(({ troubles }) => troubles.length > 0);
  const take = () =>
    save.mutate(
      {
        ingredients: structuredClone([
          ...known.filter(({ id }) => taken.every((row) => row.id !== id)),
          ...taken,
        ]),
        version: bakery.ownIngredientsVersion,
      } as unknown as OwnIngredientsInput,
      {
        onSuccess: () => {
          toast(
            t`${plural(taken.length, { one: '# ingredient', other: '# ingredients' })} taken from ${name}.`,
          );
          onDone();
        },
      },
    );
  return (
    <TableLook
      label={t`Table of ingredients`}
      opened={opened}
      says={
        <>
          <p className="text-ink-soft">
            {t`${taken.length - changed.length} new, ${changed.length} changed, ${troubled.length} not read. Others of your own stay as they are.`}
          </p>
          {changed.length > 0 && (
            <p className="mt-1 text-[13.5px] text-ink-soft">{t`Changed: ${changed.map((row) => row.name).join(', ')}. Plans and formulas with them are worked out anew; doughs that are mixed stay what they are.`}</p>
          )}
        </>
      }
      refused={save.error?.message ?? null}
      take={
        taken.length > 0 && (
          <Button look="primary" data-changes disabled={save.isPending} onClick={take}>
            {plural(taken.length, { one: 'Take one ingredient', other: 'Take # ingredients' })}
          </Button>
        )
      }
      onLeave={onDone}
    />
  );
};

/** The bakery's own ingredients to a spreadsheet and back. */
export const OwnIngredientTable = ({ bakery }: { readonly bakery: BakeryView }) => {
  const own = ownRows(bakery);
  return (
    <CsvTable
      saveLabel={t`Save our own as CSV`}
      openLabel={t`Open a CSV of ingredients`}
      fileLabel={t`CSV of ingredients`}
      fileName="own-ingredients.csv"
      csv={own.length === 0 ? null : () => ingredientsToCsv(own)}
      read={readIngredientTable}
    >
      {(opened, done) => <Look opened={opened} bakery={bakery} onDone={done} />}
    </CsvTable>
  );
};
