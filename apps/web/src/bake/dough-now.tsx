import { t } from '@lingui/core/macro';
import type { Load } from '@jokul/core';
import { useLoadingNow } from '../line/loading-now';
import { useUnits } from '../lib/units';
import { Fact, Facts, WhySection } from '../line/station';
import { TemperatureChip } from '../viz/temperature-chip';

/** The dough of a load as it stands now, and what that does to its pull. */
export const DoughNow = ({ load, plannedC }: { load: Load; plannedC: number }) => {
  const now = useLoadingNow(load.id);
  const { temperature, duration } = useUnits();
  if (!now) return null;
  const byS = now.pullS === null ? 0 : Math.round((now.pullS - load.pullS) / 5) * 5;
  return (
    <WhySection title={t`This dough now`}>
      <Facts>
        <Fact name={t`Core`}>
          <TemperatureChip temperatureC={now.coreC} digits={1} />
        </Fact>
        <Fact name={t`Planned with`}>{temperature(plannedC, 1)}</Fact>
        {now.pullS !== null && (
          <Fact name={t`Pull from there`}>{duration(Math.round(now.pullS / 5) * 5)}</Fact>
        )}
      </Facts>
      <p className="mt-1 text-[12.5px] text-ink-faint">
        {t`${now.from === 'measured' ? t`From the last measured core` : t`Computed from the mixer on`}, through every place it has been in${now.assumed ? t`; one probe was silent, so its air is assumed` : ''}. ${
          byS === 0
            ? t`It is loaded with the planned pull.`
            : t`Loaded now it is pulled ${duration(Math.abs(byS))} ${byS > 0 ? t`later` : t`earlier`} than planned.`
        }`}
      </p>
    </WhySection>
  );
};
