import { checkSample, type BatchState, type SampleResult } from '@jokul/core';
import { useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { Shown } from '../../ui/shown';
import { Fact, Facts } from '../../ui/station';
import { SamplePicture } from './sample-picture';

/** Mean, spread, light and heavy pieces, and what the deviation costs. */
export const SampleFigures = ({
  result,
  targetG,
  pieces,
}: {
  result: SampleResult;
  targetG: number;
  pieces: number;
}) => {
  const { mean, deviation, giveaway, light, heavy } = result;
  const lost = Math.round((Math.abs(giveaway.value) * pieces) / targetG);
  return (
    <div className="max-w-md">
      <Facts>
        <Fact name="Mean">
          <Shown figure={mean}>{mean.value.toFixed(2)} g</Shown>
        </Fact>
        {deviation && (
          <Fact name="Spread">
            <Shown figure={deviation}>± {deviation.value.toFixed(2)} g</Shown>
          </Fact>
        )}
        <Fact name={giveaway.value >= 0 ? 'Given away per piece' : 'Short per piece'}>
          <Shown figure={giveaway}>{Math.abs(giveaway.value).toFixed(2)} g</Shown>
        </Fact>
        <Fact name="Light, heavy">
          {light.length}, {heavy.length}
        </Fact>
      </Facts>
      {lost >= 1 && (
        <p className="mt-1 text-ink-soft">
          {giveaway.value > 0
            ? `That is ${lost} pieces less from this batch. Level the scoop.`
            : `That is ${lost} pieces more, each too light. Fill the scoop.`}
        </p>
      )}
    </div>
  );
};

interface PortionResultProps {
  readonly done: NonNullable<BatchState['portioned']>;
  readonly toleranceShare: number;
  readonly planned: number;
}

export const PortionResult = ({ done, toleranceShare, planned }: PortionResultProps) => {
  const wall = useWallClock();
  const { mass } = useUnits();
  const result = checkSample(done.samplesG, done.targetG, toleranceShare * done.targetG);
  return (
    <div>
      <p className="mb-3 rounded-md border bg-surface px-3 py-2">
        Portioned at {wall.time(done.atMs)} by the {done.who.toLowerCase()}: {done.pieces} pieces
        {done.scoop > 0 ? `, scoop No. ${done.scoop}` : ''}, {mass(done.remainderG)} left over. Planned were{' '}
        {planned}.
      </p>
      {result ? (
        <>
          <SamplePicture
            samplesG={done.samplesG}
            targetG={done.targetG}
            toleranceG={toleranceShare * done.targetG}
          />
          <SampleFigures result={result} targetG={done.targetG} pieces={done.pieces} />
        </>
      ) : (
        <p className="text-ink-soft">No piece was weighed.</p>
      )}
    </div>
  );
};
