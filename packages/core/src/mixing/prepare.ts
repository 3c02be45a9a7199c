import {
  amountsFor,
  isMeltedLine,
  readyTime,
  type Amount,
  type Formula,
  type ReadyWay,
} from '../formula/index.js';
import { foodOf } from '../ingredient/index.js';
import type { HouseRules } from '../bakery/index.js';
import type { AheadWork, Availability, BatchPlan, Preparation, PreparationKind } from '../planning/index.js';
import type { Place } from '../thermal/index.js';
import { coolBrownedButter } from './browned-butter.js';
import { softenButter } from './butter.js';

/** Butter for creaming, °C in the mean: pliable, not shiny. And butter as it comes out of the cold. Usual. */
export const butterForCreaming = { wantedC: 19, fromColdC: 4 } as const;
/** Eggs in their tray are out so long before mixing, s. Usual. */
const eggsOutS = 3600;
/** Melting and browning, before it is poured out to cool, s. Usual. */
const browningS = 20 * 60;
const brownedC = 120;
/** Browned butter is poured out so thin that a kilogram covers this, m². */
const areaOfKgM2 = 0.08;
/** Nothing is put out longer before than this, s. */
const longestS = 16 * 3600;

const softened = new Map<number, number | null>();
/** How long a 500 g block takes in a room, s; null where it never gets there. Computed once for a room: it is heavy. */
const softeningS = (roomC: number): number | null => {
  const known = softened.get(roomC);
  if (known !== undefined) return known;
  const { time } = softenButter({
    form: 'block-500',
    wrapped: true,
    roomC,
    startC: butterForCreaming.fromColdC,
    targetC: butterForCreaming.wantedC,
  });
  const value = time?.value ?? null;
  softened.set(roomC, value);
  return value;
};

/**
 * The last moment at which somebody is there, not after another one. Nobody can go back to the evening before: when that
 * is over as the plan is made, it is done at once.
 */
const attendedBy = (shifts: readonly Availability[] | undefined, atS: number, nowS: number): number => {
  if (!shifts) return atS;
  const open = shifts.filter(({ capacity, fromS }) => capacity > 0 && fromS <= atS);
  if (open.length === 0) return atS;
  const lastS = Math.max(...open.map(({ toS }) => Math.min(toS - 60, atS)));
  return lastS < atS && lastS < nowS ? Math.max(atS, nowS) : lastS;
};

interface Wanted {
  readonly kind: PreparationKind;
  readonly massG: number;
  readonly aheadS: number | null;
  readonly workS?: number;
  readonly ingredientIds?: readonly string[];
  readonly ingredientNames?: readonly string[];
}

/** Nuts toasted, butter or chocolate melted, syrup heated, chocolate chopped, cocoa sifted, a jar out of the cold: what the lines ask for, each kind at once. */
const readying = (amounts: readonly Amount[]): readonly Wanted[] => {
  const wanted = (way: ReadyWay) => amounts.filter(({ line }) => line.ready?.includes(way));
  const gramsOf = (own: readonly Amount[]) => own.reduce((sum, { mass }) => sum + mass.value, 0);
  const kinds = [
    ['toast', 'toasted'],
    ['melt', 'melted'],
    ['heat', 'heated'],
    ['chop', 'chopped'],
    ['sift', 'sifted'],
    ['warm', 'warm'],
  ] as const;
  return kinds.map(([kind, way]) => {
    const own = wanted(way);
    const massG = gramsOf(own);
    const { workS, standsS } = readyTime(way, massG);
    // What is chopped after toasting must be cold by then.
    const thenG = way === 'toasted' ? gramsOf(own.filter(({ line }) => line.ready?.includes('chopped'))) : 0;
    const thenS = thenG > 0 ? readyTime('chopped', thenG).workS : 0;
    return {
      kind,
      massG,
      aheadS: workS + standsS + thenS,
      workS,
      ingredientIds: [...new Set(own.map(({ line }) => line.ingredientId))],
      ingredientNames: [...new Set(own.map(({ name }) => name))],
    };
  });
};

/** A few minutes of somebody's time: out of the cold, onto the bench, s. Usual. */
const putOutS = 300;

