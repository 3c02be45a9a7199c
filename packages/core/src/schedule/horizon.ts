import { allergensOf, type Formula } from '../formula/index.js';
import { wallClock } from '../quantity/index.js';
import { countPieces } from '../portioning/index.js';
import { mixerRange } from '../scaling/index.js';
import { lotId } from '../lot/index.js';
import { JokulError, sayDuration } from '../shown/index.js';
import { restingPerTray } from '../tray/index.js';
import { whyClosed } from './calendar.js';
import { coveredPieces } from './covered.js';
import { dealStock, type StockItem } from './deal-stock.js';
import type { Equipment, HouseRules } from './equipment.js';
import { everyDay, ovenHandsOf, rareSkills, resourcesOf, withoutOldHands } from './floor-resources.js';
import { overdueOrders, type Overdue } from './overdue.js';
import { rawDiameterMm, trayKindOf, trayLayout, type Prediction } from './predictions.js';
import { doughDensityGPerMl, scaleProduct } from './scale-product.js';
import { afterPullS } from './tasks.js';
import {
  usualCleanS,
  type AheadWork,
  type BatchPlan,
  type CostWeights,
  type LearnedSpreads,
  type PlanBatch,
  type PlanProblem,
  type PlanProduct,
} from './problem.js';

/** Pieces of one product that a customer wants at a moment. */
export interface HorizonOrder {
  readonly id: string;
  readonly customer: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly readyByS: number;
  /** How much a piece that is not ready counts; 1 where left out. */
  readonly weight?: number;
}

export interface HorizonInput {
  readonly nowS: number;
  readonly orders: readonly HorizonOrder[];
  readonly formulas: ReadonlyMap<string, Formula>;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  readonly predictions: ReadonlyMap<string, readonly Prediction[]>;
  readonly fixed: readonly BatchPlan[];
  readonly stock?: readonly StockItem[];
  /** What the plans of other days hold. */
  readonly taken?: readonly BatchPlan[];
  /** Names for the lots that are planned anew, by product: each is handed out once. Made up where left out. */
  readonly lotIds?: Readonly<Record<string, readonly string[]>>;
  /**
   * Bakers plan it day by day: all of a day's pieces of a product are of one dough, and ovens are hot when work begins.
   * Where left out, orders share their dough that are due within some hours, and ovens are cold in the morning.
   */
  readonly byDay?: boolean;
  /** When people are there is laid out over this; from now to the last ready-by where left out. */
  readonly stretch?: { readonly fromS: number; readonly toS: number };
  readonly weights?: CostWeights;
  /** How far people and ovens stray from a plan; the usual where left out. */
  readonly spreads?: LearnedSpreads;
  /** What a dough of so many grams asks for before it is mixed; nothing where left out. */
  readonly aheadOf?: (formula: Formula, massG: number) => readonly AheadWork[];
  /** By how much a dough is longer at the mixer than the house's usual one, s, below 0 for less; as usual where left out. */
  readonly longerOf?: (formula: Formula) => number;
}

/** An order that cannot be planned, and why. */
export interface RefusedOrder {
  readonly orderId: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly reason: string;
}

export interface Horizon {
  readonly problem: PlanProblem;
  readonly refused: readonly RefusedOrder[];
  /** By product, the orders behind its demands, in their order. */
  readonly ordersOf: ReadonlyMap<string, readonly HorizonOrder[]>;
  /** What a baker should know of the batches. */
  readonly notes: readonly string[];
}

/** A morning's orders are of one dough; those of the next morning are of another. */
const togetherS = 14 * 3600;
interface Split {
  readonly mixerId: string;
  readonly massG: number;
  readonly pieces: number;
}

const piecesIn = (massG: number, formula: Formula, rules: HouseRules): number =>
  countPieces(massG * (1 - rules.bowlLossShare), formula.piece.massG, rules.portionLossShare).pieces.value;

