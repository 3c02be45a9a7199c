import { t } from '@lingui/core/macro';
import { isCalendarDate, readTimeOfDay, type Equipment } from '@jokul/core';
import type { WhatIfInput } from '@jokul/contracts';

/** One thing that might be otherwise, as it is typed. */
export type Row =
  | { readonly kind: 'oven-out'; readonly ovenId: string }
  | { readonly kind: 'oven-more'; readonly likeId: string; readonly name: string }
  | { readonly kind: 'away'; readonly date: string; readonly shift: string; readonly hands: string }
  | {
      readonly kind: 'order';
      readonly customer: string;
      readonly productCode: string;
      readonly pieces: string;
      readonly readyBy: string;
    };
export type RowKind = Row['kind'];

/** A name that no oven has: the one it is like, with the next number. */
const nextName = (like: string, { ovens }: Pick<Equipment, 'ovens'>, rows: readonly Row[]): string => {
  const taken = new Set([
    ...ovens.map(({ name }) => name.toLowerCase()),
    ...rows.flatMap((row) => (row.kind === 'oven-more' ? [row.name.toLowerCase()] : [])),
  ]);
  for (let n = 2; ; n++) if (!taken.has(`${like} ${n}`.toLowerCase())) return `${like} ${n}`;
};

/** A row as it is offered first. */
export const newRow = (
  kind: RowKind,
  equipment: Pick<Equipment, 'ovens' | 'shifts'>,
  rows: readonly Row[],
  today: string,
): Row => {
  const ovens = equipment.ovens.filter(({ retired }) => !retired);
  const out = rows.flatMap((row) => (row.kind === 'oven-out' ? [row.ovenId] : []));
  switch (kind) {
    case 'oven-out':
      return { kind, ovenId: ovens.find(({ id }) => !out.includes(id))?.id ?? '' };
    case 'oven-more': {
      const [like] = ovens;
      return { kind, likeId: like?.id ?? '', name: nextName(like?.name ?? t`Oven`, equipment, rows) };
    }
    case 'away':
      return { kind, date: today, shift: equipment.shifts[0]?.name ?? '', hands: '1' };
    case 'order':
      return { kind, customer: '', productCode: '', pieces: '', readyBy: '' };
  }
};

const whole = (text: string, most: number): number | null => {
  const value = Number(text.trim());
  return text.trim() !== '' && Number.isInteger(value) && value >= 1 && value <= most ? value : null;
};

/** What is wrong with a row, in a sentence; null where nothing is. */
export const wrongWith = (row: Row): string | null => {
  switch (row.kind) {
    case 'oven-out':
      return row.ovenId === '' ? t`Choose an oven.` : null;
    case 'oven-more':
      return row.name.trim() === '' ? t`Give the oven a name.` : null;
    case 'away':
      if (!isCalendarDate(row.date)) return t`Give the day.`;
      return whole(row.hands, 100) === null ? t`Say how many are away.` : null;
    case 'order':
      if (row.customer.trim() === '') return t`Say who it is for.`;
      if (row.productCode === '') return t`Choose a product.`;
      if (whole(row.pieces, 20_000) === null) return t`Pieces are a whole number from 1 to 20,000.`;
      return readTimeOfDay(row.readyBy) === null ? t`Ready by is a time such as 05:40.` : null;
  }
};

/** Rows that nothing is wrong with, as they are asked. */
export const asInput = (rows: readonly Row[]): WhatIfInput => {
  const of = <K extends RowKind>(kind: K) =>
    rows.filter((row): row is Extract<Row, { kind: K }> => row.kind === kind);
  return {
    ovensOut: of('oven-out').map(({ ovenId }) => ovenId),
    ovensMore: of('oven-more').map(({ likeId, name }) => ({ likeId, name: name.trim() })),
    away: of('away').map(({ date, shift, hands }) => ({ date, shift, hands: Number(hands) })),
    orders: of('order').map(({ customer, productCode, pieces, readyBy }) => ({
      customer: customer.trim(),
      productCode,
      pieces: Number(pieces),
      readyBy: readTimeOfDay(readyBy) ?? readyBy,
    })),
  };
};
