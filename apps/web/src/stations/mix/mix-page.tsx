import { Printer } from 'lucide-react';
import { useLocation } from 'react-router';
import { amountsFor, scaleProduct, weighSheet, type BatchPlan } from '@jokul/core';
import { useNames } from '../../app/actions';
import { taskOf, useBatchAtHand, useBatches } from '../../app/batch';
import { NeedPlan } from '../../app/need-plan';
import { StalePlan } from '../../app/plan-bar';
import { useJournal } from '../../journal/store';
import { nowMs, useWallClock } from '../../lib/clock';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { QueueItem } from '../../ui/queue-item';
import { Shown } from '../../ui/shown';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Empty, Loading } from '../../ui/states';
import { FinishBatch } from './finish-batch';
import { WeighUp } from './weigh-up';

const MixQueue = ({ batches, current }: { batches: readonly BatchPlan[]; current: string | undefined }) => {
  const states = useJournal((s) => s.floor.batches);
  const names = useNames();
  const wall = useWallClock();
  const { mass } = useUnits();
  const { search } = useLocation();
  const { data } = useBakery();
  return batches.map((batch) => {
    const known = states[batch.batchId];
    const formula = data?.formulas.find((f) => f.code === batch.productCode);
    const lines = formula?.stages.reduce((n, stage) => n + stage.lines.length, 0) ?? 1;
    const done = known?.mixed ? 1 : Object.keys(known?.weighed ?? {}).length / lines;
    return (
      <QueueItem
        key={batch.batchId}
        to={`/mix/${batch.batchId}${search}`}
        active={batch.batchId === current}
        title={names.product(batch.productCode)}
        side={known?.mixed ? 'mixed' : wall.near((taskOf(batch, 'mix')?.startS ?? 0) * 1000, nowMs())}
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
  if (!data || !day.data) return <Loading what="the batches" />;
  if (batches.length === 0) return <Empty title="No batch could be planned">The Day page says why.</Empty>;
  if (!hand) return <Loading what="the batch" />;
  const { batch, formula, known } = hand;
  const sheet = weighSheet(amountsFor(formula, batch.massG), data.equipment.scales);
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
  const mix = taskOf(batch, 'mix');
  return (
    <Station
      title={`${formula.name}, ${mass(batch.massG)}`}
      question={`${batch.batchId} in the ${names.mixer(batch.mixerId)}${mix ? `, planned for ${wall.near(mix.startS * 1000, nowMs())}` : ''}`}
      queueTitle="Batches to mix"
      queue={<MixQueue batches={batches} current={batch.batchId} />}
      actions={
        <Button icon={<Printer size={16} />} onClick={() => window.print()}>
          Print the sheet
        </Button>
      }
      why={
        <>
          {scaled && (
            <WhySection title="Why this much, in these batches">
              <Facts>
                <Fact name="Dough for the list">
                  <Shown figure={scaled.dough}>{mass(scaled.dough.value)}</Shown>
                </Fact>
              </Facts>
              <ul className="mt-1 space-y-1 text-[13.5px]">
                {scaled.splits.map((split, i) => (
                  <li
                    key={split.reason + split.batches.map((b) => b.mixerId).join()}
                    className={i === 0 ? '' : 'text-ink-faint'}
                  >
                    {i === 0 ? 'Taken: ' : 'Or: '}
                    {split.batches.map((b) => `${mass(b.massG)} in ${names.mixer(b.mixerId)}`).join(' + ')}
                    {i === 0 && (
                      <span className="block text-ink-faint">
                        {split.reason}; bowl neither too empty nor too full.
                      </span>
                    )}
                  </li>
                ))}
              </ul>
            </WhySection>
          )}
          <WhySection title="What rounding does">
            <Facts>
              <Fact name="Exact total">{mass(sheet.exactTotalG)}</Fact>
              <Fact name="As weighed">{mass(sheet.roundedTotalG)}</Fact>
              <Fact name="Difference">
                {off >= 0 ? '+' : '−'}
                {Math.abs(off).toFixed(1)} g ({((Math.abs(off) / sheet.exactTotalG) * 100).toFixed(3)} %)
              </Fact>
            </Facts>
            {sheet.warnings.map((warning) => (
              <p key={warning.message} className="mt-1 text-[13px] text-ink-soft">
                {warning.message}
              </p>
            ))}
          </WhySection>
          <Cautions
            items={[
              'Stop the mixer before scraping; hands out of a turning bowl.',
              ...(formula.stages.some((stage) => stage.lines.some((line) => line.browned))
                ? [
                    `Browned butter spits and burns. Egg goes in only below ${temperature(data.rules.eggIntoButterC)}.`,
                  ]
                : []),
              'Raw flour and raw egg are not ready to eat: do not taste the dough.',
            ]}
          />
        </>
      }
    >
      <StalePlan />
      <WeighUp key={batch.batchId} batchId={batch.batchId} formula={formula} sheet={sheet} known={known} />
      <FinishBatch
        key={`${batch.batchId}-finish`}
        batch={batch}
        sheet={sheet}
        known={known}
        usualC={data.rules.doughC}
      />
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
