import { t } from '@lingui/core/macro';
import { outcomeOf, type Formula } from '@jokul/core';
import { useDay } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { Fact, Facts } from '../line/station';

export const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

/** What a formula on the day's plan bakes into. */
export const Forecast = ({ formula }: { formula: Formula }) => {
  const day = useDay();
  const { duration, temperature, size } = useUnits();
  const forecast = day.data?.plan?.forecasts[formula.code];
  const bake = forecast?.bakes[0];
  const outcome = bake && outcomeOf(bake.bake);
  if (!forecast || !outcome || !bake?.bake.pull || !bake.bake.cooled) {
    return <p className="text-ink-soft">{t`Appears when the formula is on the day’s plan.`}</p>;
  }
  const { pull, cooled } = bake.bake;
  return (
    <>
      <Facts>
        <Fact name={t`Pull at ${temperature(bake.setC)}`}>
          <Shown figure={pull}>{duration(Math.round(pull.value / 5) * 5)}</Shown>
        </Fact>
        <Fact name={t`Diameter, cold`} help="diameter">
          <Shown figure={outcome.diameter}>
            {size(cooled.diameterMm)} ± {(bake.bake.uncertainty.diameterShare * 100).toFixed(0)} %
          </Shown>
        </Fact>
        <Fact name={t`Height, cold`}>
          <Shown figure={outcome.height}>{size(cooled.heightMm, 1)}</Shown>
        </Fact>
        <Fact name={t`Bake loss`} help="loss">
          <Shown figure={outcome.loss}>{percent(cooled.lossShare)}</Shown>
        </Fact>
      </Facts>
      {forecast.formulaVersion !== formula.version && (
        <p className="mt-1 text-[13px] text-ink-faint">{t`For version ${forecast.formulaVersion}; plan again for this one.`}</p>
      )}
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`A forecast${
        bake.bake.uncertainty.bakes > 0
          ? t`, calibrated by ${bake.bake.uncertainty.bakes} logged bakes`
          : t`, not calibrated on this oven yet`
      }.`}</p>
    </>
  );
};
