import { plural, t } from '@lingui/core/macro';
import { useLocation, useParams } from 'react-router';
import { allAsThereIs, type BatchPlan, type FloorState, type Load } from '@jokul/core';
import { useNames } from '../line/actions';
import { NeedPlan } from '../line/need-plan';
import { NotOnDay } from '../line/not-on-day';
import { useJournal } from '../journal/store';
import { nowMs, useWallClock } from '../lib/clock';
import { forecastIn } from '../lib/forecast';
import { useLots } from '../line/lots';
import { useBakery, useDay } from '../lib/queries';
import { QueueItem } from '../ui/queue-item';
import { Empty, Loading } from '../ui/states';
import { LoadWork } from './load-work';

const loadState = (load: Load, trays: FloorState['trays']) => {
  const known = load.trays.map((tray) => trays.get(tray.id));
  if (known.every((tray) => tray?.racked)) return t`racked`;
  if (known.some((tray) => tray?.pulled)) return t`pulled`;
  if (known.some((tray) => tray?.turned)) return t`turned`;
  return known.some(Boolean) ? t`in the oven` : null;
};

const LoadQueue = ({
  loads,
  current,
}: {
  loads: readonly { load: Load; batch: BatchPlan }[];
  current: string | undefined;
}) => {
  const trays = useJournal((s) => s.floor.trays);
  const names = useNames();
  const wall = useWallClock();
  const { search } = useLocation();
  return loads.map(({ load, batch }) => {
    const state = loadState(load, trays);
    return (
      <QueueItem
        key={load.id}
        to={`/bake/${load.id}${search}`}
        active={load.id === current}
        title={names.product(batch.productCode)}
        side={state ?? wall.near(load.startS * 1000, nowMs())}
        detail={`${names.oven(load.ovenId)}, ${plural(load.trays.length, { one: '# tray', other: '# trays' })}`}
      />
    );
  });
};

const BakeWork = () => {
  const { data } = useBakery();
  const day = useDay();
  const floor = useJournal((s) => s.floor);
  const lots = useLots();
  const { loadId } = useParams();
  if (!data || !day.data?.plan) return <Loading what={t`the loads`} />;
  const { plan, forecasts, batchForecasts } = day.data.plan;
  const loads = allAsThereIs(plan.batches, floor)
    .flatMap((batch) => batch.loads.map((load) => ({ load, batch })))
    .sort((a, b) => a.load.startS - b.load.startS);
  // A batch by its name is its next load.
  const asked = loads.filter(({ load, batch }) => load.id === loadId || batch.batchId === loadId);
  if (loadId !== undefined && loads.length > 0 && asked.length === 0)
    return <NotOnDay id={loadId} path="/bake" />;
  const among = loadId === undefined ? loads : asked;
  const found = among.find(({ load }) => loadState(load, floor.trays) !== t`racked`) ?? among[0];
  if (!found)
    return (
      <Empty title={t`No load is planned`}>{t`The Day page says what could not be placed, and why.`}</Empty>
    );
  const { load, batch } = found;
  const formula = lots?.formulaOf(batch.batchId);
  const oven = data.equipment.ovens.find((o) => o.id === load.ovenId);
  const forecast = batchForecasts[batch.batchId] ?? forecasts[batch.productCode];
  const own = forecastIn(forecast, oven?.id);
  if (!formula || !oven || !own || !forecast?.layout)
    return <Empty title={t`No forecast for this load`}>{t`Plan the day again on the Day page.`}</Empty>;
  return (
    <LoadWork
      key={load.id}
      batch={batch}
      load={load}
      formula={formula}
      oven={oven}
      forecast={forecast}
      bake={own.bake}
      layout={forecast.layout}
      queue={<LoadQueue loads={loads} current={load.id} />}
    />
  );
};

export const BakePage = () => (
  <NeedPlan>
    <BakeWork />
  </NeedPlan>
);