/** What a dough of so many grams asks for before it is mixed, each with how long before it begins. */
const wantedFor = (
  formula: Formula,
  massG: number,
  rules: Pick<HouseRules, 'eggIntoButterC'>,
  places: readonly Place[],
): readonly (Wanted & { readonly aheadS: number; readonly workS: number })[] => {
  const bench = places.find(({ kind }) => kind === 'bench');
  if (!bench) return [];
  const amounts = amountsFor(formula, massG);
  const massOf = (wanted: (kind: string, browned: boolean) => boolean) =>
    amounts
      // What is melted comes from a pan, not from the bench.
      .filter(({ line }) => line.browned || !isMeltedLine(line))
      .filter(({ line }) => wanted(foodOf(line).kind, line.browned === true))
      .reduce((sum, { mass }) => sum + mass.value, 0);
  const melted = formula.method?.cream === 'melted';
  const butterG = massOf((kind, browned) => kind === 'butter' && !browned);
  const brownG = massOf((kind, browned) => kind === 'butter' && browned);
  const eggG = massOf((kind) => kind === 'egg');
  const cooling =
    brownG > 0
      ? coolBrownedButter(
          {
            massG: brownG,
            areaM2: Math.min(2, Math.max(0.02, (areaOfKgM2 * brownG) / 1000)),
            startC: brownedC,
            place: bench,
          },
          rules.eggIntoButterC,
        )
      : null;
  const all: readonly Wanted[] = [
    { kind: 'butter-out', massG: melted ? 0 : butterG, aheadS: butterG > 0 ? softeningS(bench.airC) : null },
    { kind: 'butter-brown', massG: brownG, aheadS: cooling && browningS + cooling.value, workS: browningS },
    { kind: 'eggs-out', massG: eggG, aheadS: eggsOutS },
    ...readying(amounts),
  ];
  return all.flatMap(({ aheadS, workS = putOutS, ...own }) =>
    own.massG <= 0 || aheadS === null ? [] : [{ ...own, aheadS: Math.min(aheadS, longestS), workS }],
  );
};

/** The work of one pair of hands that a dough asks for before it is mixed. @param massG of the dough, g */
export const aheadWorkOf = (
  formula: Formula,
  massG: number,
  rules: Pick<HouseRules, 'eggIntoButterC'>,
  places: readonly Place[],
): readonly AheadWork[] =>
  wantedFor(formula, massG, rules, places).map(({ kind, aheadS, workS }) => ({ kind, aheadS, workS }));

/**
 * What is to be done for a batch before it is mixed: butter out of the cold so that it is pliable by then, butter browned
 * so that it has cooled to where egg may go in, eggs out, nuts toasted and cold, the rest chopped and sifted. When the plan
 * found a free hand for it then; where it says nothing of it, when it is wanted, or at the end of the shift before when
 * nobody is there. A dough that is not mixed needs none of it.
 * @param shifts when people are there; always where left out
 * @param nowS when it is asked
 */
export const preparationsOf = (
  batch: BatchPlan,
  formula: Formula,
  rules: Pick<HouseRules, 'eggIntoButterC'>,
  places: readonly Place[],
  shifts?: readonly Availability[],
  nowS = Number.NEGATIVE_INFINITY,
): readonly Preparation[] => {
  const mix = batch.tasks.find(({ kind }) => kind === 'mix');
  if (!mix) return [];
  return wantedFor(formula, batch.massG, rules, places).map(
    ({ kind, massG, aheadS, workS, ingredientIds, ingredientNames }): Preparation => {
      const id = `${batch.batchId}/${kind}`;
      const wantedS = Math.floor((mix.startS - aheadS) / 60) * 60;
      const planned = batch.tasks.find((task) => task.kind === 'prepare' && task.id === id);
      const startS = planned?.startS ?? Math.min(mix.startS, attendedBy(shifts, wantedS, nowS));
      return {
        id,
        kind,
        batchId: batch.batchId,
        productCode: batch.productCode,
        massG: Math.round(massG),
        startS,
        earlyS: Math.max(0, wantedS - startS),
        workS,
        ...(ingredientIds && { ingredientIds }),
        ...(ingredientNames && { ingredientNames }),
      };
    },
  );
};
