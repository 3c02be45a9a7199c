import type { Formula } from '../formula/index.js';
import { solidFatShare } from '../ingredient/index.js';
import { formatNumber, type Figure, say } from '../shown/index.js';
import { coldFigure } from './cold-figure.js';
import { conduct, type ConductResult } from './conduct.js';
import { standing, type DoughForm } from './form.js';
import { firstPast, heatTransfer, type Cover, type Place } from './place.js';

/** One stretch of a dough's life. */
export interface LifeStep {
  readonly place: Place;
  readonly cover: Cover;
  readonly durationS: number;
}

export interface LifeQuestion {
  readonly formula: Formula;
  readonly form: DoughForm;
  readonly massG: number;
  readonly startC: number;
  readonly steps: readonly LifeStep[];
  /** Core at which rested dough counts as cold, °C. */
  readonly readyC: number;
}

/**
 * Temperatures at which dough changes for the hand, by the solid milk fat: half of the fat solid is as firm as a scoop
 * takes, a quarter is too soft to keep its shape. House estimates; sugar, flour and inclusions move them.
 */
export const handStates = {
  workableC: 8,
  tooSoftC: 18,
  frozenC: -12,
} as const;

export interface LifeMark {
  readonly id: 'bakeable' | 'workable' | 'frozen' | 'too-soft';
  readonly name: string;
  /** s from the start; null when it does not happen. */
  readonly atS: number | null;
  /** What decides it. */
  readonly by: string;
}

export interface Life {
  readonly curve: ConductResult;
  /** When each step begins, s. */
  readonly beginsS: readonly number[];
  readonly marks: readonly LifeMark[];
  /** Core, surface and solid fat at the end. */
  readonly end: { readonly coreC: number; readonly surfaceC: number; readonly solidFat: number };
}

const coldestS = (curve: ConductResult): number => {
  const least = Math.min(...curve.coreC);
  return curve.timesS[curve.coreC.indexOf(least)] ?? 0;
};

/** The whole life of a dough in one run, from place to place. @throws JokulError of conduction, `no-steps` */
export const lifeOf = ({ formula, form, massG, startC, steps, readyC }: LifeQuestion): Life => {
  const covered = steps.some(({ cover }) => cover === 'covered');
  const { body, material } = standing(formula, form, massG, covered);
  const curve = conduct({
    body,
    material,
    startC,
    steps: steps.map(({ place, cover, durationS }) => ({
      airC: place.airC,
      hWPerM2K: heatTransfer(place, cover, form),
      durationS,
    })),
    cells: body.kind === 'block' ? 18 : 20,
  });
  const { workableC, tooSoftC, frozenC } = handStates;
  const coldS = coldestS(curve);
  const warmsTo = (which: 'coreC' | 'meanC', targetC: number) => {
    const at = firstPast(curve, which, targetC, coldS);
    const start = curve[which][curve.timesS.findIndex((t) => t >= coldS)] ?? Number.NaN;
    return start < targetC ? at : null;
  };
  const coolsTo = (targetC: number) => (startC <= targetC ? 0 : firstPast(curve, 'coreC', targetC));
  const beginsS = steps.map((_, i) => steps.slice(0, i).reduce((sum, step) => sum + step.durationS, 0));
  const coreC = curve.coreC.at(-1) ?? startC;
  return {
    curve,
    beginsS,
    marks: [
      {
        id: 'bakeable',
        name: say`cold enough to bake`,
        atS: coolsTo(readyC),
        by: say`core at ${formatNumber(readyC)} °C`,
      },
      {
        id: 'frozen',
        name: say`frozen through`,
        atS: coolsTo(frozenC),
        by: say`core at ${formatNumber(frozenC)} °C`,
      },
      {
        id: 'workable',
        name: say`can be worked again`,
        atS: warmsTo('coreC', workableC),
        by: say`core back at ${workableC} °C, half of the milk fat solid`,
      },
      {
        id: 'too-soft',
        name: say`too soft to keep its shape`,
        atS: warmsTo('meanC', tooSoftC),
        by: say`mean at ${tooSoftC} °C, a quarter of the milk fat solid`,
      },
    ],
    end: {
      coreC,
      surfaceC: curve.surfaceC.at(-1) ?? startC,
      solidFat: solidFatShare(coreC),
    },
  };
};

const airIn = (place: Place) => ({
  name: say`air in ${place.name}`,
  airC: place.airC,
  source: say`place, set temperature`,
});

/**
 * How long before a moment a dough that lies evenly cold must come out so that it is at `targetC` then, s; null when
 * the place never brings it there. The mean for a tub that is worked, the core for what is baked. As a figure.
 */
export const leadTime = (
  q: Pick<LifeQuestion, 'formula' | 'form' | 'massG'> & {
    readonly fromC: number;
    readonly into: Place;
    readonly cover: Cover;
    readonly targetC: number;
    readonly where: 'core' | 'mean';
  },
): Figure | null => {
  const stands = standing(q.formula, q.form, q.massG, q.cover === 'covered');
  const { body, material } = stands;
  const hWPerM2K = heatTransfer(q.into, q.cover, q.form);
  const { reachedS } = conduct({
    body,
    material,
    startC: q.fromC,
    steps: [{ airC: q.into.airC, hWPerM2K, durationS: 4 * 86_400 }],
    until: { where: q.where, temperatureC: q.targetC },
    cells: body.kind === 'block' ? 18 : 20,
  });
  return reachedS === null
    ? null
    : coldFigure({
        name:
          q.where === 'core'
            ? say`Until the core is at ${formatNumber(q.targetC)} °C`
            : say`Until the mean is at ${formatNumber(q.targetC)} °C`,
        seconds: reachedS,
        standing: stands,
        massG: q.form === 'pieces' ? q.formula.piece.massG : q.massG,
        startC: q.fromC,
        targetC: q.targetC,
        air: airIn(q.into),
        hWPerM2K,
        learned: q.into.learned,
        note: '',
      });
};

/** How long dough at `startC` may stand on a bench before it is too soft; 'now' when it is already, null when it never is. */
export const benchTime = (
  formula: Formula,
  startC: number,
  bench: Place,
  form: DoughForm = 'pieces',
  massG = 1000,
): Figure | 'now' | null =>
  startC >= handStates.tooSoftC
    ? 'now'
    : leadTime({
        formula,
        form,
        massG,
        fromC: startC,
        into: bench,
        cover: 'open',
        targetC: handStates.tooSoftC,
        where: 'mean',
      });
