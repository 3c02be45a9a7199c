import { t } from '@lingui/core/macro';
import { checkWeighing, controlChart, piecesGivenAway } from '@jokul/core';
import { Shown } from '../ui/shown';
import { Fact, Facts } from '../line/station';
import { ControlChartPicture } from './control-chart-picture';
import { HowSharp } from './how-sharp';
import { SamplePicture } from './sample-picture';
import { Said } from '../ui/said';
import { useUnits } from '../lib/units';

interface SampleFiguresProps {
  readonly samplesG: readonly number[];
  readonly targetG: number;
  readonly toleranceG: number;
  readonly pieces: number;
  /** Pieces of this product on the day's list. */
  readonly piecesOfDay: number;
}

/** Check weighing of a sample: mean, spread, what is given away, whether it passes, and whether the hand is steady. */
export const SampleFigures = ({ samplesG, targetG, toleranceG, pieces, piecesOfDay }: SampleFiguresProps) => {
  const { grams } = useUnits();
  const check = checkWeighing(samplesG, targetG, toleranceG, Math.max(1, pieces));
  if (!check) return <p className="text-ink-soft">{t`No piece was weighed.`}</p>;
  const chart = controlChart(samplesG, targetG);
  const {
    mean,
    deviation,
    giveaway,
    corrected,
    outside,
    lostPerBatch,
    shortByT,
    tolerableG,
    passes,
    advice,
  } = check;
  const lostOfDay = piecesGivenAway(giveaway, piecesOfDay, targetG);
  return (
    <div>
      <SamplePicture samplesG={samplesG} targetG={targetG} toleranceG={toleranceG} />
      <p role="status" className={`my-2 text-lg ${passes ? '' : 'font-semibold text-hand'}`}>
        <Said>{advice}</Said>
      </p>
      <div className="grid grid-cols-2 gap-x-8 max-sm:grid-cols-1">
        <Facts>
          <Fact name={t`Mean`} help="mean">
            <Shown figure={mean}>{grams(mean.value, 2)}</Shown>
          </Fact>
          {deviation && (
            <Fact name={t`Spread`} help="spread">
              <Shown figure={deviation}>± {grams(deviation.value, 2)}</Shown>
            </Fact>
          )}
          <Fact name={giveaway.value >= 0 ? t`Given away per piece` : t`Short per piece`} help="givenAway">
            <Shown figure={giveaway}>{grams(Math.abs(giveaway.value), 2)}</Shown>
          </Fact>
          <Fact name={giveaway.value >= 0 ? t`Pieces lost per batch` : t`Pieces more per batch`}>
            <Shown figure={lostPerBatch}>{Math.abs(lostPerBatch.value).toFixed(1)}</Shown>
          </Fact>
        </Facts>
        <Facts>
          {outside && (
            <Fact name={t`Outside ± ${grams(toleranceG, 1)}`}>
              <Shown figure={outside}>{t`${(100 * outside.value).toFixed(0)} % of all`}</Shown>
            </Fact>
          )}
          {corrected && (
            <Fact name={t`Mean, upper limit`} help="meanLimit">
              <Shown figure={corrected}>{grams(corrected.value, 2)}</Shown>
            </Fact>
          )}
          <Fact name={t`Light, heavy`}>
            {check.light}, {check.heavy}
          </Fact>
          <Fact name={t`Short by over ${grams(tolerableG, 1)}`}>{shortByT}</Fact>
          <Fact name={giveaway.value >= 0 ? t`Pieces lost a day` : t`Pieces more a day`}>
            <Shown figure={lostOfDay}>{Math.abs(lostOfDay.value).toFixed(1)}</Shown>
          </Fact>
        </Facts>
      </div>
      {deviation && deviation.value > 0 && (
        <HowSharp
          question={{ weighed: samplesG.length, pieces, targetG, toleranceG, spreadG: deviation.value }}
        />
      )}
      {chart && (
        <div className="mt-3">
          <ControlChartPicture chart={chart} targetG={targetG} toleranceG={toleranceG} />
          <p className="text-ink-soft">
            <Said>{chart.sentence}</Said>
          </p>
        </div>
      )}
    </div>
  );
};
