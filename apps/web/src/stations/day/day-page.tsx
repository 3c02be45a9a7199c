import { plural, t } from '@lingui/core/macro';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { atWallClock, wallClock, type BatchPlan, type Unplaced } from '@jokul/core';
import { useNames } from '../../app/actions';
import { taskOf } from '../../app/batch';
import { useSlip } from '../../app/use-slip';
import { useLots } from '../../app/lots';
import { NeedPlan } from '../../app/need-plan';
import { PlanDays } from '../../app/plan-days';
import { PlanButton, StalePlan } from '../../app/plan-bar';
import { useNow, useWallClock } from '../../lib/clock';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { useWidth } from '../../lib/use-width';
import { buttonClass } from '../../ui/button';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Alarm, Loading } from '../../ui/states';
import { BatchLoads } from './batch-loads';
import { FromTheCold } from './from-the-cold';
import { MoveLoad, type Proposal } from './move-load';
import { Preparations } from './preparations';
import { WhatIf } from './what-if/what-if';
import type { Stretch } from './zoom';
import { ZoomBar } from './zoom-bar';
import { SavePlan } from './save-plan';
import { HowGood, HowSure, WaysOut } from './plan-quality';
import { RibbonChart, TemperatureKey, ribbonInset } from '../../viz/ribbon-chart';
import { Said } from '../../ui/said';

type View = 'morning' | 'whole';

const BatchButton = ({
  batch,
  chosen,
  onChoose,
}: {
  batch: BatchPlan;
  chosen: boolean;
  onChoose: () => void;
}) => {
  const names = useNames();
  const wall = useWallClock();
  const mix = taskOf(batch, 'mix');
  // After a day that slipped there may be none: no oven was free while its dough was good.
  const first = batch.loads.length > 0 ? Math.min(...batch.loads.map((load) => load.startS)) : null;
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={`block w-full border-l-[3px] px-3 py-1.5 text-left ${chosen ? 'border-ink bg-ground font-semibold' : 'border-transparent hover:bg-ground'}`}
    >
      <span className="flex justify-between gap-2">
        <span className="min-w-0 text-balance">{names.product(batch.productCode)}</span>
        <span className="figures text-[13px] text-ink-soft">
          {first === null ? t`not baked` : wall.time(first * 1000)}
        </span>
      </span>
      <span className="block text-[13px] font-normal text-ink-faint">
        {t`${batch.pieces} pieces, ${
          batch.stock
            ? t`from the ${names.place(batch.stock.placeId ?? '').toLowerCase()}`
            : t`mixed ${mix ? wall.near(mix.startS * 1000, (first ?? mix.startS) * 1000) : ''}`
        }`}
      </span>
    </button>
  );
};

