import { t } from '@lingui/core/macro';
import { ownPrice, pricePerKg, type Ingredient } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { Said } from '../ui/said';
import { usePriceAndPack } from './use-price-and-pack';

/** What this bakery pays for an ingredient, by the kilogram or the pound, in whose money, and what a pack of it holds. */
export const PriceForm = ({ food, bakery }: { food: Ingredient; bakery: BakeryView }) => {
  const { units, label } = useUnits();
  const { price, pack, currency, setCurrency, wrong, canSave, store, save, kgOfUnit } = usePriceAndPack(
    food,
    bakery,
  );
  const { prices } = bakery;
  const ofParts = ownPrice(prices, food.id) === null ? pricePerKg(food, prices) : null;
  return (
    <form
      aria-label={t`Price and pack`}
      className="mt-6 flex max-w-2xl flex-wrap items-end gap-3 border-t pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (canSave) store();
      }}
    >
      <Field
        label={units === 'us' ? t`Price of a pound` : t`Price of a kilogram`}
        inputMode="decimal"
        value={price.text}
        placeholder={
          ofParts === null ? t`not known` : t`${Number((ofParts * kgOfUnit).toPrecision(4))} by its parts`
        }
        error={wrong.price ? t`A figure from 0 up.` : undefined}
        onChange={(event) => price.setText(event.target.value)}
      />
      <Field
        label={label(t`A pack holds`, 'mass')}
        inputMode="decimal"
        value={pack.text}
        placeholder={t`loose`}
        error={wrong.pack ? t`From 1 g to 1 t.` : undefined}
        onChange={(event) => pack.setText(event.target.value)}
      />
      <Field
        label={t`Currency of all prices`}
        value={currency}
        maxLength={3}
        placeholder="EUR"
        error={wrong.currency ? t`Three letters, such as EUR.` : undefined}
        onChange={(event) => setCurrency(event.target.value.trim().toUpperCase())}
      />
      <Button type="submit" disabled={!canSave || save.isPending}>
        {t`Save`}
      </Button>
      {save.error && (
        <p role="alert" className="font-medium text-hand">
          <Said>{save.error.message}</Said>
        </p>
      )}
    </form>
  );
};
