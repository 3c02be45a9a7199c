import { atWallClock, shiftDate } from '../quantity/index.js';
import {
  bake,
  bakeInputOf,
  calibrated,
  type BakeInput,
  type BakeResult,
  type Calibration,
} from '../bake/index.js';
import { doughOf, type Formula } from '../formula/index.js';
import { countPieces } from '../portioning/index.js';
import type { Split } from '../scaling/index.js';
import { componentNames } from '../ingredient/index.js';
import { lotId } from '../lot/index.js';
import { JokulError, modelled, type Figure } from '../shown/index.js';
import { ballRadiusM, coldPorosity } from '../thermal/index.js';
import { layOut, restingPerTray, type Layout } from '../tray/index.js';
import type { Equipment, HouseRules, Oven, TrayKind } from './equipment.js';
import { loadTemperature } from './load-temperature.js';
import { doughDensityGPerMl, scaleProduct } from './scale-product.js';
import {
  resourceIds,
  type Availability,
  type BatchPlan,
  type PlanProblem,
  type PlanProduct,
  type Resource,
  type Unplaced,
} from './problem.js';

export interface OrderLine {
  readonly id: string;
  readonly customer: string;
  readonly productCode: string;
  readonly pieces: number;
  /** Wall clock of the bake day. */
  readonly readyBy: string;
}

/** Fan ovens run hotter than still ones at the same figure: the still oven is set this much higher. General trade practice. */
export const stillAboveFanK = 17;

/** What the bake model foretells of one formula in one oven. */
export interface Prediction {
  readonly ovenId: string;
  readonly setC: number;
  readonly bake: BakeResult;
}

/** The set temperature of a formula in an oven of either kind. */
export const setTemperature = (formula: Formula, fan: boolean): number =>
  formula.bake.setC + (formula.bake.fan === fan ? 0 : fan ? -stillAboveFanK : stillAboveFanK);

export const trayKindOf = (equipment: Equipment, rules: HouseRules): TrayKind => {
  const found = equipment.trays.find((tray) => tray.id === rules.trayId) ?? equipment.trays[0];
  if (!found) throw new JokulError('no-trays', 'No trays are set up: add them in Setup.', 'trays');
  return found;
};

/** What is asked of the bake model for a formula's piece in an oven, on the house's usual tray. */
export const bakeInputIn = (
  formula: Formula,
  oven: Pick<Oven, 'id' | 'fan'>,
  equipment: Equipment,
  rules: HouseRules,
  calibration: Calibration | null = null,
  position?: number,
): BakeInput =>
  calibrated(
    bakeInputOf(formula, {
      start: loadTemperature(formula, rules, equipment),
      tray: trayKindOf(equipment, rules).material,
      liner: rules.liner,
      centreC: rules.centreC,
      fan: oven.fan,
      setC: setTemperature(formula, oven.fan),
    }),
    calibration,
    { ovenId: oven.id, code: formula.code, ...(position !== undefined && { position }) },
  );

/** One bake of the formula's piece in an oven, by what was learned of it. */
export const predictIn = (...asked: Parameters<typeof bakeInputIn>): BakeResult =>
  bake(bakeInputIn(...asked));

/** The same as a figure that shows the composition it comes from. */
export const doughDensityFigure = (formula: Formula): Figure => {
  const { composition } = doughOf(formula);
  return modelled({
    name: 'Density of the mixed dough',
    symbol: 'ρ',
    value: doughDensityGPerMl(formula),
    unit: 'g/mL',
    relation: '1/ρ = Σ x / ρ_x, times (1 − air)',
    terms: [
      ...componentNames.map((name) => ({
        symbol: 'x',
        name,
        value: composition[name],
        unit: 'share' as const,
        source: 'composition of the ingredients',
      })),
      {
        symbol: 'air',
        name: 'air by volume',
        value: coldPorosity,
        unit: 'share' as const,
        source: 'typical',
      },
    ],
    source: 'densities of the components at 20 °C after Choi and Okos (1986)',
    note: 'Creaming and inclusions move it: weigh three scoops.',
  });
};