/** The batches that some pieces of a formula are mixed in. @throws JokulError of scaling */
export const openSplit = (
  { equipment, rules }: Pick<HorizonInput, 'equipment' | 'rules'>,
  formula: Formula,
  pieces: number,
): readonly Split[] =>
  (scaleProduct(formula, [{ pieces }], equipment, rules).splits[0]?.batches ?? []).map((batch) => ({
    mixerId: batch.mixerId,
    massG: batch.massG,
    pieces: piecesIn(batch.massG, formula, rules),
  }));

/** The mixers that take a batch, also when less of it is made, and the least that they take. */
const mixersFor = (input: HorizonInput, formula: Formula, { mixerId, massG }: Split) => {
  const density = doughDensityGPerMl(formula);
  const ranges = input.equipment.mixers.map((mixer) => mixerRange(mixer, density));
  const minMassG = Math.min(massG, ranges.find(({ id }) => id === mixerId)?.minMassG ?? massG);
  const alike = ranges.filter((range) => range.minMassG <= minMassG && range.maxMassG >= massG - 1e-6);
  return { minMassG, mixerIds: [mixerId, ...alike.map(({ id }) => id).filter((id) => id !== mixerId)] };
};

/** Orders of a product that share their dough. */
interface Cluster {
  /** Places in the list of the product's orders, the earliest first. */
  readonly serves: readonly number[];
  /** The first ready-by. */
  readonly dueS: number;
  /** Pieces that no dough covers which has begun. */
  readonly pieces: number;
}

const sharing = (
  orders: readonly HorizonOrder[],
  { byDay, rules }: Pick<HorizonInput, 'byDay' | 'rules'>,
): readonly (readonly number[])[] => {
  const groups: number[][] = [];
  const dayOf = ({ readyByS }: HorizonOrder) => wallClock(readyByS, rules.timeZone).date;
  orders.forEach((order, i) => {
    const last = groups.at(-1);
    const first = last ? orders[last[0] as number] : undefined;
    const joins =
      first && (byDay ? dayOf(first) === dayOf(order) : order.readyByS - first.readyByS <= togetherS);
    if (last && joins) last.push(i);
    else groups.push([i]);
  });
  return groups;
};

const clustersOf = (
  input: Pick<HorizonInput, 'byDay' | 'rules' | 'fixed'>,
  code: string,
  orders: readonly HorizonOrder[],
): readonly Cluster[] => {
  const begun = input.fixed.filter(({ productCode }) => productCode === code);
  return sharing(orders, input).map((serves) => {
    const own = serves.flatMap((i) => orders[i] ?? []);
    const ordered = own.reduce((sum, { pieces }) => sum + pieces, 0);
    return {
      serves,
      dueS: own[0]?.readyByS ?? 0,
      pieces: Math.max(0, ordered - coveredPieces(begun, own, orders)),
    };
  });
};

/** What happens to a product's pieces between the tray and their ready-by, by its formula and the house. */
const afterOvenOf = (
  { afterBake }: Formula,
  { coolS, packS, packPieceS = 0 }: HouseRules,
): Pick<PlanProduct, 'coolS' | 'packS' | 'after'> => ({
  coolS,
  packS,
  ...((afterBake || packPieceS > 0) && { after: { ...afterBake, ...(packPieceS > 0 && { packPieceS }) } }),
});

/** From the oven until cold and packed, at the least, s. */
const afterOvenS = (
  formula: Formula,
  rules: HouseRules,
  predictions: readonly Prediction[] | undefined,
): number =>
  Math.min(...(predictions ?? []).flatMap(({ bake }) => (bake.pull ? [Math.round(bake.pull.value)] : []))) +
  afterPullS({ trayRestS: formula.bake.trayRestS, ...afterOvenOf(formula, rules) }, 1);

/** Lots that are mixed anew for orders of a product that share their dough. */
export interface LotsNeeded {
  readonly productCode: string;
  /** The first ready-by. */
  readonly dueS: number;
  readonly count: number;
}

