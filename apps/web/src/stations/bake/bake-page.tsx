import { useLocation, useParams } from 'react-router';
import {
  loadTemperature,
  outcomeOf,
  rawDiameterMm,
  trayKindOf,
  type BatchPlan,
  type Load,
} from '@jokul/core';
import { useNames } from '../../app/actions';
import { NeedPlan } from '../../app/need-plan';
import { StalePlan } from '../../app/plan-bar';
import { useJournal } from '../../journal/store';
import { nowMs, useWallClock } from '../../lib/clock';
import { forecastIn } from '../../lib/forecast';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { QueueItem } from '../../ui/queue-item';
import { Shown } from '../../ui/shown';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Alarm, Empty, Loading } from '../../ui/states';
import { DonenessBar } from '../../viz/doneness-bar';
import { TrayPicture } from '../../viz/tray-picture';
import { BakeCurve } from './bake-curve';
import { BakeMap } from './bake-map';
import { LoadSteps } from './load-steps';
import { TrayWays } from './tray-ways';
import { WhatIf } from './what-if';

const loadState = (load: Load, trays: ReturnType<typeof useJournal.getState>['floor']['trays']) => {
  const known = load.trays.map((tray) => trays[tray.id]);
  if (known.every((tray) => tray?.racked)) return 'racked';
  if (known.some((tray) => tray?.pulled)) return 'pulled';
  if (known.some((tray) => tray?.turned)) return 'turned';
  return known.some(Boolean) ? 'in the oven' : null;
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
        detail={`${names.oven(load.ovenId)}, ${load.trays.length} ${load.trays.length === 1 ? 'tray' : 'trays'}`}
      />
    );
  });
};

