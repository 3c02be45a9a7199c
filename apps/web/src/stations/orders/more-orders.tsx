import { plural, t } from '@lingui/core/macro';
import { FileUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import {
  orderColumns,
  ordersOf,
  readOrderTable,
  shiftDate,
  type Formula,
  type OrderColumn,
  type OrderRow,
  type OrderTable,
  type ReadOrder,
} from '@jokul/core';
import { useAddOrders, useOrdersOf, useRemoveOrder } from '../../lib/queries';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field, SelectField } from '../../ui/field';

const columnNames: Readonly<Record<OrderColumn, string>> = {
  customer: t`For`,
  product: t`Product`,
  pieces: t`Pieces`,
  readyBy: t`Ready by`,
  nothing: t`left out`,
};

/** What a person said the columns of a sheet like this one are, by its heading or its width. */
const sheetKey = ({ heading, columns }: OrderTable) =>
  `jokul-order-columns/${heading ? heading.join('|').toLowerCase() : columns.length}`;
const remembered = (table: OrderTable): readonly OrderColumn[] => {
  try {
    const known = JSON.parse(localStorage.getItem(sheetKey(table)) ?? 'null') as OrderColumn[] | null;
    return known?.length === table.columns.length && known.every((c) => orderColumns.includes(c))
      ? known
      : table.columns;
  } catch {
    return table.columns;
  }
};
const remember = (table: OrderTable, columns: readonly OrderColumn[]): void => {
  try {
    localStorage.setItem(sheetKey(table), JSON.stringify(columns));
  } catch {
    // A browser that keeps nothing asks again next time.
  }
};

const Rows = ({
  table,
  columns,
  rows,
  onColumn,
}: {
  table: OrderTable;
  columns: readonly OrderColumn[];
  rows: readonly OrderRow[];
  onColumn: (index: number, what: OrderColumn) => void;
}) => (
  <div className="max-h-[38vh] overflow-auto rounded-md border">
    <table className="w-full text-[14px]">
      <thead className="sticky top-0 bg-surface text-left">
        <tr>
          <th className="px-2 py-1 text-[12.5px] font-normal text-ink-faint">{t`Line`}</th>
          {columns.map((what, i) => (
            <th key={i} className="min-w-28 px-1 py-1">
              <SelectField
                hideLabel
                label={t`Column ${i + 1}${table.heading?.[i] ? `, ${table.heading[i]}` : ''}`}
                value={what}
                onChange={(event) => onColumn(i, event.target.value as OrderColumn)}
              >
                {orderColumns.map((column) => (
                  <option key={column} value={column}>
                    {columnNames[column]}
                  </option>
                ))}
              </SelectField>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ line, cells, troubles }) => (
          <tr key={line} className={`border-t align-top ${troubles.length > 0 ? 'bg-hand-ground' : ''}`}>
            <td className="figures px-2 py-1 text-[12.5px] text-ink-faint">{line}</td>
            {columns.map((what, i) => (
              <td key={i} className={`px-2 py-1 ${what === 'nothing' ? 'text-ink-faint line-through' : ''}`}>
                {cells[i]}
                {i === columns.length - 1 && troubles.length > 0 && (
                  <span className="block text-[13px] font-medium text-hand">{troubles.join(' ')}</span>
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  </div>
);

/** Lines together on the list of a day, with an undo that takes off what was added. */
const usePutOn = (date: string, onDone: () => void) => {
  const add = useAddOrders(date);
  const remove = useRemoveOrder();
  const put = (orders: readonly ReadOrder[]) =>
    add.mutate(
      orders.map((order) => ({ ...order, id: uuid() })),
      {
        onSuccess: ({ added, already }) => {
          toast(
            t`${plural(added.length, { one: '# line', other: '# lines' })} put on the list${already > 0 ? t`; ${already} were there already` : ''}.`,
            added.length > 0
              ? { action: { label: t`Undo`, onClick: () => added.forEach((line) => remove.mutate(line)) } }
              : {},
          );
          onDone();
        },
        onError: (error) => toast.error(error.message, { duration: 10_000 }),
      },
    );
  return { put, busy: add.isPending };
};

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

const FromSheet = ({
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
  const rows = ordersOf(table, columns, known, usual);
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
      <input
        ref={file}
        type="file"
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        aria-label={t`A CSV file`}
        className="sr-only"
        onChange={(event) => {
          void event.target.files?.[0]?.text().then(setText);
          event.target.value = '';
        }}
      />
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Button icon={<FileUp size={16} />} onClick={() => file.current?.click()}>{t`A CSV file`}</Button>
        {rows.length > 0 && <NotInSheet columns={columns} usual={usual} onChange={setUsual} />}
      </div>
      {rows.length > 0 && (
        <div className="mt-3">
          <Rows
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

const FromDay = ({ date, onDone }: { date: string; onDone: () => void }) => {
  const [from, setFrom] = useState(shiftDate(date, -7));
  const day = useOrdersOf(from);
  const { put, busy } = usePutOn(date, onDone);
  const orders = day.data?.orders ?? [];
  const pieces = orders.reduce((sum, order) => sum + order.pieces, 0);
  return (
    <section aria-label={t`From another day`} className="mt-5 border-t pt-4">
      <div className="flex flex-wrap items-end gap-3">
        <Field
          label={t`Or copy the list of another day`}
          type="date"
          value={from}
          onChange={(event) => event.target.value && setFrom(event.target.value)}
        />
        <Button
          disabled={orders.length === 0 || busy || from === date}
          onClick={() =>
            put(
              orders.map(({ customer, productCode, pieces: n, readyBy }) => ({
                customer,
                productCode,
                pieces: n,
                readyBy,
              })),
            )
          }
        >
          {t`Copy its ${plural(orders.length, { one: '# line', other: '# lines' })}`}
        </Button>
        <p role="status" className="pb-2 text-[13.5px] text-ink-soft">
          {day.isPending
            ? t`Looking …`
            : day.isLoadingError
              ? day.error.message
              : from === date
                ? t`That is this day itself.`
                : orders.length === 0
                  ? t`Nothing is on its list.`
                  : t`${pieces} pieces in all.`}
        </p>
      </div>
    </section>
  );
};

/** Orders from a spreadsheet, a CSV file or the list of another day. */
export const MoreOrders = ({
  date,
  formulas,
  open,
  onClose,
}: {
  date: string;
  formulas: readonly Formula[];
  open: boolean;
  onClose: () => void;
}) => (
  <Dialog open={open} onClose={onClose} title={t`Many lines at once`} wide>
    <FromSheet date={date} formulas={formulas} onDone={onClose} />
    <FromDay date={date} onDone={onClose} />
  </Dialog>
);
