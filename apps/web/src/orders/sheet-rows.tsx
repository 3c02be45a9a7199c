import { t } from '@lingui/core/macro';
import { Fragment } from 'react';
import { orderColumns, type OrderColumn, type OrderRow, type OrderTable } from '@jokul/core';
import { SelectField } from '../ui/field';
import { columnNames } from './order-columns';

/** The lines of a sheet as they were read, and what each of its columns is. */
export const SheetRows = ({
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
          <Fragment key={line}>
            <tr className={`border-t align-top ${troubles.length > 0 ? 'bg-hand-ground' : ''}`}>
              <td className="figures px-2 py-1 text-[12.5px] text-ink-faint">{line}</td>
              {columns.map((what, i) => (
                <td
                  key={i}
                  className={`px-2 py-1 ${what === 'nothing' ? 'text-ink-faint line-through' : ''}`}
                >
                  {cells[i]}
                </td>
              ))}
            </tr>
            {troubles.length > 0 && (
              <tr className="bg-hand-ground">
                <td />
                <td colSpan={columns.length} className="px-2 pb-1 text-[13px] font-medium text-hand">
                  {/* In sight also where the sheet is wider than the dialog. */}
                  <span className="sticky left-2 inline-block max-w-[min(38rem,80vw)]">
                    {troubles.join(' ')}
                  </span>
                </td>
              </tr>
            )}
          </Fragment>
        ))}
      </tbody>
    </table>
  </div>
);