const BakeWork = () => {
  const { data } = useBakery();
  const day = useDay();
  const trays = useJournal((s) => s.floor.trays);
  const { loadId } = useParams();
  const { temperature, duration, mass } = useUnits();
  if (!data || !day.data?.plan) return <Loading what="the loads" />;
  const { plan, forecasts } = day.data.plan;
  const loads = plan.batches
    .flatMap((batch) => batch.loads.map((load) => ({ load, batch })))
    .sort((a, b) => a.load.startS - b.load.startS);
  const found =
    loads.find(({ load }) => load.id === loadId) ??
    loads.find(({ load }) => loadState(load, trays) !== 'racked') ??
    loads[0];
  if (!found)
    return <Empty title="No load is planned">The Day page says what could not be placed, and why.</Empty>;
  const { load, batch } = found;
  const formula = data.formulas.find((f) => f.code === batch.productCode);
  const oven = data.equipment.ovens.find((o) => o.id === load.ovenId);
  const forecast = forecasts[batch.productCode];
  const own = forecastIn(forecast, oven?.id);
  if (!formula || !oven || !own || !forecast?.layout)
    return <Empty title="No forecast for this load">Plan the day again on the Day page.</Empty>;
  const { bake } = own;
  const tray = trayKindOf(data.equipment, data.rules);
  const startC = loadTemperature(formula, data.rules, data.equipment);
  const { cooled, pull } = bake;
  const outcome = outcomeOf(bake);
  const first = load.trays[0];
  return (
    <Station
      title={`${formula.name} in ${oven.name}`}
      question={`${load.id}: ${load.trays.length} ${load.trays.length === 1 ? 'tray' : 'trays'}, ${load.trays.reduce((n, t) => n + t.pieces, 0)} pieces at ${temperature(load.setC)} ${oven.fan ? 'fan' : 'still'}, to ${formula.bake.target.replace('-', ' ')}`}
      queueTitle="Loads"
      queue={<LoadQueue loads={loads} current={load.id} />}
      why={
        <>
          <WhySection title="The call to pull">
            <Facts>
              {pull && (
                <Fact name="Pull after">
                  <Shown figure={pull}>{duration(Math.round(pull.value / 5) * 5)}</Shown>
                </Fact>
              )}
              <Fact name="Turn after">
                {outcome ? (
                  <Shown figure={outcome.turn}>{duration(Math.round(load.pullS / 10) * 5)}</Shown>
                ) : (
                  duration(Math.round(load.pullS / 10) * 5)
                )}
              </Fact>
              <Fact name="Off the tray">{duration(formula.bake.trayRestS)} later</Fact>
              {outcome && (
                <Fact name="Centre at the pull">
                  <Shown figure={outcome.centre}>{temperature(outcome.centre.value)}</Shown>
                </Fact>
              )}
            </Facts>
            <p className="mt-1 text-[13px] text-ink-soft">
              Cue: rim set and just coloured, centre a shade wet. It goes on baking on the hot tray.
            </p>
          </WhySection>
          {cooled && outcome && (
            <WhySection title="What will come out">
              <Facts>
                <Fact name="Diameter">
                  <Shown figure={outcome.diameter}>{cooled.diameterMm.toFixed(0)} mm ± 5 %</Shown>
                </Fact>
                <Fact name="Height">
                  <Shown figure={outcome.height}>{cooled.heightMm.toFixed(1)} mm</Shown>
                </Fact>
                <Fact name="Bake loss">
                  <Shown figure={outcome.loss}>{(cooled.lossShare * 100).toFixed(1)} %</Shown>
                </Fact>
                <Fact name="Colour, rim">
                  <Shown figure={outcome.colourEdge}>{cooled.colour.edge.toFixed(0)} of 100</Shown>
                </Fact>
                <Fact name="Colour, below">
                  <Shown figure={outcome.colourBottom}>{cooled.colour.bottom.toFixed(0)} of 100</Shown>
                </Fact>
                <Fact name="Per tray">
                  <Shown figure={forecast.layout.perRow}>{forecast.layout.count} pieces</Shown>
                </Fact>
              </Facts>
              <p className="mt-1 text-[12.5px] text-ink-faint">
                A forecast, not calibrated on this oven yet: pull ± 1 min 30. Colour 35 is golden, 55 brown,
                80 dark.
              </p>
            </WhySection>
          )}
          <WhatIf
            key={load.id}
            formula={formula}
            base={{
              start: startC,
              tray: tray.material,
              liner: data.rules.liner,
              fan: oven.fan,
              setC: load.setC,
            }}
            bake={bake}
          />
          <Cautions
            items={[
              'Hot trays, racks and doors burn: gloves, and say “hot” behind others.',
              'Look only when due: each opening costs heat.',
            ]}
          />
        </>
      }
    >
      <StalePlan />
      {forecast.formulaVersion !== formula.version && (
        <Alarm>
          The forecast is for version {forecast.formulaVersion} of this formula; version {formula.version} is
          newer. Plan the day again.
        </Alarm>
      )}
      {bake.warnings.map((warning) => (
        <Alarm key={warning.code}>{warning.message}</Alarm>
      ))}
      <LoadSteps batch={batch} load={load} trayRestS={formula.bake.trayRestS} />
      <div className="mt-3 grid grid-cols-2 gap-5 max-[1150px]:grid-cols-1">
        <section>
          <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">
            The tray: {forecast.layout.count} of {mass(formula.piece.massG)}, {forecast.layout.pattern}, gap{' '}
            {formula.bake.gapMm} mm
          </h2>
          <TrayPicture
            lengthMm={tray.lengthMm}
            widthMm={tray.widthMm}
            layout={forecast.layout}
            diameterMm={cooled?.diameterMm ?? 80}
            rawDiameterMm={rawDiameterMm(formula)}
            marginMm={data.rules.trayMarginMm}
            pieces={first?.pieces ?? 0}
            startC={startC}
          />
          <p className="text-[12.5px] text-ink-faint">
            The rule is 100 mm. Filled: as set down. Ring: after the spread.
          </p>
          <TrayWays
            loadId={load.id}
            template={{
              title: `${formula.name}, ${tray.name}`,
              lengthMm: tray.lengthMm,
              widthMm: tray.widthMm,
              layout: forecast.layout,
              rawDiameterMm: rawDiameterMm(formula),
              diameterMm: cooled?.diameterMm ?? 80,
            }}
            gapMm={formula.bake.gapMm}
            marginMm={data.rules.trayMarginMm}
          />
        </section>
        <section>
          <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">Temperatures, oven to rack</h2>
          <BakeCurve bake={bake} />
        </section>
      </div>
      <section className="mt-4">
        <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">Pulled at this minute, it becomes</h2>
        <DonenessBar windows={bake.windows} pullS={pull?.value ?? null} toleranceS={bake.uncertainty.pullS} />
      </section>
      {pull && (
        <BakeMap
          key={load.id}
          formula={formula}
          base={{
            start: startC,
            tray: tray.material,
            liner: data.rules.liner,
            fan: oven.fan,
            setC: load.setC,
          }}
          pullS={pull.value}
        />
      )}
    </Station>
  );
};

export const BakePage = () => (
  <NeedPlan>
    <BakeWork />
  </NeedPlan>
);
