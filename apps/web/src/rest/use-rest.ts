import { useState } from 'react';
import {
  coverOf,
  clocksOf,
  coreAt,
  followed,
  inUse,
  kindOfPlace,
  overWindow,
  placeAirNow,
  type BatchPlan,
  type Formula,
  type LotState,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useDoughNow, type DoughNow } from '../line/dough-now';
import { useLots } from '../line/lots';
import { airBackMs } from '../line/way-now';
import { record } from '../journal/store';
import { useNow } from '../lib/clock';
import { useProbes } from '../lib/queries';
import { useUnits } from '../lib/units';
import type { GoingIn, Warmth } from './into-the-cold';
import { questionOf, readyAt } from './question';
import { useRestCurve } from './use-curve';
import { asShown, useNeedles } from './use-needles';
import { balanceOf } from './use-part';

export interface RestOf {
  readonly batchId: string;
  readonly formula: Formula;
  readonly batch: BatchPlan | undefined;
  readonly known: LotState;
}

/** A dough that was frozen is soft by then, °C: most of its ice has melted. */
const thawedC = -4;
/** Less of a dough than this share stays in bowls and on scrapers. */
const leastLeft = 0.1;

/** The clock that the formula's own window is for. */
const windowClock = ({ rest }: Formula) =>
  rest.placeKind === 'freezer' ? 'frozen' : rest.placeKind === 'bench' ? 'out' : 'chilled';

/** In which form it goes in: a tub that was portioned, by itself or in the lot that it is a part of, is one no more. */
const formOf = ({ rest }: Formula, { portioned, stays }: LotState): 'pieces' | 'tub' | 'bag' => {
  const isTub = rest.form === 'tub' && !portioned && stays.every(({ form }) => form === 'tub');
  return rest.form === 'bag' ? 'bag' : isTub ? 'tub' : 'pieces';
};

const warmthBy = (before: DoughNow | null | undefined): Warmth =>
  before ? 'computed' : before === null ? 'unknown' : 'being-found';

/** Its pieces: those that lay there last, else as it was portioned, begun or planned. */
const piecesOf = ({ known, batch }: RestOf, last: number | undefined): number =>
  [last, known.portioned?.pieces, known.begun?.pieces, batch?.pieces].find((pieces) => pieces) ?? 0;

/** Where a dough is or goes, and the air that is measured there. */
const useWhere = ({ formula, known }: RestOf, { equipment, rules }: BakeryView, now: number) => {
  const { figure, typed } = useUnits();
  const { places } = equipment;
  const stay = known.stays.findLast(({ outMs }) => outMs === null) ?? known.stays.at(-1);
  const inside = stay?.outMs === null ? stay : undefined;
  // A dough that lay somewhere before goes on from there; one that is fresh is as warm as it came off the mixer.
  const wasAway = inside === undefined && stay !== undefined;
  const before = useDoughNow(wasAway ? { lot: known, formula } : null);
  const expectedC = wasAway ? before?.meanC : (known.mixed?.doughC ?? rules.doughC);
  const [typedIn, setGoing] = useState<Omit<GoingIn, 'startC'> & { readonly startC: string | null }>({
    placeId: inUse(equipment).places.find(({ kind }) => kind === formula.rest.placeKind)?.id ?? '',
    cover: coverOf(formula.rest),
    startC: null,
  });
  const shownC = expectedC === undefined ? '' : figure(expectedC, 'temperature');
  const going: GoingIn = { ...typedIn, startC: typedIn.startC ?? shownC };
  const place = places.find(({ id }) => id === (inside ?? going).placeId);
  const start = typed(going.startC, 'temperature');
  const kindOf = kindOfPlace(places);
  const startWrong = !Number.isFinite(start) || start < -25 || start > 40;
  const probes = useProbes(now - airBackMs);
  const readings = probes.data?.places.find((p) => p.placeId === place?.id)?.readings ?? [];
  const needles = useNeedles();
  return {
    stay,
    inside,
    going,
    setGoing: (to: GoingIn) => setGoing({ ...to, startC: to.startC === shownC ? null : to.startC }),
    /** Whether it was frozen, has thawed, and would be frozen again. */
    isRefrozen:
      place?.kind === 'freezer' &&
      start > thawedC &&
      known.stays.some(({ placeId }) => kindOf(placeId) === 'freezer'),
    warmth: typedIn.startC === null ? (wasAway ? warmthBy(before) : 'fresh') : 'typed',
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
  const { stay, inside, going, place, start, startWrong, readings, answer } = where;
  const form = formOf(formula, known);
  // What left it meanwhile, or is on trays, is not put away again.
  const { leftG } = balanceOf(known, formula);
  const madeG = known.mixed?.massG ?? batch?.massG ?? 1000;
  const isLeft = known.trays.size === 0 || leftG > leastLeft * madeG;
  const massG = !inside && known.trays.size > 0 && isLeft ? leftG : (stay?.massG ?? madeG);
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
      pieces: form === 'tub' ? 0 : piecesOf(of, stay?.pieces),
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
    /** Whether there is dough to put away: all of it, or what stays of it after a few pieces were baked first. */
    isLeft,
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
