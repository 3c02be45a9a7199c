import { t } from '@lingui/core/macro';
import { useLocation, useParams } from 'react-router';
import type { BakeryView } from '@jokul/contracts';
import { emptyLot, inTheCold, isDough, type BatchPlan, type FloorState, type Formula } from '@jokul/core';
import { useNames } from '../line/actions';
import { useLots, type Lots } from '../line/lots';
import { NeedPlan } from '../line/need-plan';
import { airBackMs } from '../line/way-now';
import { useJournal } from '../journal/store';
import { useNow } from '../lib/clock';
import { useBakery, useDay, useProbes } from '../lib/queries';
import { QueueItem } from '../ui/queue-item';
import { useUnits } from '../lib/units';
import { Empty, Loading } from '../ui/states';
import { ColdItem } from './cold-item';
import { PlannedPart } from './planned-part';
import { RestWork } from './rest-work';
import { useNeedles } from './use-needles';

/** Batches that are ready to go into the cold: mixed tubs, portioned pieces. */
const waiting = (
  batches: readonly BatchPlan[],
  formulaOf: (lot: string) => Formula | undefined,
  states: FloorState['lots'],
) =>
  batches.filter((batch) => {
    const formula = formulaOf(batch.batchId);
    const known = states.get(batch.batchId) ?? emptyLot(batch.batchId);
    if (!formula || formula.rest.form === 'none' || known.stays.length > 0) return false;
    return formula.rest.form === 'tub' ? isDough(known) : known.portioned !== null;
  });

interface ColdQueueProps {
  readonly current: string;
  readonly toGo: readonly BatchPlan[];
  readonly cold: ReturnType<typeof inTheCold>;
  readonly lots: Lots;
  readonly bakery: BakeryView;
}

/** What goes in, and what lies in each place. */
const ColdQueue = ({ current, toGo, cold, lots, bakery }: ColdQueueProps) => {
  const { temperature } = useUnits();
  const now = useNow(15_000);
  const probes = useProbes(now - airBackMs);
  const needles = useNeedles();
  const names = useNames();
  const { search } = useLocation();
  return (
    <>
      {toGo.length > 0 && <h3 className="px-3 pt-1 pb-0.5 text-[12.5px] text-ink-faint">{t`To go in`}</h3>}
      {toGo.map((batch) => (
        <QueueItem
          key={batch.batchId}
          to={`/rest/${batch.batchId}${search}`}
          active={batch.batchId === current}
          title={names.product(batch.productCode)}
          detail={batch.batchId}
        />
      ))}
      {bakery.equipment.places
        .filter((place) => cold.some((item) => item.placeId === place.id))
        .map((place) => (
          <section key={place.id}>
            <h3 className="px-3 pt-3 pb-0.5 text-[12.5px] text-ink-faint">
              {place.retired
                ? t`${place.name}, out of use: move these`
                : t`${place.name}, set to ${temperature(place.airC)}`}
            </h3>
            {cold
              .filter((item) => item.placeId === place.id)
              .map((item) => {
                const formula = lots.formulaOf(item.batchId);
                return (
                  formula && (
                    <ColdItem
                      key={`${item.batchId}-${item.inMs}`}
                      item={item}
                      formula={formula}
                      place={place}
                      lots={lots}
                      rules={bakery.rules}
                      active={item.batchId === current}
                      now={now}
                      needle={needles.get(place.id)}
                      readings={probes.data?.places.find((p) => p.placeId === place.id)?.readings ?? []}
                    />
                  )
                );
              })}
          </section>
        ))}
    </>
  );
};

const RestStation = () => {
  const { data } = useBakery();
  const day = useDay();
  const floor = useJournal((s) => s.floor);
  const loaded = useJournal((s) => s.loaded);
  const lots = useLots();
  const { batchId } = useParams();
  if (!data || !lots || !day.data?.plan || !loaded) return <Loading what={t`the cold`} />;
  const batches = day.data.plan.plan.batches;
  const { formulaOf } = lots;
  const cold = inTheCold(floor);
  const toGo = waiting(batches, formulaOf, floor.lots);
  const current =
    batchId ??
    toGo[0]?.batchId ??
    cold.find((item) => batches.some((b) => b.batchId === item.batchId))?.batchId ??
    cold[0]?.batchId ??
    batches[0]?.batchId;
  if (!current)
    return (
      <Empty
        title={t`The cold is empty`}
      >{t`Nothing lies in the walk-in or the freezer, and no batch is planned.`}</Empty>
    );
  const queue = <ColdQueue current={current} toGo={toGo} cold={cold} lots={lots} bakery={data} />;
  const formula = formulaOf(current);
  if (!formula)
    return (
      <Empty
        title={t`${current} is not known`}
      >{t`It is neither planned for this day nor in the cold.`}</Empty>
    );
  const batch = batches.find((b) => b.batchId === current);
  if (batch?.stock?.from !== undefined && !floor.lots.get(current)?.begun)
    return (
      <PlannedPart batch={batch} formula={formula} lot={floor.lots.get(batch.stock.from)} queue={queue} />
    );
  return (
    <RestWork
      key={current}
      batchId={current}
      formula={formula}
      batch={batch}
      known={floor.lots.get(current) ?? emptyLot(current)}
      queue={queue}
    />
  );
};

export const RestPage = () => (
  <NeedPlan>
    <RestStation />
  </NeedPlan>
);
