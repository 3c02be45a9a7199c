import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { handStates, type DoughForm, type Figure, type Formula, type Place } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Field } from '../ui/field';
import { Shown } from '../ui/shown';
import { core } from '../workers/core';
import { within } from './within';

interface OnTheBenchProps {
  readonly formula: Formula;
  readonly form: DoughForm;
  readonly massG: number;
  readonly bench: Place | undefined;
}

/** How long a dough may stand in the kitchen until it is too soft. */
export const OnTheBench = ({ formula, form, massG, bench }: OnTheBenchProps) => {
  const { duration, temperature, label, figure, typed, range } = useUnits();
  const [room, setRoom] = useState(figure(bench?.airC ?? 24, 'temperature'));
  const [from, setFrom] = useState(figure(6, 'temperature'));
  const roomC = within(typed(room, 'temperature'), 10, 40);
  const fromC = within(typed(from, 'temperature'), -25, 30);
  const soft = useQuery({
    queryKey: ['bench', formula.code, formula.version, form, massG, fromC, roomC],
    queryFn: async (): Promise<Figure | 'now' | null> =>
      core().bench(formula, fromC ?? 0, { ...(bench as Place), airC: roomC ?? 24 }, form, massG),
    enabled: bench !== undefined && roomC !== null && fromC !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return (
    <section aria-label={t`How long on the bench`} className="rounded-lg border bg-surface px-4 py-3">
      <h2 className="font-semibold">{t`How long may it stand on the bench?`}</h2>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Field
          label={label(t`Dough`, 'temperature')}
          inputMode="decimal"
          className="figures text-right"
          value={from}
          error={fromC === null ? range(-25, 30, 'temperature') : undefined}
          onChange={(event) => setFrom(event.target.value)}
        />
        <Field
          label={label(t`Kitchen`, 'temperature')}
          inputMode="decimal"
          className="figures text-right"
          value={room}
          error={roomC === null ? range(10, 40, 'temperature') : undefined}
          onChange={(event) => setRoom(event.target.value)}
        />
      </div>
      <p className="mt-2" role="status">
        {soft.data === undefined ? (
          soft.isError ? (
            soft.error.message
          ) : (
            '…'
          )
        ) : soft.data === null ? (
          t`It never gets too soft in a kitchen this cool.`
        ) : soft.data === 'now' ? (
          t`It is too soft now: back into the cold.`
        ) : (
          <Trans>
            <Shown figure={soft.data} className="font-semibold">
              {duration(Math.round(soft.data.value / 60) * 60)}
            </Shown>
            , then its mean is at {temperature(handStates.tooSoftC)} and it does not keep its shape.
          </Trans>
        )}
      </p>
    </section>
  );
};
