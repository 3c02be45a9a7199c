import { plural, t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import {
  loadTemperature,
  marginsOf,
  openSidesOf,
  outcomeOf,
  rawDiameterMm,
  trayKindOf,
  type BakeResult,
  type BatchPlan,
  type Formula,
  type Layout,
  type Load,
  type Oven,
  type Room,
} from '@jokul/core';
import type { ProductForecast } from '@jokul/contracts';
import { StalePlan } from '../../line/plan-bar';
import { useJournal } from '../../journal/store';
import { countdown } from '../../lib/clock';
import { pullCue } from '../../lib/pull-cue';
import { useBakery } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { AtTabs } from '../../ui/at-tabs';
import { Shown } from '../../ui/shown';
import { Cautions, Fact, Facts, Station, WhySection } from '../../line/station';
import { Alarm } from '../../ui/states';
import { DonenessBar } from '../../viz/doneness-bar';
import { patternWords } from '../../viz/pattern-words';
import { TrayPicture } from '../../viz/tray-picture';
import { BakeCurve } from './bake-curve';
import { CutOpen } from './cut-open';
import { DoughNow } from './dough-now';
import { FullLoad } from './full-load';
import { LoadSteps } from './load-steps';
import { RetimeDue } from './retime-due';
import { TestBake } from './test-bake';
import { TimeAndHeat } from './time-and-heat';
import { TrayWays } from './tray-ways';
import { useConditions } from './use-conditions';
import { WhatIfs } from './what-ifs';
import { Said } from '../../ui/said';
import { stateNames } from '../../words/names-of-codes';

interface LoadWorkProps {
  readonly batch: BatchPlan;
  readonly load: Load;
  readonly formula: Formula;
  readonly oven: Oven;
  readonly forecast: ProductForecast;
  readonly bake: BakeResult;
  readonly layout: Layout;
  readonly queue: ReactNode;
}

/** What was seen of the gap on this product's trays, the latest last. */
const useSeenGaps = (code: string): readonly Room[] => {
  const trays = useJournal((s) => s.floor.trays);
  return [...trays.values()]
    .filter(({ batchId }) => batchId.startsWith(`${code}-`))
    .flatMap(({ inspected }) => (inspected?.room ? [{ atMs: inspected.atMs, room: inspected.room }] : []))
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ room }) => room);
};

