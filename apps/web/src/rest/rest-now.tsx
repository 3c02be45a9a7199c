import { t } from '@lingui/core/macro';
import { inUse, isDough } from '@jokul/core';
import { nowMs, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Alarm } from '../ui/states';
import { ColdCurve } from './cold-curve';
import { ComparePlaces } from './compare-places';
import { IntoTheCold } from './into-the-cold';
import { NeedleCore } from './needle-core';
import { asShown } from './use-needles';
import type { Rest } from './use-rest';
import { WindowBar } from './window-bar';

const clockSentence = {
  chilled: t`has been chilled or out`,
  frozen: t`has been frozen`,
  out: t`has been out of the cold`,
} as const;

/** What must not be overlooked: warm again, past its window, or followed without a probe. */
const RestAlarms = ({ rest }: { readonly rest: Rest }) => {
  const wall = useWallClock();
  const { temperature, duration } = useUnits();
  const { warmAgainC, over, way, heard, air, formula, bakery, now } = rest;
  return (
    <>
      {warmAgainC !== null && (
        <Alarm>{t`It was cold and is warm again: its core is at about ${temperature(warmAgainC, 1)}. Measure it with a probe; dough with egg that was above ${temperature(bakery.rules.coldLimitC)} for long is thrown away.`}</Alarm>
      )}
      {over && (
        <Alarm>{t`This dough ${clockSentence[over.clock]} for ${duration(over.ageS)}, all its times added up; ${
          over.clock === 'chilled' && formula.rest.placeKind === 'walk-in'
            ? t`its window ends at`
            : t`the limit is`
        } ${duration(over.limitS)}. Do not bake it without a decision of the head baker, and write down why.`}</Alarm>
      )}
      {way?.assumed && heard && air?.probe !== 'none' && (
        <Alarm>{t`The probe has told nothing since ${wall.near(way.assumed.sinceMs, now)}: the curve assumes ${temperature(way.assumed.airC)} since then. Measure the core with a probe.`}</Alarm>
      )}
    </>
  );
};

/** On its way in: where it was taken out, and where it goes. */
const GoingIntoTheCold = ({ rest }: { readonly rest: Rest }) => {
  const wall = useWallClock();
  const { duration } = useUnits();
  const { stay, pressing, known, going, setGoing, bakery, startWrong, formula, putIn } = rest;
  const isTub = formula.rest.form === 'tub';
  // A part was portioned as what it was split from.
  const isPortioned = known.portioned ?? known.stays.some(({ pieces }) => pieces > 0);
  const notYet = (isTub ? isDough(known) : isPortioned)
    ? null
    : t`The batch is not ${isTub ? t`mixed` : t`portioned`} yet.`;
  return (
    <>
      {stay?.outMs && (
        <p className="mb-3 rounded-md border bg-surface px-3 py-2">{t`Taken out at ${wall.near(stay.outMs, nowMs())} after ${duration((stay.outMs - stay.atMs) / 1000)}${pressing ? t`; ${duration(Math.max(0, pressing.leftS))} are left of its time` : ''}.`}</p>
      )}
      {rest.isLeft && rest.isRefrozen && (
        <Alarm>{t`It was frozen and has thawed. Freezing it again costs lift and shelf life: bake it, or keep it chilled within its limits. Local rules come first.`}</Alarm>
      )}
      {rest.isLeft && (
        <IntoTheCold
          going={going}
          places={inUse(bakery.equipment).places}
          startWrong={startWrong}
          warmth={rest.warmth}
          notYet={notYet}
          onChange={setGoing}
          onPutIn={putIn}
        />
      )}
    </>
  );
};

/** The dough as it is: what is due, its curve, and a probe in it; before it goes in, the places side by side. */
export const RestNow = ({ rest }: { readonly rest: Rest }) => {
  const wall = useWallClock();
  const { inside, place, evened, now, batchId, formula, bakery, needles, start, startWrong } = rest;
  return (
    <>
      <RestAlarms rest={rest} />
      {inside ? (
        <WindowBar rest={formula.rest} ageS={rest.windowS} enteredMs={now - rest.windowS * 1000} />
      ) : (
        <GoingIntoTheCold rest={rest} />
      )}
      <h2 className="mb-1 text-[12.5px] font-semibold text-ink-soft">
        {t`Core and surface${evened ? t`: already at air temperature` : ''}`}
      </h2>
      <ColdCurve
        curve={rest.curve}
        nowS={inside ? rest.sinceS : null}
        readyC={rest.readyC}
        xTitle={evened ? t`hours since ${wall.near(rest.beginsMs, now)}` : t`hours in this place`}
      />
      {inside && place && (
        <NeedleCore
          key={`${batchId}-${inside.entryId}`}
          batchId={batchId}
          stay={inside}
          placeName={place.name.toLowerCase()}
          evened={evened}
          answer={rest.answer}
        />
      )}
      {!inside && !startWrong && (
        <ComparePlaces
          key={`${batchId}-${start}`}
          formula={formula}
          places={inUse(bakery.equipment).places.map((p) => asShown(p, needles.get(p.id)))}
          rules={bakery.rules}
          startC={start}
          massG={rest.massG}
        />
      )}
    </>
  );
};
