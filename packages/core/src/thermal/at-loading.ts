import type { Formula } from '../formula/index.js';
import { conduct, type Stay } from './conduct.js';
import { standing, type DoughForm } from './form.js';
import { heatTransfer, measuredStays, type Cover, type MeasuredAir, type Place } from './place.js';

/** One stretch of a dough's way to the oven. */
export interface WayStretch {
  readonly form: DoughForm;
  /** Dough in one tub, log or bag, g. */
  readonly massG: number;
  readonly place: Place;
  readonly cover: Cover;
  readonly durationS: number;
  /** Air as its probe saw it, from the start of the stretch on. */
  readonly measured?: readonly MeasuredAir[];
}

/** The dough as it is, or will be, when it is loaded. */
export interface AtLoading {
  /** From the core to the surface, °C; one value where the form has no shells. */
  readonly profileC: readonly number[];
  readonly coreC: number;
  readonly meanC: number;
}

/** After so long a dough is as warm as its air, s: what was before no longer matters. */
const evenS: Readonly<Record<DoughForm, number>> = {
  pieces: 24 * 3600,
  bag: 36 * 3600,
  log: 36 * 3600,
  tub: 72 * 3600,
};
/** Shells of a piece; its mean is good to a tenth of a degree. */
const shells = 10;

const staysOf = ({ place, cover, form, durationS, measured = [] }: WayStretch): readonly Stay[] => {
  const h = heatTransfer(place, cover, form);
  return measured.length > 0
    ? measuredStays(place.airC, h, durationS, measured)
    : [{ airC: place.airC, hWPerM2K: h, durationS: Math.max(1, durationS) }];
};

/** The last stay, no longer than until it is even with its air. */
const shortened = (stays: readonly Stay[], form: DoughForm): readonly Stay[] => {
  const kept: Stay[] = [];
  let left = evenS[form];
  for (const stay of [...stays].reverse()) {
    if (left <= 0) break;
    kept.unshift({ ...stay, durationS: Math.max(1, Math.min(stay.durationS, left)) });
    left -= stay.durationS;
  }
  return kept;
};

/**
 * The temperature of a dough after a way through places, in the forms that it had on it. Where its form changes (a tub
 * is portioned, a bag is laid out) it goes on evenly with its mean.
 * @param startC of the mixed dough, or a measured core
 * @throws JokulError of conduction
 */
export const alongWay = (formula: Formula, startC: number, way: readonly WayStretch[]): AtLoading => {
  let now: AtLoading = { profileC: [startC], coreC: startC, meanC: startC };
  for (let i = 0; i < way.length;) {
    const { form, massG, cover } = way[i] as WayStretch;
    const group: WayStretch[] = [];
    for (let next = way[i]; next?.form === form; next = way[i]) {
      group.push(next);
      i += 1;
    }
    const stays = group.filter(({ durationS }) => durationS >= 1).flatMap(staysOf);
    if (stays.length === 0) continue;
    const { body, material } = standing(formula, form, massG, cover === 'covered');
    const run = conduct({ body, material, startC: now.meanC, steps: shortened(stays, form), cells: shells });
    const coreC = run.coreC.at(-1) ?? now.coreC;
    const meanC = run.meanC.at(-1) ?? now.meanC;
    now = { profileC: run.profileC.length > 1 ? run.profileC : [meanC], coreC, meanC };
  }
  return now;
};
