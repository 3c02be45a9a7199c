import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { JokulError, measuredDensity, sayScoop, type Figure } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field, SelectField } from '../ui/field';
import { Shown } from '../ui/shown';

export interface MeasuredScoop {
  readonly density: Figure;
  readonly number: number;
  readonly filled: 'level' | 'heaped';
  readonly meanG: number;
}

/** Three scoops on the scale once: the density of this dough as this hand fills it. */
export const WeighScoops = ({
  scoops,
  measured,
  onMeasured,
}: {
  scoops: readonly number[];
  measured: MeasuredScoop | null;
  onMeasured: (measured: MeasuredScoop | null) => void;
}) => {
  const { label, typed, about, units } = useUnits();
  const [number, setNumber] = useState(String(scoops[Math.floor(scoops.length / 2)] ?? 30));
  const [filled, setFilled] = useState<'level' | 'heaped'>('level');
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  const take = () => {
    const weights = text
      .split(/[\s;]+/)
      .filter(Boolean)
      .map((word) => typed(word, 'mass'));
    try {
      const density = measuredDensity(Number(number), weights);
      onMeasured({
        density,
        number: Number(number),
        filled,
        meanG: weights.reduce((a, b) => a + b, 0) / weights.length,
      });
      setProblem('');
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      setProblem(error.message);
    }
  };
  if (measured)
    return (
      <p className="text-[13.5px]">
        {t`Weighed: ${sayScoop(measured.number)}, ${measured.filled}, ${about(measured.meanG)}, so`}{' '}
        <Shown figure={measured.density}>{t`${measured.density.value.toFixed(3)} g/mL`}</Shown>.{' '}
        <Button size="small" look="quiet" onClick={() => onMeasured(null)}>{t`Weigh again`}</Button>
      </p>
    );
  return (
    <form
      aria-label={t`Weigh three scoops`}
      className="mt-2 space-y-2 border-t pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <SelectField label={t`Scoop`} value={number} onChange={(event) => setNumber(event.target.value)}>
          {scoops.map((n) => (
            <option key={n} value={n}>
              {sayScoop(n)}
            </option>
          ))}
        </SelectField>
        <SelectField
          label={t`Filled`}
          value={filled}
          onChange={(event) => setFilled(event.target.value as 'level' | 'heaped')}
        >
          <option value="level">{t`level`}</option>
          <option value="heaped">{t`heaped`}</option>
        </SelectField>
      </div>
      <div className="flex items-end gap-2">
        <Field
          label={label(t`Three scoops`, 'mass')}
          value={text}
          placeholder={units === 'us' ? '1.2 1.22 1.21' : '34 35 34.5'}
          onChange={(event) => setText(event.target.value)}
          error={problem || undefined}
        />
        <Button size="small" type="submit" className="mb-1">{t`Take`}</Button>
      </div>
    </form>
  );
};
