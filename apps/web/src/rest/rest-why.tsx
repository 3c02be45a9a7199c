import { t } from '@lingui/core/macro';
import { coreAt, coreFigure, type ConductResult, type Figure, type Formula } from '@jokul/core';
import { useNow, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { Fact, Facts, WhySection } from '../line/station';
import { TemperatureChip } from '../viz/temperature-chip';

interface ReadyProps {
  readonly readyC: number | null;
  readonly ready: Figure | null;
  readonly run: ConductResult | null;
  /** Where now is on the curve, s. */
  readonly sinceS: number;
  readonly inside: boolean;
  readonly enteredMs: number;
  /** Even with its air for so long that its curve is followed from later on. */
  readonly evened: boolean;
  readonly measured: boolean;
  readonly airC: number | null;
  readonly computing: boolean;
}

/** When it is cold, how cold it is now, and by what air. */
export const Ready = (props: ReadyProps) => {
  const { readyC, ready, run, sinceS, inside, enteredMs, evened, measured, airC, computing } = props;
  const { temperature, duration } = useUnits();
  const wall = useWallClock();
  const now = useNow(5000);
  return (
    <WhySection title={t`Ready`}>
      <Facts>
        <Fact name={t`Core at ${readyC === null ? '' : temperature(readyC)}`}>
          {evened ? (
            t`ready`
          ) : readyC !== null && run && !inside && coreAt(run, 0) <= readyC ? (
            t`at once`
          ) : ready ? (
            <Shown figure={ready}>{duration(Math.round(ready.value / 60) * 60)}</Shown>
          ) : computing ? (
            '…'
          ) : (
            t`not in this place`
          )}
        </Fact>
        {ready && !evened && (
          <Fact name={t`that is at`}>{wall.near(enteredMs + ready.value * 1000, now)}</Fact>
        )}
        {airC !== null && (
          <Fact name={t`Air by the probe`}>
            <TemperatureChip temperatureC={airC} digits={1} />
          </Fact>
        )}
        {run && (
          <Fact name={inside ? t`Core now` : t`Core as it goes in`} help="core">
            {ready ? (
              <Shown figure={coreFigure(ready, run, sinceS)}>
                <TemperatureChip temperatureC={coreAt(run, sinceS)} digits={1} />
              </Shown>
            ) : (
              <TemperatureChip temperatureC={coreAt(run, sinceS)} digits={1} />
            )}
          </Fact>
        )}
      </Facts>
      <p className="mt-1 text-[12.5px] text-ink-faint">
        {t`${
          measured
            ? t`Computed with the air that the probe saw since it went in; from now on with the air as it is.`
            : t`Computed with the air as it is set: no probe told it.`
        } Measure the core now and then: the curve follows the reading.`}
      </p>
    </WhySection>
  );
};

/** The window of the formula's rest rule, and what is planned. */
export const RestWindow = ({
  formula: { rest },
  plannedOutMs,
}: {
  formula: Formula;
  plannedOutMs: number | null;
}) => {
  const { duration } = useUnits();
  const wall = useWallClock();
  const now = useNow(60_000);
  return (
    <WhySection title={t`Window of this dough`}>
      <Facts>
        <Fact name={t`Not before`} help="notBefore">
          {duration(rest.minS)}
        </Fact>
        <Fact name={t`Best`}>{duration(rest.bestS)}</Fact>
        <Fact name={t`Not after`} help="notAfter">
          {duration(rest.maxS)}
        </Fact>
        {rest.temperS > 0 && (
          <Fact name={rest.form === 'bag' ? t`of which thawing` : t`then on the bench`}>
            {duration(rest.temperS)}
          </Fact>
        )}
        {plannedOutMs !== null && <Fact name={t`Planned out`}>{wall.near(plannedOutMs, now)}</Fact>}
      </Facts>
    </WhySection>
  );
};
