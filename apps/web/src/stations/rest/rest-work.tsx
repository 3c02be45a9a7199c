import { t } from '@lingui/core/macro';
import { Tag } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import {
  clocksOf,
  coreAt,
  followed,
  overWindow,
  placeAirNow,
  type BatchPlan,
  type LotState,
  type Formula,
  type Place,
} from '@jokul/core';
import { useNames } from '../../line/actions';
import { taskOf } from '../../line/batch';
import { useLots } from '../../line/lots';
import { record } from '../../journal/store';
import { nowMs, useNow, useWallClock } from '../../lib/clock';
import { useBakery, useProbes } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { AtTabs } from '../../ui/at-tabs';
import { Button, buttonClass } from '../../ui/button';
import { Cautions, Station } from '../../line/station';
import { Alarm } from '../../ui/states';
import { AgeClocks } from './age-clocks';
import { AllPlaces } from './all-places';
import { ColdCurve } from './cold-curve';
import { ComparePlaces } from './compare-places';
import { LotParts } from './lot-parts';
import { NeedleCore } from './needle-core';
import { IntoTheCold, type GoingIn } from './into-the-cold';
import { questionOf, readyAt } from './question';
import { Ready, RestWindow } from './rest-why';
import { useRestCurve } from './use-curve';
import { asShown, useNeedles } from './use-needles';
import { WholeLife } from './whole-life';
import { WindowBar } from './window-bar';

const clockSentence = {
  chilled: t`has been chilled or out`,
  frozen: t`has been frozen`,
  out: t`has been out of the cold`,
} as const;
/** The clock that the formula's own window is for. */
const windowClock = ({ rest }: Formula) =>
  rest.placeKind === 'freezer' ? 'frozen' : rest.placeKind === 'bench' ? 'out' : 'chilled';

interface RestWorkProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly batch: BatchPlan | undefined;
  readonly known: LotState;
  readonly queue: ReactNode;
}

