import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { LotState } from '@jokul/core';
import { record } from '../journal/store';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';

interface ButterMeasuredProps {
  readonly batchId: string;
  readonly known: LotState;
  /** Egg goes in at this or below, °C. */
  readonly eggC: number;
}

/** How warm the browned butter is, and whether egg may follow. */
export const ButterMeasured = ({ batchId, known, eggC }: ButterMeasuredProps) => {
  const wall = useWallClock();
  const { temperature, label, typed } = useUnits();
  const [tempText, setTemp] = useState('');
  const atC = typed(tempText, 'temperature');
  const measured = known.measured.get('browned butter');
  const hot = measured !== undefined && measured.temperatureC > eggC;
  return (
    <div className="mt-4 flex flex-wrap items-end gap-3 border-t pt-3">
      <div className="w-36">
        <Field
          label={label(t`Butter measured`, 'temperature')}
          inputMode="decimal"
          value={tempText}
          onChange={(event) => setTemp(event.target.value)}
        />
      </div>
      <Button
        disabled={
          tempText.trim() === '' || !Number.isFinite(atC) || atC < 0 || atC > 200 || known.mixed !== null
        }
        onClick={() => {
          record('measured', batchId, { what: 'browned butter', temperatureC: atC });
          setTemp('');
        }}
      >{t`Measured`}</Button>
      <p className={`pb-1.5 ${hot ? 'font-semibold text-hand' : 'text-ink-soft'}`} role="status">
        {measured === undefined
          ? t`Not measured yet. Egg goes in only at ${temperature(eggC)} or below.`
          : hot
            ? t`${temperature(measured.temperatureC)} at ${wall.time(measured.atMs)}: too hot for egg.`
            : t`${temperature(measured.temperatureC)} at ${wall.time(measured.atMs)}: egg may follow.`}
      </p>
    </div>
  );
};
