import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { piecesLeft } from '@jokul/core';
import { NeedPlan } from '../../line/need-plan';
import { StalePlan } from '../../line/plan-bar';
import { useBakery, useDay } from '../../lib/queries';
import { Station } from '../../line/station';
import { Alarm, Loading } from '../../ui/states';
import { BatchButton } from './batch-button';
import { DayActions } from './day-actions';
import { daySpan, firstStart, type View } from './day-span';
import { DayWhy } from './day-why';
import { PlacedDay } from './placed-day';
import { NothingPlaced } from './unplaced';
import type { Stretch } from './zoom';

const DayWork = () => {
  const { data } = useBakery();
  const day = useDay();
  const [chosen, setChosen] = useState<string | null>(null);
  const [view, setView] = useState<View>('morning');
  // What was zoomed to; null while a whole part is shown.
  const [closeUp, setCloseUp] = useState<Stretch | null>(null);
  if (!data || !day.data?.plan) return <Loading what={t`the day`} />;
  const { date } = day.data;
  const { plan } = day.data.plan;
  const batches = [...plan.batches].sort((a, b) => firstStart(a) - firstStart(b));
  const span = daySpan(plan.batches, view, date, data.rules);
  return (
    <Station
      title={t`Day`}
      question={t`Everything on one time axis: where each dough is, and how warm.`}
      queueTitle={t`Batches`}
      queue={batches.map((batch) => (
        <BatchButton
          key={batch.batchId}
          batch={batch}
          chosen={chosen === batch.batchId}
          onChoose={() => setChosen(chosen === batch.batchId ? null : batch.batchId)}
        />
      ))}
      actions={
        <DayActions
          date={date}
          plan={day.data.plan}
          bakery={data}
          placed={span.placed}
          view={closeUp === null ? view : null}
          onView={(v) => {
            setView(v);
            setCloseUp(null);
          }}
        />
      }
      why={<DayWhy date={date} view={day.data.plan} bakery={data} span={span} />}
    >
      <StalePlan />
      {plan.unplaced.length > 0 && (
        <Alarm>
          {t`${plural(piecesLeft(plan.unplaced), { one: '# piece is', other: '# pieces are' })} not ready in time: the reasons are on the right.`}
        </Alarm>
      )}
      {span.placed ? (
        <PlacedDay
          date={date}
          view={day.data.plan}
          bakery={data}
          span={span}
          shown={closeUp ?? span.usual}
          chosen={chosen}
          onShow={setCloseUp}
          onChoose={setChosen}
        />
      ) : (
        <NothingPlaced unplaced={plan.unplaced} />
      )}
    </Station>
  );
};

export const DayPage = () => (
  <NeedPlan>
    <DayWork />
  </NeedPlan>
);
