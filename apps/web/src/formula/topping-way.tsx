import { t } from '@lingui/core/macro';
import { foodOf, toppingWays, type Topping, type ToppingWay } from '@jokul/core';

/** Before the name of a topping. */
export const toppingPrefix: Readonly<Record<ToppingWay, string>> = {
  coat: t`Rolled in: `,
  top: t`On top: `,
  iced: t`Icing: `,
};

const words: Readonly<Record<ToppingWay, string>> = {
  coat: t`rolled in it, all round`,
  top: t`on top, before the oven`,
  iced: t`iced with it, when cold`,
};

/** How a topping is put on: a coat holds the colour back, icing goes on after the oven. */
export const ToppingChoice = ({
  topping,
  onChange,
}: {
  readonly topping: Topping;
  readonly onChange: (topping: Topping) => void;
}) => (
  <select
    aria-label={t`How ${foodOf(topping).name} is put on`}
    value={topping.on ?? 'coat'}
    className="ml-auto rounded border border-line-strong bg-raised px-1 py-0.5 text-[13px]"
    onChange={({ target }) => onChange({ ...topping, on: target.value as ToppingWay })}
  >
    {toppingWays.map((way) => (
      <option key={way} value={way}>
        {words[way]}
      </option>
    ))}
  </select>
);
