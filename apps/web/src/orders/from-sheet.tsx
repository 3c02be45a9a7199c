import { plural, t } from '@lingui/core/macro';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { ordersOf, readOrderTable, type Formula, type OrderColumn } from '@jokul/core';
import { Button } from '../ui/button';
import { FileInput } from '../ui/file-input';
import { Field } from '../ui/field';
import { remember, remembered, sheetKey } from './order-columns';
import { SheetRows } from './sheet-rows';
import { usePutOn } from './use-put-on';

interface Usual {
  readonly customer: string;
  readonly readyBy: string;
}

/** What no column of the sheet says, for all its lines. */
const NotInSheet = ({
  columns,
  usual,
  onChange,
}: {
  readonly columns: readonly OrderColumn[];
  readonly usual: Usual;
  readonly onChange: (usual: Usual) => void;
}) => (
  <>
    {!columns.includes('customer') && (
      <Field
        label={t`For, as the sheet does not say`}
        value={usual.customer}
        onChange={(event) => onChange({ ...usual, customer: event.target.value })}
      />
    )}
    {!columns.includes('readyBy') && (
      <Field
        label={t`Ready by, as the sheet does not say`}
        placeholder="05:40"
        className="figures"
        value={usual.readyBy}
        onChange={(event) => onChange({ ...usual, readyBy: event.target.value })}
      />
    )}
  </>
);

/** Lines that are pasted from a spreadsheet, or come in a CSV file. */
export const FromSheet = ({
  date,
  formulas,
  onDone,
}: {
  date: string;
  formulas: readonly Formula[];
  onDone: () => void;
}) => {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<{ key: string; columns: readonly OrderColumn[] } | null>(null);
  const [usual, setUsual] = useState({ customer: '', readyBy: '' });
  const file = useRef<HTMLInputElement>(null);
  const { put, busy } = usePutOn(date, onDone);
  const known = formulas.map(({ code, name }) => ({ code, name }));
  const table = readOrderTable(text, known);
  const key = sheetKey(table);
  const columns = chosen?.key === key ? chosen.columns : remembered(table);
  const rows = ordersOf(table, columns, known, { ...usual, date });
  const good = rows.flatMap(({ order }) => (order ? [order] : []));
  const wrong = rows.length - good.length;
  return (
    <section aria-label={t`From a spreadsheet`}>
      <label
        htmlFor="pasted-orders"
        className="mb-1 block text-[13px] text-ink-soft"
      >{t`Copy the lines in your spreadsheet and paste them here, or choose a CSV file.`}</label>
      <textarea
        id="pasted-orders"
        rows={rows.length > 0 ? 3 : 6}
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder={`Ferry galley\tQuay Ginger\t96\t05:40`}
        className="figures w-full rounded-md border border-line-strong bg-raised px-2 py-1.5 text-[14px]"
      />
      <FileInput
        input={file}
        label={t`A CSV file`}
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        onChoose={(picked) =>
          void picked.text().then(setText, () => toast.error(t`The file cannot be read.`))
        }
      />
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Button icon={<FileUp size={16} />} onClick={() => file.current?.click()}>{t`A CSV file`}</Button>
        {rows.length > 0 && <NotInSheet columns={columns} usual={usual} onChange={setUsual} />}
      </div>
      {rows.length > 0 && (
        <div className="mt-3">
          <SheetRows
            table={table}
            columns={columns}
            rows={rows}
            onColumn={(index, what) => {
              const next = columns.map((own, i) => (i === index ? what : own === what ? 'nothing' : own));
              remember(table, next);
              setChosen({ key, columns: next });
            }}
          />
          <div className="mt-3 flex items-center justify-between gap-3">
            <p role="status" className="text-[13.5px] text-ink-soft">
              {t`${good.length} of ${plural(rows.length, { one: '# line is', other: '# lines are' })} read${wrong > 0 ? t`; ${wrong} will be left out` : ''}.`}
            </p>
            <Button
              look="primary"
              disabled={good.length === 0 || busy}
              onClick={() => put(good)}
            >{t`Put ${good.length} on the list`}</Button>
          </div>
        </div>
      )}
    </section>
  );
};
