import { t } from '@lingui/core/macro';
import { doughNeeded, JokulError, type Formula, type HouseRules } from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { Cautions, WhySection } from '../line/station';

/** Pieces of some lines together. */
export const sumOf = (orders: readonly OrderView[]): number =>
  orders.reduce((total, order) => total + order.pieces, 0);

const ProductTotal = ({
  formula,
  orders,
  rules,
}: {
  formula: Formula;
  orders: readonly OrderView[];
  rules: HouseRules;
}) => {
  const { mass } = useUnits();
  const dough = () => {
    try {
      return doughNeeded(
        orders.map((order) => ({
          pieces: order.pieces,
          pieceMassG: formula.piece.massG,
          name: order.customer,
        })),
        {
          bowlShare: rules.bowlLossShare,
          portionShare: rules.portionLossShare,
          testPieces: rules.testPieces,
        },
      );
    } catch (error) {
      if (error instanceof JokulError) return null;
      throw error;
    }
  };
  const needed = dough();
  return (
    <tr className="border-t">
      <td className="py-1 pr-2">
        <span className="figures text-[13px] text-ink-soft">{formula.code}</span> {formula.name}
      </td>
      <td className="py-1 pr-2 text-right figures">{sumOf(orders)}</td>
      <td className="py-1 text-right">{needed && <Shown figure={needed}>{mass(needed.value)}</Shown>}</td>
    </tr>
  );
};

interface ProductTotalsProps {
  readonly formulas: readonly Formula[];
  readonly orders: readonly OrderView[];
  readonly rules: HouseRules;
}

/** How many of each product the list wants, and the dough for them. */
export const ProductTotals = ({ formulas, orders, rules }: ProductTotalsProps) => {
  const products = formulas.filter((formula) => orders.some((order) => order.productCode === formula.code));
  return (
    <>
      <WhySection title={t`Totals per product`}>
        {products.length === 0 ? (
          <p className="text-ink-soft">{t`Totals and dough appear here with the first line.`}</p>
        ) : (
          <div className="table-room">
            <table className="w-full">
              <thead className="text-left text-[12.5px] text-ink-faint">
                <tr>
                  <th className="font-normal">{t`Product`}</th>
                  <th className="pr-2 text-right font-normal">{t`Pieces`}</th>
                  <th className="text-right font-normal">{t`Dough`}</th>
                </tr>
              </thead>
              <tbody>
                {products.map((formula) => (
                  <ProductTotal
                    key={formula.code}
                    formula={formula}
                    orders={orders.filter((order) => order.productCode === formula.code)}
                    rules={rules}
                  />
                ))}
                <tr className="border-t border-line-strong font-semibold">
                  <td className="py-1">{t`All`}</td>
                  <td className="py-1 pr-2 text-right figures">{sumOf(orders)}</td>
                  <td />
                </tr>
              </tbody>
            </table>
          </div>
        )}
      </WhySection>
      <Cautions
        items={[
          t`Losses and test pieces are included: open a dough figure to see them.`,
          t`A changed line changes the plan only when the day is planned again.`,
        ]}
      />
    </>
  );
};