/** A dough on its way into the cold, or in it: its curve, when it is ready, and its window. */
export const RestWork = ({ batchId, formula, batch, known, queue }: RestWorkProps) => {
  const { data } = useBakery();
  const lots = useLots();
  const names = useNames();
  const now = useNow(5000);
  const wall = useWallClock();
  const { search } = useLocation();
  const { temperature, duration, mass, figure, typed } = useUnits();
  const stay = known.stays.findLast((s) => s.outMs === null) ?? known.stays.at(-1);
  const inside = stay !== undefined && stay.outMs === null;
  const places = data?.equipment.places ?? [];
  const usual = places.find((place) => place.kind === formula.rest.placeKind);
  const [going, setGoing] = useState<GoingIn>({
    placeId: usual?.id ?? '',
    cover: formula.rest.form === 'pieces' ? 'open' : 'covered',
    startC: figure(known.mixed?.doughC ?? data?.rules.doughC ?? 22, 'temperature'),
  });
  const place: Place | undefined = places.find((p) => p.id === (inside ? stay.placeId : going.placeId));
  const start = typed(going.startC, 'temperature');
  const startWrong = !Number.isFinite(start) || start < -25 || start > 40;
  const form: 'pieces' | 'tub' | 'bag' = formula.rest.form === 'none' ? 'pieces' : formula.rest.form;
  const massG = known.mixed?.massG ?? batch?.massG ?? 1000;
  const item = inside ? stay : { form, cover: going.cover, startC: start, massG };
  const probes = useProbes(now - 80 * 3600e3);
  const readings = probes.data?.places.find((p) => p.placeId === place?.id)?.readings ?? [];
  const needles = useNeedles();
  const answer = place && needles.get(place.id);
  const air = place ? placeAirNow(place, readings, now, data?.rules.probeSilentS) : null;
  const asked =
    data && place && (inside || !startWrong)
      ? questionOf(item, formula, asShown(place, answer), data.rules)
      : null;
  const way = asked && inside ? followed(asked, stay.atMs, readings, now) : null;
  const curve = useRestCurve(way?.question ?? asked);
  if (!data) return null;
  const enteredMs = inside ? stay.atMs : now;
  const ages = lots?.ageRulesOf(batchId);
  const clocks = ages ? clocksOf(known, ages, now) : [];
  const [pressing] = clocks;
  const windowS = clocks.find(({ clock }) => clock === windowClock(formula))?.ageS ?? 0;
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
  const over = ages ? overWindow(known, ages, now) : null;
  const planned = batch ? taskOf(batch, 'rest') : undefined;
  const firstLoadMs =
    batch && batch.loads.length > 0 ? Math.min(...batch.loads.map(({ startS }) => startS)) * 1000 : null;

  const putIn = () =>
    place &&
    record('rest-in', batchId, {
      placeId: place.id,
      form,
      cover: going.cover,
      startC: start,
      massG: Math.round(massG),
      pieces: form === 'tub' ? 0 : (known.portioned?.pieces ?? known.begun?.pieces ?? batch?.pieces ?? 0),
    });
  const isTub = formula.rest.form === 'tub';
  // A part was portioned as what it was split from.
  const isPortioned = known.portioned ?? known.stays.some(({ pieces }) => pieces > 0);
  const notYet = (isTub ? known.mixed : isPortioned)
    ? null
    : t`The batch is not ${isTub ? t`mixed` : t`portioned`} yet.`;

  return (
    <Station
      title={`${formula.name} ${inside ? t`in the ${place?.name.toLowerCase() ?? stay.placeId}` : t`on its way into the cold`}`}
      question={t`${batchId}: ${form === 'tub' ? t`a tub of ${mass(Math.min(8000, massG))}` : t`pieces of ${mass(formula.piece.massG)}${form === 'bag' ? t` in bags` : ''}`}. How long until it can be baked, until when is it good?`}
      queueTitle={t`In the cold`}
      queue={queue}
      actions={
        <>
          {ages && known.mixed && <LotParts lot={known} formula={formula} rules={ages} />}
          {inside && (
            <Link to={`/rest/${batchId}/labels${search}`} className={buttonClass()}>
              <Tag size={16} aria-hidden /> {t`Labels`}
            </Link>
          )}
          {inside && (
            <Button
              look="primary"
              onClick={() => record('rest-out', batchId, { placeId: stay.placeId })}
            >{t`Take it out`}</Button>
          )}
        </>
      }
      why={
        <>
          <Ready
            readyC={place ? readyAt(place, data.rules) : null}
            ready={ready}
            run={run}
            sinceS={sinceS}
            inside={inside}
            enteredMs={enteredMs}
            evened={evened}
            measured={measured}
            airC={air?.airC ?? null}
            computing={curve.isFetching}
          />
          {ages && <AgeClocks lot={known} rules={ages} placeName={names.place} />}
          <RestWindow formula={formula} plannedOutMs={planned ? planned.endS * 1000 : null} />
          <Cautions
            items={[
              t`Dough with egg stays at or below ${temperature(data.rules.coldLimitC)} and within its window; thaw it in the cold, not on the bench.`,
              t`A tub cools many times slower than pieces: its core may be warm for hours.`,
            ]}
          />
        </>
      }
    >
      <AtTabs
        label={t`Parts of the rest`}
        tabs={[
          {
            value: 'now',
            name: inside ? t`Now` : t`Into the cold`,
            content: (
              <>
                {warmAgain && (
                  <Alarm>{t`It was cold and is warm again: its core is at about ${temperature(coreNow, 1)}. Measure it with a probe; dough with egg that was above ${temperature(data.rules.coldLimitC)} for long is thrown away.`}</Alarm>
                )}
                {over && (
                  <Alarm>{t`This dough ${clockSentence[over.clock]} for ${duration(over.ageS)}, all its times added up; ${
                    over.clock === 'chilled' && rest.placeKind === 'walk-in'
                      ? t`its window ends at`
                      : t`the limit is`
                  } ${duration(over.limitS)}. Do not bake it without a decision of the head baker, and write down why.`}</Alarm>
                )}
                {way?.assumed && probes.data && (
                  <Alarm>{t`The probe has told nothing since ${wall.near(way.assumed.sinceMs, now)}: the curve assumes ${temperature(way.assumed.airC)} since then. Measure the core with a probe.`}</Alarm>
                )}
                {inside && <WindowBar rest={rest} ageS={windowS} enteredMs={now - windowS * 1000} />}
                {!inside && stay?.outMs && (
                  <p className="mb-3 rounded-md border bg-surface px-3 py-2">{t`Taken out at ${wall.near(stay.outMs, nowMs())} after ${duration((stay.outMs - stay.atMs) / 1000)}${pressing ? t`; ${duration(Math.max(0, pressing.leftS))} are left of its time` : ''}.`}</p>
                )}
                {!inside && known.trays.size === 0 && (
                  <IntoTheCold
                    going={going}
                    places={places}
                    startWrong={startWrong}
                    notYet={notYet}
                    onChange={setGoing}
                    onPutIn={putIn}
                  />
                )}
                <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">
                  {t`Core and surface${evened ? t`: already at air temperature` : ''}`}
                </h2>
                <ColdCurve
                  curve={curve}
                  nowS={inside ? sinceS : null}
                  readyC={place ? readyAt(place, data.rules) : null}
                  xTitle={evened ? t`hours since ${wall.near(beginsMs, now)}` : t`hours in this place`}
                />
                {inside && place && (
                  <NeedleCore
                    key={`${batchId}-${stay.entryId}`}
                    batchId={batchId}
                    stay={stay}
                    placeName={place.name.toLowerCase()}
                    evened={evened}
                    answer={answer}
                  />
                )}
                {!inside && !startWrong && (
                  <ComparePlaces
                    key={`${batchId}-${start}`}
                    formula={formula}
                    places={places.map((p) => asShown(p, needles.get(p.id)))}
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
            name: t`Its whole life`,
            content: (
              <WholeLife
                key={batchId}
                formula={formula}
                places={places.map((p) => asShown(p, needles.get(p.id)))}
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
            name: t`All places`,
            content: <AllPlaces current={batchId} />,
          },
        ]}
      />
    </Station>
  );
};
