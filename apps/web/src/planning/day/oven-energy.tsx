import { t } from '@lingui/core/macro';
import { ovenEnergy, type BatchPlan } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Fact, Facts, WhySection } from '../../line/station';
import { sayMoney } from '../../lib/money';
import { Shown } from '../../ui/shown';

/** What the ovens of the day take, and what that costs; nothing where no power of heaters is known. */
export const OvenEnergy = ({
  batches,
  bakery,
}: {
  readonly batches: readonly BatchPlan[];
  readonly bakery: BakeryView;
}) => {
  const pieceG = (code: string) => bakery.formulas.find((own) => own.code === code)?.piece.massG ?? 0;
  const found = ovenEnergy(bakery.equipment.ovens, batches, pieceG, bakery.rules);
  if (!found) return null;
  const { energy, without } = found;
  const { perKWh = 0, currency } = bakery.prices;
  return (
    <WhySection title={t`What the ovens take`}>
      <Facts>
        <Fact name={t`Energy`}>
          <Shown figure={energy}>{t`${energy.value.toFixed(energy.value < 10 ? 1 : 0)} kWh`}</Shown>
        </Fact>
        {perKWh > 0 && <Fact name={t`at today’s price`}>{sayMoney(energy.value * perKWh, currency)}</Fact>}
      </Facts>
      <p className="mt-1 text-[12.5px] text-ink-faint">
        {t`An estimate: heating up at full power, 30 % of it to stay hot.`}
        {without.length > 0 &&
          t` Without ${without.map(({ name }) => name).join(', ')}: give the power of the heaters in Setup.`}
      </p>
    </WhySection>
  );
};