/** How many lots are to be mixed anew, in the order in which they take their names; none where dough cannot be scaled. */
export const lotsNeeded = (input: Omit<HorizonInput, 'lotIds'>): readonly LotsNeeded[] =>
  [...new Set(input.orders.map(({ productCode }) => productCode))].flatMap((productCode) => {
    const formula = input.formulas.get(productCode);
    if (!formula) return [];
    try {
      const clusters = clustersOf(input, productCode, reckonedWith(input, productCode).orders);
      const parts = stockFor(input, formula, clusters);
      return clusters.map(({ dueS, pieces }, c) => {
        const open = pieces - (parts[c] ?? []).reduce((sum, part) => sum + part.pieces, 0);
        return { productCode, dueS, count: open > 0 ? openSplit(input, formula, open).length : 0 };
      });
    } catch (error) {
      if (error instanceof JokulError) return [];
      throw error;
    }
  });

const openOrders = (
  { orders, equipment, rules }: Pick<HorizonInput, 'orders' | 'equipment' | 'rules'>,
  code: string,
) =>
  orders
    .filter((order) => order.productCode === code)
    .filter(
      ({ readyByS }) => whyClosed(equipment.calendar, wallClock(readyByS, rules.timeZone).date) === null,
    )
    .sort((a, b) => a.readyByS - b.readyByS);

/** A product's orders as far as they can be planned, and those whose ready-by is past with nothing begun for them. */
const reckonedWith = (
  input: Pick<HorizonInput, 'orders' | 'equipment' | 'rules' | 'fixed' | 'nowS'>,
  code: string,
): { readonly orders: readonly HorizonOrder[]; readonly overdue: readonly Overdue<HorizonOrder>[] } => {
  const open = openOrders(input, code);
  const begun = input.fixed.filter((batch) => batch.productCode === code);
  const overdue = overdueOrders(open, begun, input.nowS).filter(({ missing }) => missing > 0);
  const missingOf = new Map(overdue.map(({ order, missing }) => [order, missing]));
  return {
    orders: open
      .map((order) => ({ ...order, pieces: order.pieces - (missingOf.get(order) ?? 0) }))
      .filter(({ pieces }) => pieces > 0),
    overdue,
  };
};

/** Pieces of the smallest batch that a mixer takes. */
const leastPieces = (
  { equipment, rules }: Pick<HorizonInput, 'equipment' | 'rules'>,
  formula: Formula,
): number => {
  const density = doughDensityGPerMl(formula);
  const least = Math.min(...equipment.mixers.map((mixer) => mixerRange(mixer, density).minMassG));
  return Number.isFinite(least) ? piecesIn(least, formula, rules) + 1 : 0;
};

const stockFor = (input: HorizonInput, formula: Formula, clusters: readonly Cluster[]) =>
  dealStock(
    formula,
    input.rules,
    input.nowS,
    input.stock ?? [],
    clusters,
    afterOvenS(formula, input.rules, input.predictions.get(formula.code)),
    input.byDay ? leastPieces(input, formula) : 0,
  );

