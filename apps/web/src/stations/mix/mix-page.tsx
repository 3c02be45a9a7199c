import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { Calculator, Printer } from 'lucide-react';
import { useState } from 'react';
import { useLocation } from 'react-router';
import {
  amountsFor,
  batchFactor,
  bowlFill,
  doughDensityFigure,
  mixerRange,
  scaleProduct,
  sheetTotals,
  toppingsBefore,
  toppingsFor,
  weighSheet,
  type BatchPlan,
  inUse,
} from '@jokul/core';
import { useNames } from '../../app/actions';
import { taskOf, useBatchAtHand, useBatches } from '../../app/batch';
import { NoBatches } from '../../app/no-batches';
import { NeedPlan } from '../../app/need-plan';
import { StalePlan } from '../../app/plan-bar';
import { useJournal } from '../../journal/store';
import { nowMs, useWallClock } from '../../lib/clock';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { AtTabs } from '../../ui/at-tabs';
import { Button } from '../../ui/button';
import { QueueItem } from '../../ui/queue-item';
import { Shown } from '../../ui/shown';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Loading } from '../../ui/states';
import { AnotherAmount } from './another-amount';
import { AtTheMixer } from './at-the-mixer';
import { BrownedButter } from './browned-butter';
import { ButterPlan } from './butter-plan';
import { FinishBatch } from './finish-batch';
import { WeighUp } from './weigh-up';
import { Said } from '../../ui/said';

const MixQueue = ({ batches, current }: { batches: readonly BatchPlan[]; current: string | undefined }) => {
  const states = useJournal((s) => s.floor.lots);
  const names = useNames();
  const wall = useWallClock();
  const { mass } = useUnits();
  const { search } = useLocation();
  const { data } = useBakery();
  return batches.map((batch) => {
    const known = states.get(batch.batchId);
    const formula = data?.formulas.find((f) => f.code === batch.productCode);
    const lines =
      formula?.stages.reduce((n, stage) => n + stage.lines.length, toppingsBefore(formula).length) ?? 1;
    const done = known?.mixed ? 1 : Math.min(1, (known?.weighed.size ?? 0) / lines);
    return (
      <QueueItem
        key={batch.batchId}
        to={`/mix/${batch.batchId}${search}`}
        active={batch.batchId === current}
        title={names.product(batch.productCode)}
        side={known?.mixed ? t`mixed` : wall.near((taskOf(batch, 'mix')?.startS ?? 0) * 1000, nowMs())}
        detail={`${batch.batchId}, ${mass(batch.massG)}`}
        done={done}
      />
    );
  });
};

