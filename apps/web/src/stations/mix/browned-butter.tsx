import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  butterToBrown,
  coolBrownedButter,
  doughParts,
  learnBrowningLoss,
  type LotState,
  type Formula,
  type HouseRules,
  type Place,
  type WeighSheet,
} from '@jokul/core';
import { record, useJournal } from '../../journal/store';
import { useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Field } from '../../ui/field';
import { Shown } from '../../ui/shown';

interface BrownedButterProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly known: LotState;
  readonly places: readonly Place[];
  readonly rules: HouseRules;
}

/** A flat pan of 30 × 20 cm: a default vessel. */
const vesselM2 = 0.06;
/** Soft enough to cream, °C. */
const creamableC = 21;

/** How much goes into the pan, what came out, how long it cools, and when egg may follow. */
export const BrownedButter = ({ batchId, formula, sheet, known, places, rules }: BrownedButterProps) => {
  const batches = useJournal((s) => s.floor.lots);
  const wall = useWallClock();
  const { mass, duration, temperature, label, figure, typed, unit } = useUnits();
  const [inText, setIn] = useState('');
  const [outText, setOut] = useState('');
  const [tempText, setTemp] = useState('');
  const [panC, setPanC] = useState(figure(120, 'temperature'));
  const line = formula.stages.flatMap(({ lines }) => lines).find((l) => l.browned);
  if (!line) return <p className="text-ink-soft">{t`No butter is browned in this formula.`}</p>;
  const sheetLine = sheet.lines.find(
    ({ ingredientId, name }) => ingredientId === line.ingredientId && name.includes('brown'),
  );
  const share = doughParts(line).reduce((sum, part) => sum + part.percent, 0) / line.percent;
  const neededG = (sheetLine?.exact.value ?? 0) * share;
  const loss = learnBrowningLoss([...batches.values()].flatMap(({ browned }) => browned));
  const weighIn = butterToBrown(neededG, loss);
  const [inG, outG, atC] = [typed(inText, 'mass'), typed(outText, 'mass'), typed(tempText, 'temperature')];
  const panGood = inG > 0 && outG > 0 && outG < inG;
  const last = known.browned.at(-1);
  const measured = known.measured.get('browned butter');
  const hot = measured !== undefined && measured.temperatureC > rules.eggIntoButterC;
  const startC = measured?.temperatureC ?? typed(panC, 'temperature');
  const massNow = last?.outG ?? neededG;
  return (
    <section aria-label={t`Browned butter`} className="rounded-lg border bg-surface p-4">
      <h2 className="text-lg font-semibold">{t`Browned butter`}</h2>
      <p>
        {t`The dough needs ${mass(neededG)} browned. Weigh`}{' '}
        <strong className="figures text-xl">
          <Shown figure={weighIn}>{mass(weighIn.value)}</Shown>
        </strong>{' '}
        {t`into the pan: browning takes`} <Shown figure={loss}>{(100 * loss.value).toFixed(1)} %</Shown>.
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <div className="w-32">
          <Field
            label={label(t`Into the pan`, 'mass')}
            inputMode="decimal"
            value={inText}
            placeholder={figure(Math.round(weighIn.value), 'mass')}
            onChange={(event) => setIn(event.target.value)}
          />
        </div>
        <div className="w-32">
          <Field
            label={label(t`Out of the pan`, 'mass')}
            inputMode="decimal"
            value={outText}
            onChange={(event) => setOut(event.target.value)}
            error={outText !== '' && inText !== '' && !panGood ? t`Less than went in.` : undefined}
          />
        </div>
        <Button
          disabled={!panGood || known.mixed !== null}
          onClick={() => {
            record('browned', batchId, { inG, outG });
            setIn('');
            setOut('');
          }}
        >{t`Log the pan`}</Button>
        {last && (
          <p className="pb-1.5 text-ink-soft">
            {t`${wall.time(last.atMs)}: ${mass(last.inG)} in, ${mass(last.outG)} out, ${(100 * (1 - last.outG / last.inG)).toFixed(1)} % lost`}
            {Math.abs(last.outG - neededG) > 0.03 * neededG && (
              <strong className="text-hand">
                {' '}
                {last.outG > neededG
                  ? t`${mass(last.outG - neededG)} more than the dough needs: keep it back.`
                  : t`${mass(neededG - last.outG)} short: brown some more.`}
              </strong>
            )}
          </p>
        )}
      </div>
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
            ? t`Not measured yet. Egg goes in only at ${temperature(rules.eggIntoButterC)} or below.`
            : hot
              ? t`${temperature(measured.temperatureC)} at ${wall.time(measured.atMs)}: too hot for egg.`
              : t`${temperature(measured.temperatureC)} at ${wall.time(measured.atMs)}: egg may follow.`}
        </p>
      </div>
      <table className="mt-3 w-full max-w-xl text-[14px]">
        <caption className="pb-1 text-left text-[13px] text-ink-soft">
          {t`Poured out flat (30 × 20 cm), from`}{' '}
          {measured ? (
            temperature(measured.temperatureC)
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
            <th className="text-right font-normal">{t`to ${temperature(rules.eggIntoButterC)}, egg may follow`}</th>
            <th className="text-right font-normal">{t`to ${temperature(creamableC)}, to be creamed`}</th>
          </tr>
        </thead>
        <tbody>
          {places.map((place) => (
            <tr key={place.id} className="border-t">
              <td className="py-1">
                {place.name}, {temperature(place.airC)}
              </td>
              {[rules.eggIntoButterC, creamableC].map((targetC) => {
                const time =
                  startC > 0 && startC <= 180 && massNow > 0
                    ? coolBrownedButter({ massG: massNow, areaM2: vesselM2, startC, place }, targetC)
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
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`In the cold it sets first at the bottom: scrape it up and stir.`}</p>
    </section>
  );
};