/** Batches for a product's orders: what lies in the cold first, the oldest first, then new dough. */
const batchesFor = (
  input: HorizonInput,
  formula: Formula,
  orders: readonly HorizonOrder[],
  notes: string[],
): readonly PlanBatch[] => {
  const { rules, fixed } = input;
  const { code, piece } = formula;
  const begun = fixed.filter((batch) => batch.productCode === code).length;
  const clusters = clustersOf(input, code, orders);
  const parts = stockFor(input, formula, clusters);
  const batches: PlanBatch[] = [];
  const loadsOf = new Map<string, number>();
  let fresh = 0;
  clusters.forEach(({ serves, dueS, pieces: wanted }, c) => {
    let open = wanted;
    for (const { item, pieces, rule } of parts[c] ?? []) {
      open -= pieces;
      const earlier = loadsOf.get(item.id) ?? 0;
      loadsOf.set(item.id, earlier + 1);
      const part = item.inPart || pieces < item.pieces ? item.partIds?.[earlier] : undefined;
      batches.push({
        id: part ?? (earlier === 0 ? item.id : `${item.id}/${earlier + 1}`),
        mixerId: input.equipment.mixers[0]?.id ?? '',
        // Of a tub some is lost at portioning.
        massG: (pieces * piece.massG) / (item.form === 'tub' ? 1 - rules.portionLossShare : 1),
        pieces,
        serves,
        stock: part === undefined ? rule : { ...rule, loadsBefore: 0, from: item.id },
      });
    }
    if (open <= 0) return;
    for (const split of splitOrLeast(input, formula, open, notes)) {
      const year = Number(wallClock(dueS, rules.timeZone).date.slice(0, 4));
      batches.push({
        id: input.lotIds?.[code]?.[fresh] ?? lotId(code, year, begun + fresh + 1),
        ...split,
        ...mixersFor(input, formula, split),
        serves,
        ...(input.aheadOf && { ahead: input.aheadOf(formula, split.massG) }),
      });
      fresh += 1;
    }
  });
  return batches;
};

/** As a bake day's bakers would: what is too little for any mixer is mixed as the least that one takes. */
const splitOrLeast = (
  input: HorizonInput,
  formula: Formula,
  pieces: number,
  notes: string[],
): readonly Split[] => {
  try {
    return openSplit(input, formula, pieces);
  } catch (error) {
    if (input.byDay || !(error instanceof JokulError) || error.code !== 'too-little-dough') throw error;
    const density = doughDensityGPerMl(formula);
    const [least] = input.equipment.mixers
      .map((mixer) => mixerRange(mixer, density))
      .sort((a, b) => a.minMassG - b.minMassG);
    if (!least) throw error;
    const left = piecesIn(least.minMassG, formula, input.rules) - pieces;
    notes.push(
      `${formula.name}: the least that a mixer takes is ${(least.minMassG / 1000).toFixed(1)} kg; dough for ${left} pieces is left over. Freeze it, or take more orders.`,
    );
    return [{ mixerId: least.id, massG: least.minMassG, pieces }];
  }
};

const productOf = (
  input: HorizonInput,
  formula: Formula,
  orders: readonly HorizonOrder[],
  notes: string[],
): PlanProduct => {
  const { equipment, rules } = input;
  const rare = rareSkills(equipment);
  const usable = (input.predictions.get(formula.code) ?? []).filter((p) => p.bake.pull !== null);
  const common = {
    bakes: usable.map((p) => ({
      ovenId: p.ovenId,
      setC: p.setC,
      pullS: Math.round(p.bake.pull?.value ?? 0),
    })),
    trayRestS: formula.bake.trayRestS,
    ...afterOvenOf(formula, rules),
  };
  return {
    ...common,
    code: formula.code,
    name: formula.name,
    rest: formula.rest,
    demands: orders.map(({ customer, readyByS, pieces, weight }) => ({
      name: customer,
      readyByS,
      pieces,
      ...(weight !== undefined && { weight }),
    })),
    batches: batchesFor(input, formula, orders, notes),
    perTray: usable.length > 0 ? trayLayout(formula, usable, equipment, rules).count : 1,
    restingPerTray: restingPerTray(trayKindOf(equipment, rules), rawDiameterMm(formula)),
    // Weighing stays; what the stages leave of a minute is one.
    mixS: Math.max(60, rules.mixS + Math.round(input.longerOf?.(formula) ?? 0)),
    portionSetUpS: rules.portionSetUpS,
    portionSPerPiece: rules.portionSPerPiece,
    ...(rare.length > 0 && { skills: rare }),
    ...(rules.ovenTrayS && {
      atOven: { trayS: rules.ovenTrayS, ownHands: ovenHandsOf(equipment) > 0 },
    }),
  };
};

