import { plural, t } from '@lingui/core/macro';
import { checkSample, sayScoop, unaccounted, type LotState } from '@jokul/core';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { Fact, Facts } from '../line/station';
import { SampleFigures } from './sample-figures';

interface PortionResultProps {
  readonly done: NonNullable<LotState['portioned']>;
  readonly toleranceShare: number;
  readonly planned: number;
  /** Pieces that the mixed dough was good for. */
  readonly expected: number;
  readonly mixedG: number;
  readonly piecesOfDay: number;
}

const uses = {
  spread: t`spread over the pieces`,
  'test-pieces': t`made into small test pieces`,
  cold: t`back in the cold`,
} as const;

/** What came out, and the yield reconciled: planned, from the dough, counted. */
export const PortionResult = ({
  done,
  toleranceShare,
  planned,
  expected,
  mixedG,
  piecesOfDay,
}: PortionResultProps) => {
  const wall = useWallClock();
  const { mass, about } = useUnits();
  const sample = checkSample(done.samplesG, done.targetG, toleranceShare * done.targetG);
  const left = unaccounted(
    mixedG,
    done.pieces,
    sample?.mean ?? done.targetG,
    done.remainder === 'spread' ? 0 : done.remainderG,
  );
  const odd = left.value < -0.02 * mixedG || left.value > 0.06 * mixedG;
  return (
    <div>
      <p className="mb-3 rounded-md border bg-surface px-3 py-2">{t`Portioned at ${wall.time(done.atMs)} by ${done.who}: ${plural(done.pieces, { one: '# piece', other: '# pieces' })}${done.scoop > 0 ? t`, scoop ${sayScoop(done.scoop)}${done.filled ? `, ${done.filled}` : ''}` : ''}, ${about(done.remainderG)} left over${done.remainder ? `, ${uses[done.remainder]}` : ''}. Planned: ${planned}.`}</p>
      <div className="mb-4 max-w-md">
        <Facts>
          <Fact name={t`Planned`}>{planned}</Fact>
          <Fact name={t`From the dough as weighed`}>{expected}</Fact>
          <Fact name={t`Counted`}>{done.pieces}</Fact>
          <Fact name={t`In bowl, scoop and bench`}>
            <Shown figure={left}>
              {mass(left.value)}, {((100 * left.value) / mixedG).toFixed(1)} %
            </Shown>
          </Fact>
        </Facts>
        {odd && (
          <p className="mt-1 font-medium text-hand">
            {left.value < 0
              ? t`More came out than was mixed: check the count and the weights.`
              : t`More is missing than bowl and scoop keep: check the count and the weights.`}
          </p>
        )}
      </div>
      <SampleFigures
        samplesG={done.samplesG}
        targetG={done.targetG}
        toleranceG={toleranceShare * done.targetG}
        pieces={done.pieces}
        piecesOfDay={piecesOfDay}
      />
    </div>
  );
};