const MixWork = () => {
  const { data } = useBakery();
  const day = useDay();
  const batches = useBatches('mix');
  const hand = useBatchAtHand(batches, (known) => !known?.mixed);
  const names = useNames();
  const wall = useWallClock();
  const { mass, temperature } = useUnits();
  const [another, setAnother] = useState(false);
  if (!data || !day.data) return <Loading what={t`the batches`} />;
  if (batches.length === 0) return <NoBatches title={t`Nothing to mix`} />;
  if (!hand) return <Loading what={t`the batch`} />;
  const { batch, formula, known } = hand;
  const factor = batchFactor(known);
  const amounts = amountsFor(formula, batch.massG * factor);
  const sheet = weighSheet(
    [...amounts, ...toppingsFor(formula, batch.massG * factor)],
    inUse(data.equipment).scales,
  );
  const mixer = data.equipment.mixers.find(({ id }) => id === batch.mixerId);
  const browns = formula.stages.some((stage) => stage.lines.some((line) => line.browned));
  const lines = day.data.orders.filter((order) => order.productCode === batch.productCode);
  const scaled =
    lines.length > 0
      ? scaleOrNull(() =>
          scaleProduct(
            formula,
            lines.map((line) => ({ pieces: line.pieces, name: line.customer })),
            data.equipment,
            data.rules,
          ),
        )
      : null;
  const off = sheet.roundedTotalG - sheet.exactTotalG;
  const totals = sheetTotals(sheet);
  const density = doughDensityFigure(formula);
  const fill = mixer && bowlFill(mixer, batch.massG * factor, density);
  const mix = taskOf(batch, 'mix');
  return (
    <Station
      title={`${formula.name}, ${mass(batch.massG)}`}
      question={t`${batch.batchId} in the ${names.mixer(batch.mixerId)}${mix ? t`, planned for ${wall.near(mix.startS * 1000, nowMs())}` : ''}`}
      queueTitle={t`Batches to mix`}
      queue={<MixQueue batches={batches} current={batch.batchId} />}
      actions={
        <>
          <Button
            icon={<Calculator size={16} />}
            onClick={() => setAnother(true)}
          >{t`Another amount`}</Button>
          <Button icon={<Printer size={16} />} onClick={() => window.print()}>{t`Print`}</Button>
        </>
      }
      why={
        <>
          {scaled && (
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
          )}
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
                {mass(Number(Math.abs(off).toFixed(1)))} (
                {((Math.abs(off) / sheet.exactTotalG) * 100).toFixed(3)} %)
              </Fact>
            </Facts>
            {sheet.warnings.map((warning) => (
              <p key={warning.message} className="mt-1 text-[13px] text-ink-soft">
                <Said>{warning.message}</Said>
              </p>
            ))}
          </WhySection>
          <Cautions
            items={[
              t`Stop the mixer before scraping; hands out of a turning bowl.`,
              ...(formula.stages.some((stage) => stage.lines.some((line) => line.browned))
                ? [
                    t`Browned butter spits and burns. Egg goes in only below ${temperature(data.rules.eggIntoButterC)}.`,
                  ]
                : []),
              t`Raw flour and raw egg are not ready to eat: do not taste the dough.`,
            ]}
          />
        </>
      }
    >
      <StalePlan />
      <AtTabs
        label={t`Parts of the mix`}
        tabs={[
          {
            value: 'weigh',
            name: t`Weigh up`,
            content: (
              <WeighUp
                key={batch.batchId}
                batchId={batch.batchId}
                formula={formula}
                sheet={sheet}
                known={known}
                bowlMaxG={mixer ? mixerRange(mixer, density.value).maxMassG : batch.massG}
                factor={factor}
              />
            ),
          },
          {
            value: 'mixer',
            name: t`At the mixer`,
            content: (
              <AtTheMixer
                key={batch.batchId}
                batchId={batch.batchId}
                formula={formula}
                sheet={sheet}
                known={known}
                eggLimitC={data.rules.eggIntoButterC}
              />
            ),
          },
          {
            value: 'butter',
            name: browns ? t`Browned butter` : t`Butter`,
            className: 'space-y-4',
            content: (
              <>
                {browns && (
                  <BrownedButter
                    key={batch.batchId}
                    batchId={batch.batchId}
                    formula={formula}
                    sheet={sheet}
                    known={known}
                    places={data.equipment.places}
                    rules={data.rules}
                  />
                )}
                {mixer && (
                  <ButterPlan
                    key={`${batch.batchId}-butter`}
                    formula={formula}
                    amounts={amounts}
                    mixer={mixer}
                    rules={data.rules}
                    mixStartMs={mix ? mix.startS * 1000 : null}
                  />
                )}
              </>
            ),
          },
        ]}
      />
      <FinishBatch
        key={`${batch.batchId}-finish`}
        batch={batch}
        formula={formula}
        sheet={sheet}
        known={known}
        usualC={formula.method?.doughC ?? data.rules.doughC}
      />
      {another && (
        <AnotherAmount
          formula={formula}
          equipment={inUse(data.equipment)}
          rules={data.rules}
          perTray={day.data.plan?.forecasts[formula.code]?.layout?.count ?? 12}
          onClose={() => setAnother(false)}
        />
      )}
    </Station>
  );
};

const scaleOrNull = <T,>(work: () => T): T | null => {
  try {
    return work();
  } catch {
    // The plan already says in its own words why these pieces cannot be mixed.
    return null;
  }
};

export const MixPage = () => (
  <NeedPlan>
    <MixWork />
  </NeedPlan>
);