/** Diameter of a raw piece as a ball, mm. */
export const rawDiameterMm = (formula: Formula): number =>
  2000 * ballRadiusM(formula.piece.massG, doughDensityGPerMl(formula) * 1000);

/** Pieces on one baking tray by the widest of the predictions, so that none touch in any oven. */
export const trayLayout = (
  formula: Formula,
  predictions: readonly Prediction[],
  equipment: Equipment,
  rules: HouseRules,
): Layout => {
  const widest = Math.max(...predictions.map((p) => p.bake.cooled?.diameterMm ?? 0));
  const { lengthMm, widthMm } = trayKindOf(equipment, rules);
  return layOut({
    lengthMm,
    widthMm,
    diameterMm: widest,
    gapMm: formula.bake.gapMm,
    marginMm: rules.trayMarginMm,
    pattern: 'best',
  });
};

export interface DayInput {
  readonly date: string;
  readonly nowS: number;
  readonly orders: readonly OrderLine[];
  readonly formulas: ReadonlyMap<string, Formula>;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  readonly predictions: ReadonlyMap<string, readonly Prediction[]>;
  readonly fixed: readonly BatchPlan[];
  /** Names for the lots that are planned anew, by product: each is handed out once. Made up where left out. */
  readonly lotIds?: Readonly<Record<string, readonly string[]>>;
}

/** Pieces of a product that no dough that has begun covers. */
const openPieces = ({ orders, fixed }: Pick<DayInput, 'orders' | 'fixed'>, code: string): number =>
  orders.filter((o) => o.productCode === code).reduce((sum, { pieces }) => sum + pieces, 0) -
  fixed.filter((batch) => batch.productCode === code).reduce((sum, { pieces }) => sum + pieces, 0);

/** Dough that has begun is baked as it is; only what it does not cover is mixed anew. */
const openSplit = (input: Omit<DayInput, 'predictions'>, code: string): Split | undefined => {
  const formula = input.formulas.get(code);
  const pieces = openPieces(input, code);
  if (!formula || pieces <= 0) return undefined;
  return scaleProduct(formula, [{ pieces }], input.equipment, input.rules).splits[0];
};

/** How many lots of each product are to be mixed anew; none where its dough cannot be scaled. */
export const lotsNeeded = (input: Omit<DayInput, 'predictions'>): ReadonlyMap<string, number> =>
  new Map(
    [...new Set(input.orders.map((o) => o.productCode))].map((code) => {
      try {
        return [code, openSplit(input, code)?.batches.length ?? 0];
      } catch (error) {
        if (error instanceof JokulError) return [code, 0];
        throw error;
      }
    }),
  );

/** Days before the bake day that mixing may reach back to (the longest portioned rest is three days). */
const daysBefore = 4;

const daily = (date: string, timeZone: string, from: string, to: string, capacity: number): Availability[] =>
  // One day more at the beginning: a night shift reaches into the day after.
  Array.from({ length: daysBefore + 2 }, (_, i) => shiftDate(date, i - daysBefore - 1)).map((day) => ({
    fromS: atWallClock(day, from, timeZone),
    toS: atWallClock(to <= from ? shiftDate(day, 1) : day, to, timeZone),
    capacity,
  }));

const placeKinds = ['walk-in', 'freezer', 'bench'] as const;
const kindNames = { 'walk-in': 'Chilled places', freezer: 'Frozen places', bench: 'Benches' } as const;

/** Room of one kind of place, all places of it together: a formula says how dough rests, not in which of two fridges. */
const placesOf = (kind: (typeof placeKinds)[number], { places }: Equipment): readonly Resource[] => {
  const own = places.filter((place) => place.kind === kind);
  const name = own.length === 1 && own[0] ? own[0].name : kindNames[kind];
  const room = (of: (place: Equipment['places'][number]) => number) =>
    own.reduce((sum, place) => sum + of(place), 0);
  return [
    {
      id: resourceIds.cold(kind, 'trays'),
      name: `${name}, tray places`,
      capacity: room((p) => p.trayPlaces),
    },
    {
      id: resourceIds.cold(kind, 'tubs'),
      name: `${name}, room for tubs`,
      capacity: room((p) => p.tubPlaces),
    },
    {
      id: resourceIds.cold(kind, 'bags'),
      name: `${name}, room for bags`,
      capacity: room((p) => p.bagPlaces),
    },
  ];
};