/** What is to be ready while the bakery is closed. */
const closedOf = (
  { equipment, rules }: HorizonInput,
  orders: readonly HorizonOrder[],
): readonly RefusedOrder[] =>
  orders.flatMap(({ id, productCode, pieces, readyByS }) => {
    const why = whyClosed(equipment.calendar, wallClock(readyByS, rules.timeZone).date);
    if (why === null) return [];
    const reason = `The bakery is closed that day (${why}): give it another day, or open that one in Setup.`;
    return [{ orderId: id, productCode, pieces, reason }];
  });

/** What of the orders is baked, and why the rest of them is not. */
const productsOf = (input: HorizonInput) => {
  const { formulas, nowS, fixed } = input;
  const refused: RefusedOrder[] = [];
  const notes: string[] = [];
  const products: PlanProduct[] = [];
  const ordersOf = new Map<string, readonly HorizonOrder[]>();
  const refuse = (orders: readonly HorizonOrder[], code: string, reason: string) => {
    let begun = fixed
      .filter((batch) => batch.productCode === code)
      .reduce((sum, { pieces }) => sum + pieces, 0);
    for (const { id, pieces } of orders) {
      const done = Math.min(begun, pieces);
      begun -= done;
      refused.push({ orderId: id, productCode: code, pieces: pieces - done, reason });
    }
  };
  for (const code of new Set(input.orders.map((order) => order.productCode))) {
    const all = input.orders
      .filter((order) => order.productCode === code)
      .sort((a, b) => a.readyByS - b.readyByS);
    const closed = closedOf(input, all);
    refused.push(...closed);
    if (closed.length === all.length) continue;
    const { orders, overdue } = reckonedWith(input, code);
    const formula = formulas.get(code);
    if (!formula) {
      // One line that cannot be baked must not keep the rest of the day from being planned.
      refuse(
        openOrders(input, code),
        code,
        `There is no formula "${code}": change the line, or add the formula.`,
      );
      continue;
    }
    for (const { order, missing } of overdue)
      refused.push({
        orderId: order.id,
        productCode: code,
        pieces: missing,
        reason: `${formula.name} for ${order.customer} was to be ready ${sayDuration(nowS - order.readyByS)} ago. Give it a later ready-by, or take it off the list.`,
      });
    if (orders.length === 0) continue;
    try {
      products.push(productOf(input, formula, orders, notes));
      ordersOf.set(code, orders);
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      refuse(orders, code, error.message);
    }
  }
  return { products, ordersOf, refused, notes };
};

/**
 * All orders from now to the last ready-by as one problem: the same mixer, cold place, tray and pair of hands is
 * promised once. What cannot be baked is left out and said; the rest is planned.
 */
export const horizonProblem = (input: HorizonInput): Horizon => {
  const { formulas, equipment, rules, nowS, fixed } = input;
  const { products, ordersOf, refused, notes } = productsOf(input);
  const stretch = input.stretch ?? {
    fromS: nowS,
    toS: Math.max(nowS, ...input.orders.map(({ readyByS }) => readyByS)) + 86_400,
  };
  const resources = resourcesOf(equipment, rules, stretch);
  return {
    problem: {
      nowS,
      products,
      resources,
      ovens: equipment.ovens.map(({ id, name, places, degreesPerMin }) => ({
        id,
        name,
        places,
        degreesPerMin,
      })),
      ovenHours: everyDay(
        stretch,
        rules.timeZone,
        { ...equipment.ovenHours, capacity: 1 },
        equipment.calendar,
      ),
      loadGapS: rules.loadGapS,
      fixed: withoutOldHands(resources, fixed),
      bowls: {
        cleanS: rules.cleanS ?? usualCleanS,
        allergens: Object.fromEntries([...formulas.values()].map((f) => [f.code, allergensOf(f)])),
      },
      ...(!input.byDay && { coldOvens: true }),
      ...(input.taken && { taken: withoutOldHands(resources, input.taken) }),
      ...(input.weights && { weights: input.weights }),
      ...(input.spreads && { spreads: input.spreads }),
    },
    refused,
    ordersOf,
    notes,
  };
};