/** When to pull and what will come out, each with its arithmetic. */
const Why = ({ load, formula, oven, bake, layout }: Omit<LoadWorkProps, 'batch' | 'forecast' | 'queue'>) => {
  const { temperature, duration, size } = useUnits();
  const { search } = useLocation();
  const { data } = useBakery();
  const { pull, cooled, uncertainty } = bake;
  const outcome = outcomeOf(bake);
  /** The window that the pull lies in: how early or late it may be. */
  const own = bake.windows.find(({ fromS, toS }) => pull !== null && fromS <= pull.value && pull.value < toS);
  const clockOf = (s: number) => countdown(Math.max(0, s) * 1000);
  const round = (s: number) => duration(Math.round(s / 5) * 5);
  return (
    <>
      {data && <DoughNow load={load} plannedC={loadTemperature(formula, data.rules, data.equipment)} />}
      <WhySection title={t`When to pull`}>
        <Facts>
          {pull && (
            <Fact name={t`Pull after`} help="pull">
              <Shown figure={pull}>{round(pull.value)}</Shown>
            </Fact>
          )}
          <Fact name={t`likely (9 of 10)`} help="likely">
            <span className="whitespace-nowrap">± {round(uncertainty.pullS)}</span>
          </Fact>
          {own && pull && (
            <Fact name={t`stays ${stateNames[own.state]}`} help="stays">
              <span className="whitespace-nowrap">
                {t`−${clockOf(pull.value - own.fromS)} to +${clockOf(own.toS - pull.value)}`}
              </span>
            </Fact>
          )}
          <Fact name={t`Turn after`} help="turn">
            {outcome ? <Shown figure={outcome.turn}>{round(load.pullS / 2)}</Shown> : round(load.pullS / 2)}
          </Fact>
          <Fact name={t`Off the tray`}>{t`${duration(formula.bake.trayRestS)} later`}</Fact>
          {outcome && (
            <Fact name={t`Centre at the pull`} help="centre">
              <Shown figure={outcome.centre}>{temperature(outcome.centre.value)}</Shown>
            </Fact>
          )}
        </Facts>
        <p className="mt-1 text-[13px] text-ink-soft">{t`Cue: ${pullCue(formula.bake.target)}`}</p>
      </WhySection>
      {cooled && outcome && (
        <WhySection title={t`What will come out`}>
          <Facts>
            <Fact name={t`Diameter`} help="diameter">
              <Shown figure={outcome.diameter}>
                {size(cooled.diameterMm)} ± {(100 * uncertainty.diameterShare).toFixed(0)} %
              </Shown>
            </Fact>
            <Fact name={t`Height`}>
              <Shown figure={outcome.height}>{size(cooled.heightMm, 1)}</Shown>
            </Fact>
            <Fact name={t`Bake loss`} help="loss">
              <Shown figure={outcome.loss}>{(cooled.lossShare * 100).toFixed(1)} %</Shown>
            </Fact>
            <Fact name={t`Colour, rim`} help="colour">
              <Shown figure={outcome.colourEdge}>{t`${cooled.colour.edge.toFixed(0)} of 100`}</Shown>
            </Fact>
            <Fact name={t`Colour, below`}>
              <Shown figure={outcome.colourBottom}>{t`${cooled.colour.bottom.toFixed(0)} of 100`}</Shown>
            </Fact>
            <Fact name={t`Crisp edge`} help="crispEdge">
              <Shown figure={outcome.crispRim}>{size(cooled.crispEdgeMm)}</Shown>
            </Fact>
            <Fact name={t`Per tray`} help="perTray">
              <Shown figure={layout.perRow}>{t`${layout.count} pieces`}</Shown>
            </Fact>
          </Facts>
          <p className="mt-1 text-[12.5px] text-ink-faint">{t`A forecast${
            uncertainty.bakes > 0
              ? t`, calibrated by ${uncertainty.bakes} logged bakes`
              : t`, not calibrated on ${oven.name} yet`
          }. Colour 35 is golden, 55 brown, 80 dark.`}</p>
          <Link
            to={`/log/learned${search}`}
            className="text-[13px] underline underline-offset-4"
          >{t`What your bakes show`}</Link>
        </WhySection>
      )}
      <Cautions
        items={[
          t`Hot trays, racks and doors burn: gloves, and say “hot” behind others.`,
          t`Look only when due: each opening costs heat.`,
        ]}
      />
    </>
  );
};

/** The tray to scale with its other ways to be laid, and the temperatures of the piece. */
const TrayAndCurve = ({
  load,
  formula,
  bake,
  layout,
  startC,
}: Pick<LoadWorkProps, 'load' | 'formula' | 'bake' | 'layout'> & { startC: number }) => {
  const { data } = useBakery();
  const { mass, length } = useUnits();
  const seen = useSeenGaps(formula.code);
  if (!data) return null;
  const tray = trayKindOf(data.equipment, data.rules);
  const diameterMm = bake.cooled?.diameterMm ?? 80;
  const rawMm = rawDiameterMm(formula);
  return (
    <div className="mt-3 grid grid-cols-2 gap-5 max-[1150px]:grid-cols-1">
      <section>
        <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">
          {t`The tray: ${layout.count} of ${mass(formula.piece.massG)}, ${patternWords[layout.pattern]}, gap ${length(formula.bake.gapMm)}`}
        </h2>
        <TrayPicture
          lengthMm={tray.lengthMm}
          widthMm={tray.widthMm}
          layout={layout}
          diameterMm={diameterMm}
          rawDiameterMm={rawMm}
          margins={marginsOf(data.rules.trayMarginMm, openSidesOf(tray))}
          pieces={load.trays[0]?.pieces ?? 0}
          startC={startC}
        />
        <p className="text-[12.5px] text-ink-faint">{t`The rule is ${length(100)}. Filled: as set down. Ring: after the spread.`}</p>
        <TrayWays
          loadId={load.id}
          template={{
            title: `${formula.name}, ${tray.name}`,
            lengthMm: tray.lengthMm,
            widthMm: tray.widthMm,
            layout,
            rawDiameterMm: rawMm,
            diameterMm,
          }}
          gapMm={formula.bake.gapMm}
          marginMm={data.rules.trayMarginMm}
          openSides={openSidesOf(tray)}
          diameterShare={bake.uncertainty.diameterShare}
          seen={seen}
        />
      </section>
      <section>
        <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">{t`Temperatures, oven to rack`}</h2>
        <BakeCurve bake={bake} />
      </section>
    </div>
  );
};

