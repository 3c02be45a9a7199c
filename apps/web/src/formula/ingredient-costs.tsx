import { plural, t } from '@lingui/core/macro';
import { ingredientCost, massUnitsG, noPrices, type Formula } from '@jokul/core';
import { Fact, Facts, WhySection } from '../line/station';
import { sayMoney } from '../lib/money';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';

/** What the ingredients of a dough cost, by the prices of Setup; nothing while there are none. */
export const IngredientCosts = ({ formula }: { formula: Formula }) => {
  const { units } = useUnits();
  const { prices = noPrices } = useBakery().data ?? {};
  if (Object.keys(prices.perKg).length === 0) return null;
  const isUs = units === 'us';
  const [piece, much] = [formula.piece.massG, isUs ? massUnitsG.lb : 1000].map((massG) =>
    ingredientCost(formula, massG, prices),
  );
  if (!piece || !much) return null;
  const { unpriced } = piece;
  const said = (figure: typeof piece.cost) => (
    <Shown figure={figure}>{sayMoney(figure.value, prices.currency)}</Shown>
  );
  return (
    <WhySection title={t`What its ingredients cost`}>
      <Facts>
        <Fact name={t`One piece`}>{said(piece.cost)}</Fact>
        <Fact name={isUs ? t`One pound of dough` : t`One kilogram of dough`}>{said(much.cost)}</Fact>
      </Facts>
      <p className="mt-1 text-[12.5px] text-ink-faint">
        {unpriced.length > 0
          ? t`Without ${plural(unpriced.length, { one: '# ingredient that has', other: '# ingredients that have' })} no price: ${unpriced.map(({ name }) => name.toLowerCase()).join(', ')}. Losses, work and heat are not in it.`
          : t`Toppings with it. Losses, work and heat are not in it.`}
      </p>
    </WhySection>
  );
};