const resourcesOf = ({ date, equipment, rules }: DayInput): Resource[] => [
  {
    id: resourceIds.hands,
    name: 'Hands for mixing and portioning',
    capacity: equipment.shifts.reduce((sum, s) => sum + s.hands, 0),
    when: equipment.shifts.flatMap((s) => daily(date, rules.timeZone, s.from, s.to, s.hands)),
  },
  { id: resourceIds.trays, name: 'Trays', capacity: trayKindOf(equipment, rules).count },
  {
    id: resourceIds.racks,
    name: 'Cooling racks',
    capacity: equipment.racks.reduce((sum, rack) => sum + rack.places, 0),
  },
  ...equipment.mixers.map((mixer) => ({ id: mixer.id, name: mixer.name, capacity: 1 })),
  ...placeKinds.flatMap((kind) => placesOf(kind, equipment)),
];

/**
 * The day as a problem for the solver, from the bake list. What cannot be baked (no such formula, dough that no mixer
 * takes, a piece that fits on no tray) is left out and said; the rest is planned.
 */
export const dayProblem = (input: DayInput): { problem: PlanProblem; refused: readonly Unplaced[] } => {
  const { orders, formulas, equipment, rules, date, fixed } = input;
  const refused: Unplaced[] = [];
  const products: PlanProduct[] = [];
  for (const code of new Set(orders.map((o) => o.productCode))) {
    const formula = formulas.get(code);
    const open = openPieces(input, code);
    if (!formula) {
      // One line that cannot be baked must not keep the rest of the day from being planned.
      const reason = `There is no formula "${code}": change the line, or add the formula.`;
      refused.push({ batchId: code, productCode: code, pieces: Math.max(0, open), reason });
      continue;
    }
    const predictions = input.predictions.get(code) ?? [];
    const usable = predictions.filter((p) => p.bake.pull !== null);
    const lines = orders.filter((o) => o.productCode === code);
    const begun = fixed.filter((batch) => batch.productCode === code);
    try {
      const perTray = usable.length > 0 ? trayLayout(formula, usable, equipment, rules).count : 1;
      const split = openSplit(input, code);
      const batches = (split?.batches ?? []).map((batch, i) => ({
        id: input.lotIds?.[code]?.[i] ?? lotId(code, Number(date.slice(0, 4)), begun.length + i + 1),
        mixerId: batch.mixerId,
        massG: batch.massG,
        pieces: countPieces(
          batch.massG * (1 - rules.bowlLossShare),
          formula.piece.massG,
          rules.portionLossShare,
        ).pieces.value,
      }));
      products.push({
        code,
        name: formula.name,
        rest: formula.rest,
        demands: lines.map((line) => ({
          name: line.customer,
          readyByS: atWallClock(date, line.readyBy, rules.timeZone),
          pieces: line.pieces,
        })),
        batches,
        perTray,
        restingPerTray: restingPerTray(trayKindOf(equipment, rules), rawDiameterMm(formula)),
        bakes: usable.map((p) => ({
          ovenId: p.ovenId,
          setC: p.setC,
          pullS: Math.round(p.bake.pull?.value ?? 0),
        })),
        mixS: rules.mixS,
        portionSetUpS: rules.portionSetUpS,
        portionSPerPiece: rules.portionSPerPiece,
        trayRestS: formula.bake.trayRestS,
        coolS: rules.coolS,
        packS: rules.packS,
      });
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      refused.push({ batchId: code, productCode: code, pieces: Math.max(0, open), reason: error.message });
    }
  }
  return {
    problem: {
      nowS: input.nowS,
      products,
      resources: resourcesOf(input),
      ovens: equipment.ovens.map(({ id, name, places, degreesPerMin }) => ({
        id,
        name,
        places,
        degreesPerMin,
      })),
      ovenHours: daily(date, rules.timeZone, equipment.ovenHours.from, equipment.ovenHours.to, 1),
      loadGapS: rules.loadGapS,
      fixed,
    },
    refused,
  };
};
