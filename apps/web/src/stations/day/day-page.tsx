import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import type { BatchPlan } from '@jokul/core';
import type { BakeryView, PlanView } from '@jokul/contracts';
import { useLots } from '../../line/lots';
import { NeedPlan } from '../../line/need-plan';
import { StalePlan } from '../../line/plan-bar';
import { useNow } from '../../lib/clock';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Station } from '../../line/station';
import { Alarm, Loading } from '../../ui/states';
import { TemperatureKey } from '../../viz/ribbon-chart';
import { BatchButton } from './batch-button';
import { BatchLoads } from './batch-loads';
import { DayActions } from './day-actions';
import { DayRibbons } from './day-ribbons';
import { daySpan, firstStart, type View } from './day-span';
import { DayWhy } from './day-why';
import { LoadTable } from './load-table';
import { MoveLoad } from './move-load';
import type { Proposal } from './use-where-to';
import { Preparations } from './preparations';
import { NothingPlaced } from './unplaced';
import type { Stretch } from './zoom';

interface PlacedDayProps {
  readonly date: string;
  readonly view: PlanView;
  readonly bakery: BakeryView;
  readonly span: ReturnType<typeof daySpan>;
  readonly shown: Stretch;
  /** The batch that is looked at. */
  readonly chosen: string | null;
  readonly onShow: (shown: Stretch | null) => void;
  readonly onChoose: (batchId: string | null) => void;
}

/** The day as it is placed: its ribbons, the loads of a batch, and where a load would go. */
const PlacedDay = ({ date, view, bakery, span, shown, chosen, onShow, onChoose }: PlacedDayProps) => {
  const now = useNow(10_000);
  const { temperature } = useUnits();
  const lots = useLots();
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const { plan, ribbons, held, preparations = [], version } = view;
  const own = plan.batches.find(({ batchId }) => batchId === chosen);
  const why = {
    batches: plan.batches,
    ovens: bakery.equipment.ovens,
    loadGapS: bakery.rules.loadGapS,
    nowS: now / 1000,
    restOf: ({ batchId }: BatchPlan) => lots?.formulaOf(batchId)?.rest,
  };
  return (
    <>
      <DayRibbons
        ribbons={ribbons}
        bakery={bakery}
        span={span}
        shown={shown}
        chosen={chosen}
        onShow={onShow}
        onChoose={onChoose}
        onDrop={(loadId, ovenId, startS) => {
          const load = plan.batches.flatMap(({ loads }) => loads).find(({ id }) => id === loadId);
          if (load) setProposal({ load, ovenId, startS });
        }}
      />
      {own && (
        <BatchLoads
          batch={own}
          held={held.includes(own.batchId)}
          why={why}
          date={date}
          onMove={(load) => setProposal({ load, ovenId: load.ovenId, startS: load.startS })}
        />
      )}
      {proposal && (
        <MoveLoad
          key={`${proposal.load.id} ${proposal.ovenId} ${proposal.startS}`}
          proposal={proposal}
          date={date}
          planVersion={version}
          bakery={bakery}
          onClose={() => setProposal(null)}
        />
      )}
      <div className="mt-2">
        <TemperatureKey say={(c) => temperature(c)} />
      </div>
      <LoadTable batches={plan.batches} />
      <Preparations preparations={preparations} nearMs={span.firstLoadS * 1000} />
    </>
  );
};

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
          {t`${plural(plan.unplaced.length, { one: 'One batch does', other: '# batches do' })} not fit into the day: the reasons are on the right.`}
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
