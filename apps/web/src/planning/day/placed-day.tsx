import { useState } from 'react';
import type { BatchPlan } from '@jokul/core';
import type { BakeryView, PlanView } from '@jokul/contracts';
import { useLots } from '../../line/lots';
import { useNow } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { TemperatureKey } from '../../viz/temperature-key';
import { BatchLoads } from './batch-loads';
import { DayRibbons } from './day-ribbons';
import type { daySpan } from './day-span';
import { LoadTable } from './load-table';
import { MoveLoad } from './move-load';
import { Preparations } from './preparations';
import type { Proposal } from './use-where-to';
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
export const PlacedDay = ({ date, view, bakery, span, shown, chosen, onShow, onChoose }: PlacedDayProps) => {
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
