import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import {
  bowlFill,
  doughDensityFigure,
  ingredientsNeeded,
  isMeltedLine,
  scaleProduct,
  sheetTotals,
  type BatchPlan,
  type Formula,
  type WeighSheet,
} from '@jokul/core';
import type { BakeryView, OrderView } from '@jokul/contracts';
import { useSayLeftOver } from './left-over';
import { useNames } from '../line/actions';
import { useUnits } from '../lib/units';
import { Said } from '../ui/said';
import { Shown } from '../ui/shown';
import { Cautions, Fact, Facts, WhySection } from '../line/station';

const scaleOrNull = <T,>(work: () => T): T | null => {
  try {
    return work();
  } catch {
    // The plan already says in its own words why these pieces cannot be mixed.
    return null;
  }
};

interface WhyThisMuchProps {
  readonly batch: BatchPlan;
  readonly formula: Formula;
  readonly orders: readonly OrderView[];
  readonly bakery: BakeryView;
  /** Grams of the batch, as it was scaled to what was poured. */
  readonly massG: number;
}

/** What this dough leaves of the eggs and packs that are opened for it. */
const LeftOver = ({ batch, formula, bakery, massG }: Omit<WhyThisMuchProps, 'orders'>) => {
  const say = useSayLeftOver();
  const { batchId } = batch;
  const said = say(ingredientsNeeded([{ batchId, formula, massG }], bakery.prices.packG));
  if (said.length === 0) return null;
  return (
    <WhySection title={t`Left over`}>
      <ul className="space-y-0.5">
        {said.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`By this dough alone, with fresh packs and eggs of middle size. Label what you keep.`}</p>
    </WhySection>
  );
};

/** How the dough of the list was split into batches, and how full the bowl is. */
const WhyThisMuch = ({ batch, formula, orders, bakery, massG }: WhyThisMuchProps) => {
  const names = useNames();
  const { mass } = useUnits();
  const mixer = bakery.equipment.mixers.find(({ id }) => id === batch.mixerId);
  const fill = mixer && bowlFill(mixer, massG, doughDensityFigure(formula));
  const lines = orders.filter((order) => order.productCode === batch.productCode);
  const scaled =
    lines.length > 0
      ? scaleOrNull(() =>
          scaleProduct(
            formula,
            lines.map((line) => ({ pieces: line.pieces, name: line.customer })),
            bakery.equipment,
            bakery.rules,
          ),
        )
      : null;
  if (!scaled) return null;
  return (
    <WhySection title={t`Why this much, in these batches`}>
      <Facts>
        {fill && (
          <Fact name={t`Bowl filled`} help="bowlFilled">
            <Shown figure={fill}>{(100 * fill.value).toFixed(0)} %</Shown>{' '}
            {t`of ${(100 * (mixer?.minFill ?? 0)).toFixed(0)}–${(100 * (mixer?.maxFill ?? 1)).toFixed(0)}`}
          </Fact>
        )}
        <Fact name={t`Dough for the list`}>
          <Shown figure={scaled.dough}>{mass(scaled.dough.value)}</Shown>
        </Fact>
      </Facts>
      <ul className="mt-1 space-y-1 text-[13.5px]">
        {scaled.splits.map((split, i) => (
          <li
            key={split.reason + split.batches.map((b) => b.mixerId).join()}
            className={i === 0 ? '' : 'text-ink-faint'}
          >
            {i === 0 ? t`Taken: ` : t`Or: `}
            {split.batches.map((b) => t`${mass(b.massG)} in ${names.mixer(b.mixerId)}`).join(' + ')}
            {i === 0 && (
              <span className="block text-ink-faint">
                <Trans>
                  <Said>{split.reason}</Said>; bowl neither too empty nor too full.
                </Trans>
              </span>
            )}
          </li>
        ))}
      </ul>
    </WhySection>
  );
};

/** What a scale that shows whole grams does to the sheet. */
const Rounding = ({ sheet }: { readonly sheet: WeighSheet }) => {
  const { mass } = useUnits();
  const off = sheet.roundedTotalG - sheet.exactTotalG;
  const totals = sheetTotals(sheet);
  return (
    <WhySection title={t`What rounding does`}>
      <Facts>
        <Fact name={t`Exact total`} help="exactTotal">
          <Shown figure={totals.exact}>{mass(sheet.exactTotalG)}</Shown>
        </Fact>
        <Fact name={t`As weighed`}>
          <Shown figure={totals.rounded}>{mass(sheet.roundedTotalG)}</Shown>
        </Fact>
        <Fact name={t`Difference`}>
          {off >= 0 ? '+' : '−'}
          {mass(Number(Math.abs(off).toFixed(1)))} ({((Math.abs(off) / sheet.exactTotalG) * 100).toFixed(3)}{' '}
          %)
        </Fact>
      </Facts>
      {sheet.warnings.map((warning) => (
        <p key={warning.message} className="mt-1 text-[13px] text-ink-soft">
          <Said>{warning.message}</Said>
        </p>
      ))}
    </WhySection>
  );
};

/** Why the batch is what it is, and what to mind. */
export const MixWhy = ({ sheet, ...batch }: WhyThisMuchProps & { readonly sheet: WeighSheet }) => {
  const { temperature } = useUnits();
  const { formula, bakery } = batch;
  return (
    <>
      <WhyThisMuch {...batch} />
      <Rounding sheet={sheet} />
      <LeftOver {...batch} />
      <Cautions
        items={[
          t`Stop the mixer before scraping; hands out of a turning bowl.`,
          ...(formula.stages.some((stage) => stage.lines.some((line) => line.browned))
            ? [
                t`Browned butter spits and burns. Egg goes in only below ${temperature(bakery.rules.eggIntoButterC)}.`,
              ]
            : []),
          ...(formula.stages.some((stage) => stage.lines.some(isMeltedLine))
            ? [t`What was melted goes to egg only below ${temperature(bakery.rules.eggIntoButterC)}.`]
            : []),
          t`Raw flour and raw egg are not ready to eat: do not taste the dough.`,
        ]}
      />
    </>
  );
};
