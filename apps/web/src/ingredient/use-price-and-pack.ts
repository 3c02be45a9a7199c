import { useState } from 'react';
import { toast } from 'sonner';
import { t } from '@lingui/core/macro';
import { massUnitsG, ownPrice, type Ingredient, type Prices } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useSavePrices } from '../lib/queries';
import { typedNumber, useUnits } from '../lib/units';

/** A figure as it is typed: empty for none, and to the last digit what was stored while nobody touches it. */
const useTyped = (stored: number | null, show: (value: number) => string, read: (text: string) => number) => {
  const shown = stored === null ? '' : show(stored);
  const [text, setText] = useState(shown);
  const value = text.trim() === '' ? null : text === shown ? stored : read(text);
  return { text, setText, value, changed: text !== shown };
};

const withOrWithout = (
  before: Readonly<Record<string, number>>,
  id: string,
  value: number | null,
): Readonly<Record<string, number>> => {
  const { [id]: _before, ...others } = before;
  return value === null ? others : { ...others, [id]: value };
};

const packOf = ({ packG = {} }: Prices, id: string): number | null =>
  Object.hasOwn(packG, id) ? (packG[id] ?? null) : null;

const isOutside = (value: number | null, low: number, high: number): boolean =>
  value !== null && !(value >= low && value <= high);

/** What is typed of the price and the pack of an ingredient, what of it is wrong, and how it is saved. */
export const usePriceAndPack = (food: Ingredient, { prices, pricesVersion }: BakeryView) => {
  const { units, figure, typed } = useUnits();
  const save = useSavePrices();
  const kgOfUnit = units === 'us' ? massUnitsG.lb / 1000 : 1;
  const price = useTyped(
    ownPrice(prices, food.id),
    (perKg) => String(Number((perKg * kgOfUnit).toPrecision(6))),
    (text) => typedNumber(text) / kgOfUnit,
  );
  const pack = useTyped(
    packOf(prices, food.id),
    (massG) => figure(massG, 'mass'),
    (text) => typed(text, 'mass'),
  );
  const [currency, setCurrency] = useState(prices.currency);
  const wrong = {
    price: isOutside(price.value, 0, 100_000),
    pack: isOutside(pack.value, 1, 1e6),
    currency: currency !== '' && !/^[A-Z]{3}$/.test(currency),
  };
  const changed = price.changed || pack.changed || currency !== prices.currency;
  const canSave = changed && !Object.values(wrong).includes(true);
  const store = () => {
    const hasPacks = prices.packG !== undefined || pack.value !== null;
    save.mutate(
      {
        ...prices,
        currency,
        perKg: withOrWithout(prices.perKg, food.id, price.value),
        ...(hasPacks && { packG: withOrWithout(prices.packG ?? {}, food.id, pack.value) }),
        version: pricesVersion,
      },
      {
        onSuccess: () =>
          toast(
            price.value === null && pack.value === null
              ? t`${food.name} has no price.`
              : t`Price and pack of ${food.name} are saved.`,
          ),
      },
    );
  };
  return { price, pack, currency, setCurrency, wrong, canSave, store, save, kgOfUnit };
};