/** The loads as a table, for print and for reading aloud. */
const LoadTable = ({ batches }: { batches: readonly BatchPlan[] }) => {
  const names = useNames();
  const wall = useWallClock();
  const { temperature } = useUnits();
  const loads = batches
    .flatMap((batch) => batch.loads.map((load) => ({ batch, load })))
    .sort((a, b) => a.load.startS - b.load.startS);
  return (
    <div className="table-room">
      <table className="mt-4 w-full">
        <caption className="pb-1 text-left text-[12.5px] font-semibold text-ink-soft">{t`Loads in the order of the morning`}</caption>
        <thead className="text-left text-[12.5px] text-ink-soft">
          <tr>
            {[t`Load`, t`Pull`, t`Oven`, t`At`, t`Product`, t`Trays`, t`Pieces`, t`Ready`, t`Due`].map(
              (head) => (
                <th key={head} className="py-1 pr-3 font-normal">
                  {head}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody className="figures">
          {loads.map(({ batch, load }) => (
            <tr key={load.id} className="border-t">
              <td className="py-0.5 pr-3">{wall.time(load.startS * 1000)}</td>
              <td className="py-0.5 pr-3">{wall.exact((load.startS + load.pullS) * 1000)}</td>
              <td className="py-0.5 pr-3 font-sans">{names.oven(load.ovenId)}</td>
              <td className="py-0.5 pr-3 whitespace-nowrap">{temperature(load.setC)}</td>
              <td className="py-0.5 pr-3 font-sans">{names.product(batch.productCode)}</td>
              <td className="py-0.5 pr-3">{load.trays.length}</td>
              <td className="py-0.5 pr-3">{load.trays.reduce((n, tray) => n + tray.pieces, 0)}</td>
              <td className="py-0.5 pr-3">{wall.time(load.readyS * 1000)}</td>
              <td className="py-0.5">{wall.time(load.dueS * 1000)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
};

/** When a batch is mixed, or taken out: dough in the cold lies there since long. */
const firstStart = ({ loads, tasks, stock }: BatchPlan) =>
  Math.min(
    ...loads.map((load) => load.startS),
    ...tasks
      .filter(({ kind }) => kind !== 'prepare' && (!stock || kind !== 'rest'))
      .map((task) => task.startS),
  );

/** No load of the day could be placed: why, and where it can be changed. */
const NothingPlaced = ({ unplaced }: { unplaced: readonly Unplaced[] }) => {
  const names = useNames();
  const { search } = useLocation();
  return (
    <section aria-label={t`Why nothing is planned`} className="rounded-lg border bg-surface p-5">
      <h2 className="text-lg font-semibold">{t`No load could be placed`}</h2>
      <ul className="mt-2 space-y-2">
        {unplaced.map((u) => (
          <li key={u.batchId}>
            <strong>{t`${names.product(u.productCode)}, ${u.pieces} pieces`}</strong>
            <span className="block text-ink-soft">
              <Said>{u.reason}</Said>
            </span>
          </li>
        ))}
      </ul>
      <Link to={`/orders${search}`} className={`mt-4 ${buttonClass()}`}>{t`Change the orders`}</Link>
    </section>
  );
};

const DayWork = () => {
  const { data } = useBakery();
  const day = useDay();
  const now = useNow(10_000);
  const wall = useWallClock();
  const { search } = useLocation();
  const names = useNames();
  const { temperature } = useUnits();
  const [chosen, setChosen] = useState<string | null>(null);
  const [view, setView] = useState<View>('morning');
  // What was zoomed to; null while a whole part is shown.
  const [closeUp, setCloseUp] = useState<Stretch | null>(null);
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const slip = useSlip();
  const lots = useLots();
  const [ref, width] = useWidth();
  if (!data || !day.data?.plan) return <Loading what={t`the day`} />;
  const {
    plan,
    quality,
    ribbons,
    violations,
    madeAtMs,
    held,
    leave,
    preparations = [],
    version,
  } = day.data.plan;
  const { equipment } = data;
  const batches = [...plan.batches].sort((a, b) => firstStart(a) - firstStart(b));
  const loads = plan.batches.flatMap((batch) => batch.loads);
  const own = plan.batches.find(({ batchId }) => batchId === chosen);
  const why = {
    batches: plan.batches,
    ovens: equipment.ovens,
    loadGapS: data.rules.loadGapS,
    nowS: now / 1000,
    restOf: ({ batchId }: BatchPlan) => lots?.formulaOf(batchId)?.rest,
  };
  // Where nothing could be placed there is no time to show: the reasons are all there is, and they must be seen.
  const placed = loads.length > 0;
  const noonS = atWallClock(day.data.date, '12:00', data.rules.timeZone);
  const firstLoad = placed ? Math.min(...loads.map((load) => load.startS)) : noonS;
  const lastReady = placed ? Math.max(...loads.map((load) => load.readyS)) : noonS;
  const firstMix = Math.min(firstLoad, ...plan.batches.map(firstStart));
  const hour = 3600;
  const toS = Math.ceil(lastReady / hour) * hour;
  const limits = { fromS: Math.floor(firstMix / hour) * hour - hour / 2, toS: toS + hour / 2 };
  const usual = {
    fromS:
      view === 'morning'
        ? Math.floor(firstLoad / hour) * hour - hour / 2
        : Math.floor(firstMix / hour) * hour,
    toS,
  };
  const shown = closeUp ?? usual;
  const places = [
    ...equipment.mixers.map(({ id, name }) => ({ id, name })),
    ...equipment.places.map(({ id, name }) => ({ id, name })),
    ...equipment.ovens.map(({ id, name }) => ({ id, name })),
    { id: 'racks', name: t`Cooling racks` },
  ];
  const sayTime = (atS: number) => wall.near(atS * 1000, firstLoad * 1000);
  const dateOf = (atS: number) => wallClock(atS, data.rules.timeZone).date;
  const overDays = dateOf(shown.fromS) !== dateOf(firstLoad);
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
        <>
          <div
            role="group"
            aria-label={t`Shown part`}
            className="flex overflow-hidden rounded-md border border-line-strong"
          >
            {(['morning', 'whole'] as const).map((v) => (
              <button
                key={v}
                type="button"
                title={v === 'morning' ? t`From the first load on` : t`From the first mix on`}
                aria-pressed={closeUp === null && view === v}
                onClick={() => {
                  setView(v);
                  setCloseUp(null);
                }}
                className={`px-3 py-1.5 ${closeUp === null && view === v ? 'bg-inverse text-inverse-ink' : 'bg-raised'}`}
              >
                {v === 'morning' ? t`Morning` : t`All of it`}
              </button>
            ))}
          </div>
          {placed && (
            <Link to={`/day/lists${search}`} className={`${buttonClass()} gap-1.5 px-3 py-1.5`}>
              <Printer size={16} aria-hidden /> {t`Lists`}
            </Link>
          )}
          {placed && (
            <SavePlan
              date={day.data.date}
              plan={plan}
              preparations={preparations}
              timeZone={data.rules.timeZone}
            />
          )}
          <PlanDays />
          <PlanButton label={t`Plan again`} />
        </>
      }
      why={
        <>
          <WhySection title={t`Does it work?`}>
            {slip && (
              <p className="mb-1 font-medium text-hand">{t`As planned it does; the floor is behind it.`}</p>
            )}
            {!placed ? (
              <p>{t`There is nothing to check: no load could be placed.`}</p>
            ) : violations.length === 0 ? (
              <p>{t`Yes: the checker recounted every mixer, oven place, tray, cold place, rack, pair of hands, rest window and ready-by, and found none broken.`}</p>
            ) : (
              <ul className="space-y-1">
                {violations.map((v) => (
                  <li key={v.code + v.where + v.message} className="border-l-2 border-hand pl-2">
                    <Said>{v.message}</Said>
                  </li>
                ))}
              </ul>
            )}
          </WhySection>
          {quality && placed && <HowGood quality={quality} />}
          {plan.unplaced.length > 0 && (
            <WhySection title={t`What does not fit, and why`}>
              <ul className="space-y-2">
                {plan.unplaced.map((u) => (
                  <li key={u.batchId} className="border-l-2 border-hand pl-2">
                    <strong>{t`${names.product(u.productCode)}, ${u.pieces} pieces`}</strong>
                    <span className="block text-[13.5px]">
                      <Said>{u.reason}</Said>
                    </span>
                  </li>
                ))}
              </ul>
              {quality && <WaysOut quality={quality} />}
            </WhySection>
          )}
          {quality && quality.sure.length > 0 && <HowSure quality={quality} />}
          <WhatIf date={day.data.date} bakery={data} />
          <FromTheCold batches={batches} leave={leave} date={day.data.date} />
          <WhySection title={t`The plan`}>
            <Facts>
              <Fact name={t`Batches, loads`}>
                {plan.batches.length}, {loads.length}
              </Fact>
              <Fact name={t`Trays`}>{loads.reduce((n, load) => n + load.trays.length, 0)}</Fact>
              {placed && <Fact name={t`First load`}>{wall.time(firstLoad * 1000)}</Fact>}
              {placed && <Fact name={t`All ready`}>{wall.time(lastReady * 1000)}</Fact>}
              <Fact name={t`Made`}>{wall.near(madeAtMs, now)}</Fact>
            </Facts>
            <p className="mt-1 text-[13px] text-ink-soft">{t`Laid out backward from each ready-by, then improved by moving batches. What other days need is left to them.`}</p>
          </WhySection>
          <Cautions items={[t`Temperatures are computed. A dough that feels warm is warm: measure it.`]} />
        </>
      }
    >
      <StalePlan />
      {plan.unplaced.length > 0 && (
        <Alarm>
          {t`${plural(plan.unplaced.length, { one: 'One batch does', other: '# batches do' })} not fit into the day: the reasons are on the right.`}
        </Alarm>
      )}
      {placed ? (
        <>
          <div ref={ref} className="rounded-lg border bg-surface py-2">
            <ZoomBar
              shown={shown}
              limits={limits}
              nowS={now / 1000}
              onShow={setCloseUp}
              sayTime={sayTime}
              inset={ribbonInset}
            >
              <RibbonChart
                segments={ribbons}
                places={places}
                fromS={shown.fromS}
                toS={shown.toS}
                nowS={now / 1000}
                width={Math.max(320, width)}
                chosen={chosen}
                onChoose={setChosen}
                onDrop={(loadId, ovenId, startS) => {
                  const load = loads.find(({ id }) => id === loadId);
                  if (load) setProposal({ load, ovenId, startS });
                }}
                sayTime={sayTime}
                tickRoom={overDays ? 84 : 56}
                sayTemperature={(t) => temperature(t)}
              />
            </ZoomBar>
          </div>
          {own && (
            <BatchLoads
              batch={own}
              held={held.includes(own.batchId)}
              why={why}
              date={day.data.date}
              onMove={(load) => setProposal({ load, ovenId: load.ovenId, startS: load.startS })}
            />
          )}
          {proposal && (
            <MoveLoad
              key={`${proposal.load.id} ${proposal.ovenId} ${proposal.startS}`}
              proposal={proposal}
              date={day.data.date}
              planVersion={version}
              bakery={data}
              onClose={() => setProposal(null)}
            />
          )}
          <div className="mt-2">
            <TemperatureKey say={(t) => temperature(t)} />
          </div>
          <LoadTable batches={plan.batches} />
          <Preparations preparations={preparations} nearMs={firstLoad * 1000} />
        </>
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
