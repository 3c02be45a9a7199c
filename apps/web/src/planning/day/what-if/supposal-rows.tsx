import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import { inUse } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../../ui/button';
import { Field, SelectField } from '../../../ui/field';
import { newRow, wrongWith, type Row, type RowKind } from './supposal';

const kinds: readonly (readonly [RowKind, string])[] = [
  ['oven-out', t`An oven is out`],
  ['oven-more', t`One more oven`],
  ['away', t`Somebody is away`],
  ['order', t`One more order`],
];
const nameOf = (kind: RowKind) => kinds.find(([own]) => own === kind)?.[1] ?? '';

/** One oven stays: without it nothing is baked. */
const outAll = (rows: readonly Row[], bakery: BakeryView) =>
  rows.filter(({ kind }) => kind === 'oven-out').length >= inUse(bakery.equipment).ovens.length - 1;

const Ovens = ({ bakery }: { bakery: BakeryView }) =>
  inUse(bakery.equipment).ovens.map(({ id, name }) => (
    <option key={id} value={id}>
      {name}
    </option>
  ));

interface FieldsProps<K extends RowKind> {
  readonly row: Extract<Row, { readonly kind: K }>;
  readonly bakery: BakeryView;
  readonly onChange: (row: Row) => void;
}

const OvenOut = ({ row, bakery, onChange }: FieldsProps<'oven-out'>) => (
  <SelectField
    label={t`Which oven`}
    value={row.ovenId}
    onChange={(event) => onChange({ ...row, ovenId: event.target.value })}
  >
    <Ovens bakery={bakery} />
  </SelectField>
);

const OvenMore = ({ row, bakery, onChange }: FieldsProps<'oven-more'>) => (
  <>
    <SelectField
      label={t`Like`}
      value={row.likeId}
      onChange={(event) => onChange({ ...row, likeId: event.target.value })}
    >
      <Ovens bakery={bakery} />
    </SelectField>
    <Field
      label={t`Called`}
      maxLength={60}
      value={row.name}
      onChange={(event) => onChange({ ...row, name: event.target.value })}
    />
  </>
);

const Away = ({ row, bakery, onChange }: FieldsProps<'away'>) => (
  <>
    <SelectField
      label={t`From the shift`}
      value={row.shift}
      onChange={(event) => onChange({ ...row, shift: event.target.value })}
    >
      {bakery.equipment.shifts.map(({ name, from, to }) => (
        <option key={name} value={name}>
          {t`${name}, ${from} to ${to}`}
        </option>
      ))}
    </SelectField>
    <Field
      label={t`That begins on`}
      type="date"
      value={row.date}
      onChange={(event) => onChange({ ...row, date: event.target.value })}
    />
    <Field
      label={t`How many hands`}
      inputMode="numeric"
      className="figures"
      value={row.hands}
      onChange={(event) => onChange({ ...row, hands: event.target.value })}
    />
  </>
);

const OneOrder = ({ row, bakery, onChange }: FieldsProps<'order'>) => (
  <>
    <Field
      label={t`For`}
      maxLength={80}
      value={row.customer}
      onChange={(event) => onChange({ ...row, customer: event.target.value })}
    />
    <SelectField
      label={t`Product`}
      value={row.productCode}
      onChange={(event) => onChange({ ...row, productCode: event.target.value })}
    >
      <option value="">{t`choose …`}</option>
      {bakery.formulas.map(({ code, name }) => (
        <option key={code} value={code}>
          {name}
        </option>
      ))}
    </SelectField>
    <Field
      label={t`Pieces`}
      inputMode="numeric"
      className="figures"
      value={row.pieces}
      onChange={(event) => onChange({ ...row, pieces: event.target.value })}
    />
    <Field
      label={t`Ready by`}
      inputMode="numeric"
      placeholder="05:40"
      className="figures"
      value={row.readyBy}
      onChange={(event) => onChange({ ...row, readyBy: event.target.value })}
    />
  </>
);

const RowFields = ({ row, ...rest }: FieldsProps<RowKind>) => {
  switch (row.kind) {
    case 'oven-out':
      return <OvenOut row={row} {...rest} />;
    case 'oven-more':
      return <OvenMore row={row} {...rest} />;
    case 'away':
      return <Away row={row} {...rest} />;
    case 'order':
      return <OneOrder row={row} {...rest} />;
  }
};

/** What is supposed to be otherwise, a line for each thing. */
export const SupposalRows = ({
  rows,
  bakery,
  today,
  checked,
  onChange,
}: {
  readonly rows: readonly Row[];
  readonly bakery: BakeryView;
  readonly today: string;
  /** Whether what is wrong is said: not before it was asked once. */
  readonly checked: boolean;
  readonly onChange: (rows: readonly Row[]) => void;
}) => (
  <>
    <ul className="space-y-2">
      {rows.map((row, i) => {
        const wrong = checked ? wrongWith(row) : null;
        return (
          // oxlint-disable-next-line react/no-array-index-key -- a row has no other name while it is typed
          <li key={i} className="rounded-md border bg-ground p-2">
            <fieldset>
              <legend className="float-left text-[13.5px] font-semibold">{nameOf(row.kind)}</legend>
              <Button
                size="small"
                look="quiet"
                className="float-right"
                aria-label={t`Leave out: ${nameOf(row.kind)}`}
                icon={<X size={15} aria-hidden />}
                onClick={() => onChange(rows.filter((_, j) => j !== i))}
              />
              <div className="clear-both grid grid-cols-[repeat(auto-fit,minmax(8rem,1fr))] gap-2">
                <RowFields
                  row={row}
                  bakery={bakery}
                  onChange={(next) => onChange(rows.map((own, j) => (j === i ? next : own)))}
                />
              </div>
              {wrong && (
                <p role="alert" className="mt-1 text-[13px] font-medium text-hand">
                  {wrong}
                </p>
              )}
            </fieldset>
          </li>
        );
      })}
    </ul>
    <div role="group" aria-label={t`Suppose`} className="mt-2 flex flex-wrap gap-2">
      {kinds.map(([kind, name]) => (
        <Button
          key={kind}
          size="small"
          className="thumb"
          icon={<Plus size={14} aria-hidden />}
          disabled={kind === 'oven-out' && outAll(rows, bakery)}
          onClick={() => onChange([...rows, newRow(kind, bakery.equipment, rows, today)])}
        >
          {name}
        </Button>
      ))}
    </div>
  </>
);
