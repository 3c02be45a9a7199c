import { useState } from 'react';
import {
  clocksOf,
  coreAt,
  followed,
  overWindow,
  placeAirNow,
  type BatchPlan,
  type Formula,
  type LotState,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useLots } from '../../line/lots';
import { record } from '../../journal/store';
import { useNow } from '../../lib/clock';
import { useProbes } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import type { GoingIn } from './into-the-cold';
import { questionOf, readyAt } from './question';
import { useRestCurve } from './use-curve';
import { asShown, useNeedles } from './use-needles';

export interface RestOf {
  readonly batchId: string;
  readonly formula: Formula;
  readonly batch: BatchPlan | undefined;
  readonly known: LotState;
}

/** The clock that the formula's own window is for. */
const windowClock = ({ rest }: Formula) =>
  rest.placeKind === 'freezer' ? 'frozen' : rest.placeKind === 'bench' ? 'out' : 'chilled';

/** Where a dough is or goes, and the air that is measured there. */
const useWhere = ({ formula, known }: RestOf, { equipment, rules }: BakeryView, now: number) => {
  const { figure, typed } = useUnits();
  const { places } = equipment;
  const stay = known.stays.findLast(({ outMs }) => outMs === null) ?? known.stays.at(-1);
  const inside = stay?.outMs === null ? stay : undefined;
  const [going, setGoing] = useState<GoingIn>({
    placeId: places.find(({ kind }) => kind === formula.rest.placeKind)?.id ?? '',
    cover: formula.rest.form === 'pieces' ? 'open' : 'covered',
    startC: figure(known.mixed?.doughC ?? rules.doughC, 'temperature'),
  });
  const place = places.find(({ id }) => id === (inside ?? going).placeId);
  const start = typed(going.startC, 'temperature');
  const startWrong = !Number.isFinite(start) || start < -25 || start > 40;
  const probes = useProbes(now - 80 * 3600e3);
  const readings = probes.data?.places.find((p) => p.placeId === place?.id)?.readings ?? [];
  const needles = useNeedles();
  return {
    stay,
    inside,
    going,
    setGoing,
    place,
    start,
    startWrong,
    readings,
    /** Whether the probes have told anything at all. */
    heard: probes.data !== undefined,
    needles,
    answer: place && needles.get(place.id),
    air: place ? placeAirNow(place, readings, now, rules.probeSilentS) : null,
  };
};

/** A dough on its way into the cold, or in it, as it is now: where, since when, how cold, how old, and how long it is good. */
export const useRest = (of: RestOf, bakery: BakeryView) => {
  const { batchId, formula, batch, known } = of;
  const { rules } = bakery;
  const now = useNow(5000);
  const where = useWhere(of, bakery, now);
  const { inside, going, place, start, startWrong, readings, answer } = where;
  const form: 'pieces' | 'tub' | 'bag' = formula.rest.form === 'none' ? 'pieces' : formula.rest.form;
  const massG = known.mixed?.massG ?? batch?.massG ?? 1000;
  const asked =
    place && (inside || !startWrong)
      ? questionOf(
          inside ?? { form, cover: going.cover, startC: start, massG },
          formula,
          asShown(place, answer),
          rules,
        )
      : null;
  const way = asked && inside ? followed(asked, inside.atMs, readings, now) : null;
  const curve = useRestCurve(way?.question ?? asked);
  const { ready, curve: run } = curve.data ?? { ready: null, curve: null };
  const ages = useLots()?.ageRulesOf(batchId);
  const clocks = ages ? clocksOf(known, ages, now) : [];
  const enteredMs = inside?.atMs ?? now;
  const beginsMs = way?.beginsMs ?? enteredMs;
  const sinceS = inside ? (now - beginsMs) / 1000 : 0;
  const coreC = run ? coreAt(run, sinceS) : null;
  /** Even with its air for so long that its curve is followed from later on. */
  const evened = inside !== undefined && beginsMs > inside.atMs;
  const readyC = place ? readyAt(place, rules) : null;
  const isWarmAgain =
    inside !== undefined &&
    coreC !== null &&
    readyC !== null &&
    coreC > readyC + 0.5 &&
    (evened || (ready !== null && sinceS > ready.value));
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
  return {
    ...of,
    ...where,
    bakery,
    now,
    form,
    massG,
    way,
    curve,
    ready,
    run,
    ages,
    /** The clock that runs out first. */
    pressing: clocks[0],
    windowS: clocks.find(({ clock }) => clock === windowClock(formula))?.ageS ?? 0,
    over: ages ? overWindow(known, ages, now) : null,
    enteredMs,
    beginsMs,
    sinceS,
    evened,
    readyC,
    /** How warm its core is where it was cold before, °C. */
    warmAgainC: isWarmAgain ? coreC : null,
    putIn,
  };
};

export type Rest = ReturnType<typeof useRest>;
