import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { butterForms, type ButterForm } from '@jokul/core';
import { useWallClock } from '../lib/clock';
import { useSaid } from '../lib/said';
import { useUnits } from '../lib/units';
import { SelectField } from '../ui/field';
import { Shown } from '../ui/shown';
import { core } from '../workers/core';

interface SoftenRowProps {
  readonly roomC: number;
  /** The butter as it is now, °C. */
  readonly startC: number;
  /** What it should be, °C; null where no butter does. */
  readonly targetC: number | null;
  readonly mixStartMs: number | null;
}

/** How long the butter takes in this room, and when it has to come out of the cold. */
export const SoftenRow = ({ roomC, startC, targetC, mixStartMs }: SoftenRowProps) => {
  const { duration } = useUnits();
  const say = useSaid((own) => own.say);
  const wall = useWallClock();
  const [form, setForm] = useState<ButterForm>('block-500');
  const [wrapped, setWrapped] = useState(true);
  const question = targetC === null ? null : { form, wrapped, roomC, startC, targetC };
  const soften = useQuery({
    queryKey: ['soften', question],
    queryFn: async () => (question ? (await core().soften(question)).time : null),
    enabled: question !== null && Number.isFinite(roomC) && Number.isFinite(startC),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const outMs = soften.data && mixStartMs !== null ? mixStartMs - soften.data.value * 1000 : null;
  return (
    <div className="mt-3 grid grid-cols-[12rem_8rem_minmax(0,1fr)] items-end gap-3 border-t pt-3 max-sm:grid-cols-1">
      <SelectField
        label={t`The butter is in`}
        value={form}
        onChange={(event) => setForm(event.target.value as ButterForm)}
      >
        {Object.entries(butterForms).map(([id, { name }]) => (
          <option key={id} value={id}>
            {say(name)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label={t`It is`}
        value={wrapped ? 'wrapped' : 'bare'}
        onChange={(event) => setWrapped(event.target.value === 'wrapped')}
      >
        <option value="wrapped">{t`wrapped`}</option>
        <option value="bare">{t`bare`}</option>
      </SelectField>
      <p className="pb-1.5" role="status">
        {question === null ? (
          ''
        ) : soften.isPending ? (
          t`Computing …`
        ) : soften.data ? (
          <>
            <Shown figure={soften.data}>{duration(Math.round(soften.data.value / 60) * 60)}</Shown>{' '}
            {t`in this room`}
            {outMs !== null && <>{t`, so out of the cold at ${wall.near(outMs, mixStartMs ?? outMs)}`}</>}
          </>
        ) : startC >= (targetC ?? 0) ? (
          t`It is warm enough now.`
        ) : (
          t`It does not get there in this room.`
        )}
      </p>
    </div>
  );
};
