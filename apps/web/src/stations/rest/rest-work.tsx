import { Tag } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import {
  coreAt,
  coreFigure,
  followed,
  placeAirNow,
  type BatchPlan,
  type BatchState,
  type Formula,
  type Place,
} from '@jokul/core';
import { taskOf } from '../../app/batch';
import { record } from '../../journal/store';
import { nowMs, useNow, useWallClock } from '../../lib/clock';
import { useBakery, useProbes } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { AtTabs } from '../../ui/at-tabs';
import { Button, buttonClass } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';
import { Shown } from '../../ui/shown';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Alarm, Empty } from '../../ui/states';
import { TemperatureChip } from '../../ui/temperature-chip';
import { LazyChart } from '../../viz/lazy-chart';
import { AllPlaces } from './all-places';
import { ComparePlaces } from './compare-places';
import { questionOf, readyAt } from './question';
import { useRestCurve } from './use-curve';
import { WholeLife } from './whole-life';
import { WindowBar } from './window-bar';

interface RestWorkProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly batch: BatchPlan | undefined;
  readonly known: BatchState;
  readonly queue: ReactNode;
}

/** A dough on its way into the cold, or in it: its curve, when it is ready, and its window. */
export const RestWork = ({ batchId, formula, batch, known, queue }: RestWorkProps) => {
  const { data } = useBakery();
  const now = useNow(5000);
  const wall = useWallClock();
  const { search } = useLocation();
  const { temperature, duration, mass } = useUnits();
  const stay = known.stays.findLast((s) => s.outMs === null) ?? known.stays.at(-1);
  const inside = stay !== undefined && stay.outMs === null;
  const places = data?.equipment.places ?? [];
  const usual = places.find((place) => place.kind === formula.rest.placeKind);
  const [placeId, setPlaceId] = useState(usual?.id ?? '');
  const [cover, setCover] = useState<'open' | 'covered'>(formula.rest.form === 'pieces' ? 'open' : 'covered');
  const [startC, setStartC] = useState(String(known.mixed?.doughC ?? data?.rules.doughC ?? 22));
  const place: Place | undefined = places.find((p) => p.id === (inside ? stay.placeId : placeId));
  const start = Number(startC.replace(',', '.'));
  const startWrong = !Number.isFinite(start) || start < -25 || start > 40;
  const form: 'pieces' | 'tub' | 'bag' = formula.rest.form === 'none' ? 'pieces' : formula.rest.form;
  const massG = known.mixed?.massG ?? batch?.massG ?? 1000;
  const item = inside ? stay : { form, cover, startC: start, massG };
  const probes = useProbes(now - 80 * 3600e3);
  const readings = probes.data?.places.find((p) => p.placeId === place?.id)?.readings ?? [];
  const air = place ? placeAirNow(place, readings, now) : null;
  const asked =
    data && place && (inside || !startWrong) ? questionOf(item, formula, place, data.rules) : null;
  const way = asked && inside ? followed(asked, stay.atMs, readings, now) : null;
  const curve = useRestCurve(way?.question ?? asked);
  if (!data) return null;
  const enteredMs = inside ? stay.atMs : now;
  const ageS = inside ? (now - stay.atMs) / 1000 : 0;
  const { ready, curve: run } = curve.data ?? { ready: null, curve: null };
  const beginsMs = way?.beginsMs ?? enteredMs;
  const sinceS = inside ? (now - beginsMs) / 1000 : 0;
  const coreNow = run ? coreAt(run, sinceS) : null;
  /** Even with its air for so long that its curve is followed from later on. */
  const evened = inside && beginsMs > stay.atMs;
  const measured = way?.question.measured !== undefined;
  const warmAgain =
    inside &&
    coreNow !== null &&
    place !== undefined &&
    coreNow > readyAt(place, data.rules) + 0.5 &&
    (evened || (ready !== null && sinceS > ready.value));
  const { rest } = formula;
  const over = inside && ageS > rest.maxS;
  const planned = batch ? taskOf(batch, 'rest') : undefined;
  const firstLoadMs =
    batch && batch.loads.length > 0 ? Math.min(...batch.loads.map(({ startS }) => startS)) * 1000 : null;

  const putIn = () =>
    place &&
    record('rest-in', batchId, {
      placeId: place.id,
      form,
      cover,
      startC: start,
      massG: Math.round(massG),
      pieces: form === 'tub' ? 0 : (known.portioned?.pieces ?? batch?.pieces ?? 0),
    });
  const canGoIn = formula.rest.form === 'tub' ? known.mixed !== null : known.portioned !== null;

  return (
    <Station
      title={`${formula.name} ${inside ? `in the ${place?.name.toLowerCase() ?? stay.placeId}` : 'on its way into the cold'}`}
      question={`${batchId}: ${form === 'tub' ? `a tub of ${mass(Math.min(8000, massG))}` : `pieces of ${mass(formula.piece.massG)}${form === 'bag' ? ' in bags' : ''}`}. How long until it can be baked, until when is it good?`}
      queueTitle="In the cold"
      queue={queue}
      actions={
        inside && (
          <>
            <Link to={`/rest/${batchId}/labels${search}`} className={buttonClass()}>
              <Tag size={16} aria-hidden /> Labels
            </Link>
            <Button look="primary" onClick={() => record('rest-out', batchId, { placeId: stay.placeId })}>
              Take it out
            </Button>
          </>
        )
      }
      why={
        <>
          <WhySection title="Ready">
            <Facts>
              <Fact name={`Core at ${place ? temperature(readyAt(place, data.rules)) : ''}`}>
                {evened ? (
                  'long since'
                ) : ready ? (
                  <Shown figure={ready}>{duration(Math.round(ready.value / 60) * 60)}</Shown>
                ) : curve.isFetching ? (
                  '…'
                ) : (
                  'not in this place'
                )}
              </Fact>
              {ready && !evened && (
                <Fact name="that is at">{wall.near(enteredMs + ready.value * 1000, now)}</Fact>
              )}
              {air && air.airC !== null && (
                <Fact name="Air by the probe">
                  <TemperatureChip temperatureC={air.airC} digits={1} />
                </Fact>
              )}
              {coreNow !== null && (
                <Fact name={inside ? 'Core now' : 'Core as it goes in'}>
                  {ready && run ? (
                    <Shown figure={coreFigure(ready, run, sinceS)}>
                      <TemperatureChip temperatureC={coreNow} digits={1} />
                    </Shown>
                  ) : (
                    <TemperatureChip temperatureC={coreNow} digits={1} />
                  )}
                </Fact>
              )}
            </Facts>
            <p className="mt-1 text-[12.5px] text-ink-faint">
              {measured
                ? 'Computed with the air that the probe saw since it went in; from now on with the air as it is.'
                : 'Computed with the set air of the place.'}{' '}
              Measure the core now and then, and trust the needle more.
            </p>
          </WhySection>
          <WhySection title="Window of this dough">
            <Facts>
              <Fact name="Not before">{duration(rest.minS)}</Fact>
              <Fact name="Best">{duration(rest.bestS)}</Fact>
              <Fact name="Not after">{duration(rest.maxS)}</Fact>
              {rest.temperS > 0 && (
                <Fact name={form === 'bag' ? 'of it thawing' : 'then on the bench'}>
                  {duration(rest.temperS)}
                </Fact>
              )}
              {planned && <Fact name="Planned out">{wall.near(planned.endS * 1000, now)}</Fact>}
            </Facts>
          </WhySection>
          <Cautions
            items={[
              `Dough with egg stays at or below ${temperature(data.rules.coldLimitC)} and within its window; thaw it in the cold, not on the bench.`,
              'A tub cools many times slower than pieces: its core may be warm for hours.',
            ]}
          />
        </>
      }
    >
      <AtTabs
        label="Parts of the rest"
        tabs={[
          {
            value: 'now',
            name: inside ? 'Now' : 'Into the cold',
            content: (
              <>
                {' '}
                {warmAgain && (
                  <Alarm>
                    It was cold and is warm again: its core is at about {temperature(coreNow, 1)}. Measure it
                    with a needle; dough with egg that was above {temperature(data.rules.coldLimitC)} for long
                    is thrown away.
                  </Alarm>
                )}
                {over && (
                  <Alarm>
                    This dough has been in the cold for {duration(ageS)}; its window ends at{' '}
                    {duration(rest.maxS)}. Do not bake it without a decision of the head baker, and write down
                    why.
                  </Alarm>
                )}
                {inside ? (
                  <WindowBar rest={rest} ageS={ageS} enteredMs={stay.atMs} />
                ) : stay?.outMs ? (
                  <p className="mb-3 rounded-md border bg-surface px-3 py-2">
                    Taken out at {wall.near(stay.outMs, nowMs())} after{' '}
                    {duration((stay.outMs - stay.atMs) / 1000)}.
                  </p>
                ) : (
                  <form
                    aria-label="Into the cold"
                    className="mb-4 grid max-w-3xl grid-cols-[1fr_1fr_9rem_auto] items-end gap-3"
                    onSubmit={(event) => {
                      event.preventDefault();
                      putIn();
                    }}
                  >
                    <SelectField
                      label="Place"
                      value={placeId}
                      onChange={(event) => setPlaceId(event.target.value)}
                    >
                      {places.map((p) => (
                        <option key={p.id} value={p.id}>
                          {p.name}, {p.airC} °C
                        </option>
                      ))}
                    </SelectField>
                    <SelectField
                      label="Cover"
                      value={cover}
                      onChange={(event) => setCover(event.target.value as 'open' | 'covered')}
                    >
                      <option value="open">open on the tray</option>
                      <option value="covered">covered, boxed or lidded</option>
                    </SelectField>
                    <Field
                      label="Dough, °C"
                      type="number"
                      step="0.1"
                      value={startC}
                      onChange={(event) => setStartC(event.target.value)}
                      error={startWrong ? '−25 to 40 °C' : undefined}
                    />
                    <Button type="submit" look="primary" disabled={startWrong || !canGoIn}>
                      It is in
                    </Button>
                    {!canGoIn && (
                      <p className="col-span-4 text-ink-soft">
                        {formula.rest.form === 'tub'
                          ? 'The batch is not mixed yet.'
                          : 'The batch is not portioned yet.'}
                      </p>
                    )}
                  </form>
                )}
                <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">
                  Core and surface
                  {inside &&
                    run &&
                    ageS > (run.timesS.at(-1) ?? 0) &&
                    `: even with the air by now, after ${duration(ageS)}`}
                </h2>
                {run ? (
                  <LazyChart
                    label="Temperature of core and surface over time"
                    height={330}
                    formatX={(hours) => `${Number(hours.toFixed(2))} h`}
                    formatY={(t) => temperature(t)}
                    xTitle={evened ? `hours since ${wall.near(beginsMs, now)}` : 'hours in this place'}
                    xStep={
                      (run.timesS.at(-1) ?? 0) > 36 * 3600 ? 12 : (run.timesS.at(-1) ?? 0) > 12 * 3600 ? 6 : 1
                    }
                    curves={[
                      { name: 'core', points: run.timesS.map((t, i) => [t / 3600, run.coreC[i] ?? 0]) },
                      {
                        name: 'surface',
                        points: run.timesS.map((t, i) => [t / 3600, run.surfaceC[i] ?? 0]),
                        dash: 5,
                        colour: 'var(--ink-faint)',
                      },
                    ]}
                    marks={inside ? [{ x: sinceS / 3600, text: 'now' }] : []}
                    levels={place ? [{ y: readyAt(place, data.rules), text: 'ready' }] : []}
                  />
                ) : curve.isError ? (
                  <Empty title="No curve for this">{curve.error.message}</Empty>
                ) : (
                  <div
                    className="h-[330px] animate-pulse rounded border bg-surface"
                    role="status"
                    aria-label="Computing the curve"
                  />
                )}
                {!inside && !startWrong && (
                  <ComparePlaces
                    key={`${batchId}-${start}`}
                    formula={formula}
                    places={places}
                    rules={data.rules}
                    startC={start}
                    massG={massG}
                  />
                )}
              </>
            ),
          },
          {
            value: 'life',
            name: 'Its whole life',
            content: (
              <WholeLife
                key={batchId}
                formula={formula}
                places={places}
                rules={data.rules}
                startC={known.mixed?.doughC ?? data.rules.doughC}
                massG={massG}
                wantedMs={firstLoadMs}
                pieces={known.portioned?.pieces ?? batch?.pieces ?? 100}
              />
            ),
          },
          {
            value: 'places',
            name: 'All places',
            content: <AllPlaces current={batchId} />,
          },
        ]}
      />
    </Station>
  );
};
