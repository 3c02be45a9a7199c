import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import type { BakeryView } from '@jokul/contracts';
import { useSavePrices } from '../lib/queries';
import { typedNumber } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { Said } from '../ui/said';

/** What a kilowatt hour costs: what the ovens of a day take is shown on Day, in money too once this is known. */
export const EnergyForm = ({ bakery }: { readonly bakery: BakeryView }) => {
  const save = useSavePrices();
  const { prices, pricesVersion } = bakery;
  const shown = prices.perKWh ? String(prices.perKWh) : '';
  const [text, setText] = useState(shown);
  const [currency, setCurrency] = useState(prices.currency);
  const price = text.trim() === '' ? 0 : typedNumber(text);
  const badPrice = !(price >= 0 && price <= 1000);
  const badCurrency = currency !== '' && !/^[A-Z]{3}$/.test(currency);
  const changed = text !== shown || currency !== prices.currency;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (!changed || badPrice || badCurrency) return;
        save.mutate(
          { ...prices, currency, perKWh: price, version: pricesVersion },
          { onSuccess: () => toast(t`The price of energy is saved.`) },
        );
      }}
    >
      <div className="grid grid-cols-2 items-start gap-3">
        <Field
          label={t`Price of a kWh`}
          inputMode="decimal"
          className="figures text-right"
          value={text}
          placeholder={t`not known`}
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
      </div>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`Day says what its ovens take, where the power of their heaters is known.`}</p>
      {save.error && (
        <p role="alert" className="mt-1 font-medium text-hand">
          <Said>{save.error.message}</Said>
        </p>
      )}
      <div className="mt-3 flex justify-end">
        <Button type="submit" look="primary" data-changes disabled={!changed || save.isPending}>
          {t`Save`}
        </Button>
      </div>
    </form>
  );
};
