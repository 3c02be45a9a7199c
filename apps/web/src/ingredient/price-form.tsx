import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import { massUnitsG, ownPrice, pricePerKg, type Ingredient } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useSavePrices } from '../lib/queries';
import { typedNumber, useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { Said } from '../ui/said';

/** What this bakery pays for an ingredient, by the kilogram or the pound; and in whose money all its prices are. */
export const PriceForm = ({ food, bakery }: { food: Ingredient; bakery: BakeryView }) => {
  const { units } = useUnits();
  const save = useSavePrices();
  const { prices, pricesVersion } = bakery;
  const isUs = units === 'us';
  const kgOfUnit = isUs ? massUnitsG.lb / 1000 : 1;
  const own = ownPrice(prices, food.id);
  const shown = own === null ? '' : String(Number((own * kgOfUnit).toPrecision(6)));
  const [text, setText] = useState(shown);
  const [currency, setCurrency] = useState(prices.currency);
  const price = text.trim() === '' ? null : text === shown ? own : typedNumber(text) / kgOfUnit;
  const badPrice = price !== null && !(price >= 0 && price <= 100_000);
  const badCurrency = currency !== '' && !/^[A-Z]{3}$/.test(currency);
  const changed = text !== shown || currency !== prices.currency;
  const ofParts = own === null ? pricePerKg(food, prices) : null;
  const store = () => {
    const { [food.id]: _before, ...others } = prices.perKg;
    const perKg = price === null ? others : { ...others, [food.id]: price };
    save.mutate(
      { currency, perKg, version: pricesVersion },
      {
        onSuccess: () =>
          toast(price === null ? t`${food.name} has no price.` : t`The price of ${food.name} is saved.`),
      },
    );
  };
  return (
    <form
      aria-label={t`Price`}
      className="mt-6 flex max-w-md items-end gap-3 border-t pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (changed && !badPrice && !badCurrency) store();
      }}
    >
      <Field
        label={isUs ? t`Price of a pound` : t`Price of a kilogram`}
        inputMode="decimal"
        value={text}
        placeholder={
          ofParts === null ? t`not known` : t`${Number((ofParts * kgOfUnit).toPrecision(4))} by its parts`
        }
        error={badPrice ? t`A figure from 0 up.` : undefined}
        onChange={(event) => setText(event.target.value)}
      />
      <Field
        label={t`Currency of all prices`}
        value={currency}
        maxLength={3}
        placeholder="EUR"
        error={badCurrency ? t`Three letters, such as EUR.` : undefined}
        onChange={(event) => setCurrency(event.target.value.trim().toUpperCase())}
      />
      <Button type="submit" disabled={!changed || badPrice || badCurrency || save.isPending}>
        {t`Save price`}
      </Button>
      {save.error && (
        <p role="alert" className="font-medium text-hand">
          <Said>{save.error.message}</Said>
        </p>
      )}
    </form>
  );
};
