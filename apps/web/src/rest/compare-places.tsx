import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Formula, HouseRules, Place, RestQuestion } from '@jokul/core';
import { useUnits } from '../lib/units';
import { core } from '../workers/core';
import { Button } from '../ui/button';
import { Said } from '../ui/said';
import { Shown } from '../ui/shown';

interface ComparePlacesProps {
  readonly formula: Formula;
  readonly places: readonly Place[];
  readonly rules: HouseRules;
  readonly startC: number;
  readonly massG: number;
}

const ways = [
  { name: t`pieces, open`, form: 'pieces', cover: 'open' },
  { name: t`pieces, covered`, form: 'pieces', cover: 'covered' },
  { name: t`whole, in a tub`, form: 'tub', cover: 'covered' },
] as const;

/** How long the same dough takes in every place, portioned or whole: which to choose when time is short. */
export const ComparePlaces = ({ formula, places, rules, startC, massG }: ComparePlacesProps) => {
  const { duration, temperature } = useUnits();
  const [asked, setAsked] = useState(false);
  const cold = places.filter(({ airC }) => airC < rules.readyCoreC);
  const questions = cold.flatMap((place) =>
    ways.map(({ form, cover }): RestQuestion => ({
      formula,
      form,
      tubMassG: Math.min(8000, Math.max(500, massG)),
      place,
      cover,
      startC,
      targetC: rules.readyCoreC,
      durationS: form === 'tub' ? 2 * 86_400 : 12 * 3600,
    })),
  );
  const times = useQuery({
    queryKey: ['rest-times', questions],
    queryFn: () => core().restTimes(questions),
    enabled: asked,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return (
    <section aria-label={t`Which place`} className="mt-4 max-w-3xl">
      <div className="flex items-center justify-between gap-3">
        <h2 className="text-[12.5px] font-semibold text-ink-soft">{t`From ${temperature(startC)} to a core of ${temperature(rules.readyCoreC)}: which place, whole or portioned`}</h2>
        {!asked && <Button size="small" onClick={() => setAsked(true)}>{t`Compare the places`}</Button>}
      </div>
      {asked && times.isPending && <p className="text-ink-soft" role="status">{t`Computing …`}</p>}
      {times.error && (
        <p role="alert" className="font-medium text-hand">
          <Said>{times.error.message}</Said>
        </p>
      )}
      {times.data && (
        <table className="mt-1 w-full">
          <thead className="text-left text-[12.5px] text-ink-soft">
            <tr>
              <th className="font-normal">{t`place`}</th>
              {ways.map(({ name }) => (
                <th key={name} className="text-right font-normal">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {cold.map((place, i) => (
              <tr key={place.id} className="border-t">
                <td className="py-1">
                  {place.name}, {temperature(place.airC)}
                </td>
                {ways.map(({ name }, j) => {
                  const figure = times.data[i * ways.length + j];
                  return (
                    <td key={name} className="py-1 text-right figures">
                      {figure ? (
                        <Shown figure={figure}>{duration(Math.round(figure.value / 60) * 60)}</Shown>
                      ) : (
                        t`not in two days`
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {times.data && (
        <p className="mt-1 text-[12.5px] text-ink-faint">{t`Computed with the set air. In the freezer the rim is hard long before the core is cold: take it out in time.`}</p>
      )}
    </section>
  );
};
