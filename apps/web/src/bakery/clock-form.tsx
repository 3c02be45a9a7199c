import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import { readTimeOfDay, wallClock } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { useSetClock } from '../lib/queries';
import { Button } from '../ui/button';
import { Field } from '../ui/field';

/** The bakery's clock: the real one, or set for the demo, running or still. */
export const ClockForm = ({ bakery }: { bakery: BakeryView }) => {
  const set = useSetClock();
  const wall = useWallClock();
  const at = wallClock(bakery.clock.nowMs / 1000, bakery.rules.timeZone);
  const [date, setDate] = useState(at.date);
  const [time, setTime] = useState(at.time);
  const send = (mode: 'real' | 'running' | 'frozen') =>
    set.mutate(
      { mode, ...(mode !== 'real' && { date, time: readTimeOfDay(time) ?? time }) },
      {
        onSuccess: (view) =>
          toast(t`The bakery’s clock shows ${wall.date(view.nowMs)}, ${wall.time(view.nowMs)}.`),
        onError: (error) => toast.error(error.message),
      },
    );
  return (
    <>
      <p className="mb-2 text-ink-soft">
        {bakery.clock.mode === 'real'
          ? t`The clock is the real one.`
          : t`The clock is set for the demo and ${bakery.clock.mode === 'frozen' ? t`stands still` : t`runs on`}.`}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={t`Date`}
          inputMode="numeric"
          placeholder="2026-11-27"
          value={date}
          onChange={(event) => setDate(event.target.value)}
        />
        <Field
          label={t`Time`}
          inputMode="numeric"
          placeholder="04:10"
          value={time}
          onChange={(event) => setTime(event.target.value)}
        />
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button look="primary" onClick={() => send('running')}>{t`Set and run`}</Button>
        <Button onClick={() => send('frozen')}>{t`Set and stop`}</Button>
        <Button onClick={() => send('real')}>{t`Use the real time`}</Button>
      </div>
    </>
  );
};