/** One load: how it is baked and when it comes out, cut open, as a whole load, otherwise, and over time and heat. */
export const LoadWork = (props: LoadWorkProps) => {
  const { batch, load, formula, oven, forecast, bake, layout, queue } = props;
  const { data } = useBakery();
  const { temperature } = useUnits();
  const base = useConditions(formula, oven, load);
  if (!data || !base) return null;
  const { pull } = bake;
  const tray = trayKindOf(data.equipment, data.rules);
  const pullS = pull?.value ?? load.pullS;
  const pieces = load.trays.reduce((n, t) => n + t.pieces, 0);
  return (
    <Station
      title={t`${formula.name} in ${oven.name}`}
      question={t`${load.id}: ${plural(load.trays.length, { one: '# tray', other: '# trays' })}, ${pieces} pieces at ${temperature(load.setC)} ${oven.fan ? t`fan` : t`still`}, to ${stateNames[formula.bake.target]}`}
      queueTitle={t`Loads`}
      queue={queue}
      why={<Why {...props} />}
    >
      <StalePlan />
      <RetimeDue />
      {forecast.formulaVersion !== formula.version && (
        <Alarm>{t`The forecast is for version ${forecast.formulaVersion} of this formula; version ${formula.version} is newer. Plan the day again.`}</Alarm>
      )}
      {bake.warnings.map((warning) => (
        <Alarm key={warning.code}>
          <Said>{warning.message}</Said>
        </Alarm>
      ))}
      <LoadSteps batch={batch} load={load} />
      <div className="mt-3">
        <AtTabs
          label={t`Parts of the bake`}
          tabs={[
            {
              value: 'load',
              name: t`This load`,
              content: (
                <>
                  <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">{t`What each pull time gives`}</h2>
                  <DonenessBar
                    windows={bake.windows}
                    pullS={pull?.value ?? null}
                    toleranceS={bake.uncertainty.pullS}
                  />
                  <TrayAndCurve
                    load={load}
                    formula={formula}
                    bake={bake}
                    layout={layout}
                    startC={base.start}
                  />
                  <TestBake
                    batch={batch}
                    load={load}
                    formula={formula}
                    oven={oven}
                    startC={base.start}
                    pullS={pullS}
                    diameterMm={bake.cooled?.diameterMm ?? 80}
                    layout={layout}
                    tray={tray}
                    margins={marginsOf(data.rules.trayMarginMm, openSidesOf(tray))}
                  />
                </>
              ),
            },
            {
              value: 'cut',
              name: t`Cut open`,
              content: <CutOpen formula={formula} base={base} pullS={pullS} />,
            },
            {
              value: 'whole',
              name: t`Whole load`,
              content: <FullLoad formula={formula} oven={oven} load={load} base={base} pullS={pullS} />,
            },
            {
              value: 'what-if',
              name: t`What if`,
              content: <WhatIfs formula={formula} base={base} oven={oven} />,
            },
            {
              value: 'heat',
              name: t`Time and heat`,
              content: <TimeAndHeat formula={formula} base={base} pullS={pullS} />,
            },
          ]}
        />
      </div>
    </Station>
  );
};
