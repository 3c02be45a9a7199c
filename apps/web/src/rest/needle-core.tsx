import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { transferBandPercent, type ColdStay, type NeedleAnswer } from '@jokul/core';
import { record } from '../journal/store';
import { useNow, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { Shown } from '../ui/shown';

interface NeedleCoreProps {
  readonly batchId: string;
  readonly stay: ColdStay;
  /** As it reads in a sentence. */
  readonly placeName: string;
  /** Even with its air: a core says nothing of the place any more. */
  readonly evened: boolean;
  readonly answer: NeedleAnswer | undefined;
}

/** How a factor on the heat transfer of a place reads. */
export const sayCooling = (factor: number): string => {
  const how =
    Math.abs(factor - 1) < 0.03 ? t`as assumed` : t`${factor > 1 ? t`faster` : t`slower`} than assumed`;
  return `${how} (× ${factor.toFixed(2)})`;
};

/** A core measured with a needle goes into the log, and the curve of this place follows it. */
export const NeedleCore = ({ batchId, stay, placeName, evened, answer }: NeedleCoreProps) => {
  const { temperature, label, range, typed } = useUnits();
  const wall = useWallClock();
  const now = useNow(20_000);
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const value = typed(text, 'temperature');
  const wrong = text.trim() === '' || !Number.isFinite(value) || value < -35 || value > 45;
  return (
    <section aria-label={t`Probe reading`} className="mt-4 rounded-md border bg-surface px-4 py-3">
      <h2 className="text-lg font-semibold">{t`Probe reading`}</h2>
      <p className="mb-2 text-[13.5px] text-ink-soft">
        {evened
          ? t`This dough is at air temperature: its core says whether it is cold, but nothing about the place.`
          : t`Measured while it cools, it shows how fast the ${placeName} really cools; every dough in there is then timed by that.`}
      </p>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          setTried(true);
          if (wrong) return;
          record('measured', batchId, { what: 'dough', temperatureC: Math.round(value * 10) / 10 });
          setText('');
          setTried(false);
        }}
      >
        <div className="w-28">
          <Field
            label={label(t`Core`, 'temperature')}
            inputMode="decimal"
            className="figures text-right"
            value={text}
            error={wrong && (tried || text.trim() !== '') ? range(-35, 45, 'temperature') : undefined}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        <Button type="submit">{t`Log it`}</Button>
      </form>
      {stay.cores.length > 0 && (
        <ul className="mt-2 divide-y divide-line text-[13.5px]" aria-label={t`Probe readings`}>
          {stay.cores.map(({ entryId, atMs, temperatureC, who }) => (
            <li key={entryId} className="flex justify-between gap-3 py-1">
              <span className="figures">
                {wall.near(atMs, now)} <span className="text-ink-soft">{who}</span>
              </span>
              <strong className="figures font-semibold">{temperature(temperatureC, 1)}</strong>
            </li>
          ))}
        </ul>
      )}
      {answer && (
        <p className="mt-2" role="status">
          <Trans>
            The {placeName} cools{' '}
            <Shown figure={answer.shown}>
              <strong className="font-semibold">{sayCooling(answer.factor)}</strong>
            </Shown>
            , ± {transferBandPercent(answer)} %, by{' '}
            {plural(answer.cores, { one: '# probe reading', other: '# probe readings' })}.
          </Trans>
          {answer.beside.some(({ outlier }) => outlier) && (
            <> {t`One reading is far from the others: look at the entry.`}</>
          )}
        </p>
      )}
    </section>
  );
};
