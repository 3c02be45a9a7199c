import { t } from '@lingui/core/macro';
import { orderColumns, type OrderColumn, type OrderTable } from '@jokul/core';

export const columnNames: Readonly<Record<OrderColumn, string>> = {
  customer: t`For`,
  product: t`Product`,
  pieces: t`Pieces`,
  unit: t`Unit`,
  date: t`Date`,
  readyBy: t`Ready by`,
  nothing: t`left out`,
};

/** What a person said the columns of a sheet like this one are, by its heading or its width; since there are dates and units. */
export const sheetKey = ({ heading, columns }: OrderTable) =>
  `jokul-order-columns-2/${heading ? heading.join('|').toLowerCase() : columns.length}`;
export const remembered = (table: OrderTable): readonly OrderColumn[] => {
  try {
    const known = JSON.parse(localStorage.getItem(sheetKey(table)) ?? 'null') as OrderColumn[] | null;
    return known?.length === table.columns.length && known.every((c) => orderColumns.includes(c))
      ? known
      : table.columns;
  } catch {
    return table.columns;
  }
};
export const remember = (table: OrderTable, columns: readonly OrderColumn[]): void => {
  try {
    localStorage.setItem(sheetKey(table), JSON.stringify(columns));
  } catch {
    // A browser that keeps nothing asks again next time.
  }
};
