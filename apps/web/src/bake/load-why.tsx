import { plural, t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import {
  loadTemperature,
  outcomeOf,
  type BakeResult,
  type Formula,
  type Layout,
  type Load,
  type Outcome,
  type Oven,
} from '@jokul/core';
import { Cautions, Fact, Facts, WhySection } from '../line/station';
import { countdown } from '../lib/clock';
import { pullCue } from '../lib/pull-cue';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { stateNames } from '../words/names-of-codes';
import { DoughNow } from './dough-now';

interface LoadWhyProps {
  readonly load: Load;
  readonly formula: Formula;
  readonly oven: Oven;
  readonly bake: BakeResult;
  readonly layout: Layout;
}

/** What will come out: size, colour, crispness, and how sure that is. */
const ComesOut = ({
  bake: { uncertainty },
  cooled,
  outcome,
  oven,
  layout,
}: Pick<LoadWhyProps, 'bake' | 'oven' | 'layout'> & {
  readonly cooled: NonNullable<BakeResult['cooled']>;
  readonly outcome: Outcome;
}) => {
  const { size } = useUnits();
  const { search } = useLocation();
  return (
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
          <Shown
            figure={layout.perRow}
          >{t`${plural(layout.count, { one: '# piece', other: '# pieces' })}`}</Shown>
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
  );
};

/** When to pull and what will come out, each with its arithmetic. */
export const LoadWhy = ({ load, formula, oven, bake, layout }: LoadWhyProps) => {
  const { temperature, duration } = useUnits();
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
        <ComesOut bake={bake} cooled={cooled} outcome={outcome} oven={oven} layout={layout} />
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
