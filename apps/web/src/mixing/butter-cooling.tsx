import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { coolBrownedButter, type Place } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';

interface ButterCoolingProps {
  readonly places: readonly Place[];
  /** What is in the pan now, g. */
  readonly massG: number;
  /** As it was measured last, °C; undefined where it was not. */
  readonly measuredC: number | undefined;
  /** Egg goes in at this or below, °C. */
  readonly eggC: number;
}

/** A flat pan of 30 × 20 cm: a default vessel. */
const vesselM2 = 0.06;
/** Soft enough to cream, °C. */
const creamableC = 21;

/** How long browned butter cools in each place until egg may follow, and until it can be creamed. */
export const ButterCooling = ({ places, massG, measuredC, eggC }: ButterCoolingProps) => {
  const { duration, temperature, label, figure, typed, unit } = useUnits();
  const [panC, setPanC] = useState(figure(120, 'temperature'));
  const startC = measuredC ?? typed(panC, 'temperature');
  return (
    <table className="mt-3 w-full max-w-xl text-[14px]">
      <caption className="pb-1 text-left text-[13px] text-ink-soft">
        {t`Poured out flat (30 × 20 cm), from`}{' '}
        {measuredC !== undefined ? (
          temperature(measuredC)
        ) : (
          <>
            <input
              aria-label={label(t`Butter off the pan`, 'temperature')}
              value={panC}
              inputMode="decimal"
              onChange={(event) => setPanC(event.target.value)}
              className="figures w-14 rounded border border-line bg-raised px-1 text-right"
            />{' '}
            {unit('temperature')}
          </>
        )}
        {t`, stirred now and then`}
      </caption>
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="font-normal">{t`place`}</th>
          <th className="text-right font-normal">{t`to ${temperature(eggC)}, egg may follow`}</th>
          <th className="text-right font-normal">{t`to ${temperature(creamableC)}, to be creamed`}</th>
        </tr>
      </thead>
      <tbody>
        {places.map((place) => (
          <tr key={place.id} className="border-t">
            <td className="py-1">
              {place.name}, {temperature(place.airC)}
            </td>
            {[eggC, creamableC].map((targetC) => {
              const time =
                startC > 0 && startC <= 180 && massG > 0
                  ? coolBrownedButter({ massG, areaM2: vesselM2, startC, place }, targetC)
                  : null;
              return (
                <td key={targetC} className="py-1 text-right figures">
                  {time ? (
                    <Shown figure={time}>{duration(Math.round(time.value / 60) * 60)}</Shown>
                  ) : startC <= targetC ? (
                    t`there`
                  ) : (
                    t`never`
                  )}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
};
