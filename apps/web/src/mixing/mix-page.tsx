import { t } from '@lingui/core/macro';
import { Calculator, Printer } from 'lucide-react';
import { useState } from 'react';
import { useParams } from 'react-router';
import { amountsFor, batchFactor, inUse, toppingsFor, weighSheet } from '@jokul/core';
import { useNames } from '../line/actions';
import { isElsewhere, taskOf, useBatchAtHand, useBatches } from '../line/batch';
import { NeedPlan } from '../line/need-plan';
import { NoBatches } from '../line/no-batches';
import { NotOnDay } from '../line/not-on-day';
import { StalePlan } from '../line/plan-bar';
import { nowMs, useWallClock } from '../lib/clock';
import { useBakery, useDay } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Station } from '../line/station';
import { Loading } from '../ui/states';
import { AnotherAmount } from './another-amount';
import { FinishBatch } from './finish-batch';
import { MixParts } from './mix-parts';
import { MixQueue } from './mix-queue';
import { MixWhy } from './mix-why';

const MixWork = () => {
  const { data } = useBakery();
  const day = useDay();
  const batches = useBatches('mix');
  const hand = useBatchAtHand(batches, (known) => !known?.mixed);
  const names = useNames();
  const wall = useWallClock();
  const { mass } = useUnits();
  const [another, setAnother] = useState(false);
  const { batchId } = useParams();
  if (!data || !day.data) return <Loading what={t`the batches`} />;
  if (batches.length === 0) return <NoBatches title={t`Nothing to mix`} />;
  if (isElsewhere(batches, batchId)) return <NotOnDay id={batchId} path="/mix" />;
  if (!hand) return <Loading what={t`the batch`} />;
  const { batch, formula, known } = hand;
  const factor = batchFactor(known);
  const amounts = amountsFor(formula, batch.massG * factor);
  const sheet = weighSheet(
    [...amounts, ...toppingsFor(formula, batch.massG * factor)],
    inUse(data.equipment).scales,
  );
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
        <MixWhy
          batch={batch}
          formula={formula}
          orders={day.data.orders}
          bakery={data}
          massG={batch.massG * factor}
          sheet={sheet}
        />
      }
    >
      <StalePlan />
      <MixParts batch={batch} formula={formula} sheet={sheet} known={known} amounts={amounts} bakery={data} />
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

export const MixPage = () => (
  <NeedPlan>
    <MixWork />
  </NeedPlan>
);
