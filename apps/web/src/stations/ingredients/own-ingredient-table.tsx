import { plural, t } from '@lingui/core/macro';
import { Download, FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import {
  ingredientsToCsv,
  JokulError,
  readIngredientTable,
  type IngredientTableRow,
  type OwnIngredientRow,
} from '@jokul/core';
import type { BakeryView, OwnIngredientsInput } from '@jokul/contracts';
import { useSaveIngredients } from '../../lib/queries';
import { saveFile } from '../../lib/save-file';
import { Button } from '../../ui/button';

const ownRows = ({ ownIngredients }: BakeryView): readonly OwnIngredientRow[] =>
  ownIngredients.map(({ composition: _c, parts: _p, words: _w, ...row }) => row);

interface Opened {
  readonly name: string;
  readonly rows: readonly IngredientTableRow[];
  readonly problem: string | null;
}

const open = async (file: File): Promise<Opened> => {
  try {
    return { name: file.name, rows: readIngredientTable(await file.text()), problem: null };
  } catch (error) {
    if (!(error instanceof JokulError)) throw error;
    return { name: file.name, rows: [], problem: error.message };
  }
};

/** What a table would do, before it is done. */
const Look = ({
  opened,
  bakery,
  onDone,
}: {
  readonly opened: Opened;
  readonly bakery: BakeryView;
  readonly onDone: () => void;
}) => {
  const save = useSaveIngredients();
  const { name, rows, problem } = opened;
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
    <section aria-label={t`Table of ingredients`} className="mb-4 max-w-3xl rounded-lg border bg-surface p-4">
      <h2 className="font-semibold break-all">{name}</h2>
      {problem ? (
        <p role="alert" className="font-medium text-hand">
          {problem}
        </p>
      ) : (
        <>
          <p className="text-ink-soft">
            {t`${taken.length - changed.length} new, ${changed.length} changed, ${troubled.length} not read. Others of your own stay as they are.`}
          </p>
          {changed.length > 0 && (
            <p className="mt-1 text-[13.5px] text-ink-soft">{t`Changed: ${changed.map((row) => row.name).join(', ')}. Plans and formulas with them are worked out anew; doughs that are mixed stay what they are.`}</p>
          )}
          {troubled.length > 0 && (
            <ul className="mt-2 space-y-1" aria-label={t`Not read`}>
              {troubled.map(({ line, name: row, troubles }) => (
                <li key={line} className="border-l-2 border-hand pl-2 text-[13.5px]">
                  {t`Row ${line}${row ? `, ${row}` : ''}: ${troubles.join(' ')}`}
                </li>
              ))}
            </ul>
          )}
        </>
      )}
      {save.error && (
        <p role="alert" className="mt-2 font-medium text-hand">
          {save.error.message}
        </p>
      )}
      <div className="mt-3 flex gap-2">
        {taken.length > 0 && (
          <Button look="primary" data-changes disabled={save.isPending} onClick={take}>
            {t`Take ${plural(taken.length, { one: 'one ingredient', other: '# ingredients' })}`}
          </Button>
        )}
        <Button onClick={onDone}>{t`Leave it`}</Button>
      </div>
    </section>
  );
};

/** The bakery's own ingredients to a spreadsheet and back. */
export const OwnIngredientTable = ({ bakery }: { readonly bakery: BakeryView }) => {
  const [opened, setOpened] = useState<Opened | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const own = ownRows(bakery);
  return (
    <>
      <div className="no-print mb-3 flex flex-wrap items-center gap-2">
        <Button
          size="small"
          icon={<Download size={15} />}
          disabled={own.length === 0}
          onClick={() => saveFile('own-ingredients.csv', 'text/csv', ingredientsToCsv(own))}
        >{t`Save our own as CSV`}</Button>
        <Button
          size="small"
          icon={<FileUp size={15} />}
          onClick={() => input.current?.click()}
        >{t`Open a CSV of ingredients`}</Button>
        <input
          ref={input}
          type="file"
          aria-label={t`CSV of ingredients`}
          accept=".csv,.tsv,.txt,text/csv"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void open(file).then(setOpened, () => toast.error(t`The file cannot be read.`));
          }}
        />
      </div>
      {opened && <Look opened={opened} bakery={bakery} onDone={() => setOpened(null)} />}
    </>
  );
};
