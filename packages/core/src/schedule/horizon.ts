import type { Formula, RestRule } from '../formula/index.js';
import { wallClock } from '../quantity/index.js';
import { countPieces } from '../portioning/index.js';
import { mixerRange } from '../scaling/index.js';
import { lotId } from '../lot/index.js';
import { JokulError } from '../shown/index.js';
import { restingPerTray } from '../tray/index.js';
import { whyClosed } from './calendar.js';
import type { Equipment, HouseRules } from './equipment.js';
import { everyDay, resourcesOf } from './floor-resources.js';
import { rawDiameterMm, trayKindOf, trayLayout, type Prediction } from './predictions.js';
import { doughDensityGPerMl, scaleProduct } from './scale-product.js';
import type { BatchPlan, CostWeights, PlanBatch, PlanProblem, PlanProduct, PlanStock } from './problem.js';

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

/** Dough of a product that is in the cold already. */
export interface StockItem {
  readonly id: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly form: RestRule['form'];
  readonly placeKind: RestRule['placeKind'];
  readonly madeAtS: number;
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
  /** Orders of a product that are due within so long of the first of them share their dough, s. */
  readonly togetherS?: number;
  /** When people are there is laid out over this; from now to the last ready-by where left out. */
  readonly stretch?: { readonly fromS: number; readonly toS: number };
  readonly weights?: CostWeights;
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
const usualTogetherS = 14 * 3600;
/** Frozen pieces of a dough that rests chilled thaw in the walk-in for so long, s. A default. */
const thawS = 8 * 3600;
/** Frozen dough keeps for so long, s, unless the house says otherwise. */
const usualFrozenMaxS = 56 * 86_400;

/** Nothing is baked longer before its ready-by only because its dough goes off, s. */
const staleAfterS = 24 * 3600;

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

/** How dough that exists may still be used. */
const stockRule = ({ rest }: Formula, rules: HouseRules, item: StockItem): PlanStock => {
  const { form, placeKind, madeAtS } = item;
  if (placeKind === 'freezer' && rest.placeKind !== 'freezer')
    return {
      form,
      placeKind,
      temperS: thawS,
      fromS: madeAtS,
      toS: madeAtS + (rules.frozenMaxS ?? usualFrozenMaxS),
    };
  return { form, placeKind, temperS: rest.temperS, fromS: madeAtS + rest.minS, toS: madeAtS + rest.maxS };
};

/** Orders that share their dough, the earliest first. */
const clustersOf = (orders: readonly HorizonOrder[], togetherS: number): number[][] => {
  const clusters: number[][] = [];
  orders.forEach(({ readyByS }, i) => {
    const last = clusters.at(-1);
    const first = last ? orders[last[0] as number] : undefined;
    if (last && first && readyByS - first.readyByS <= togetherS) last.push(i);
    else clusters.push([i]);
  });
  return clusters;
};

/** What is left of stock while it is dealt out. */
interface Store {
  readonly item: StockItem;
  left: number;
}

/** Batches for a product's orders: what lies in the cold first, the oldest first, then new dough. */
const batchesFor = (
  input: HorizonInput,
  formula: Formula,
  orders: readonly HorizonOrder[],
  product: Pick<PlanProduct, 'bakes' | 'trayRestS' | 'coolS' | 'packS'>,
  notes: string[],
): readonly PlanBatch[] => {
  const { rules, nowS, fixed } = input;
  const { code, piece } = formula;
  const begun = fixed.filter((batch) => batch.productCode === code);
  let covered = begun.reduce((sum, batch) => sum + batch.pieces, 0);
  const stores: Store[] = (input.stock ?? [])
    .filter((item) => item.productCode === code)
    .map((item) => ({ item, left: item.pieces }))
    .sort((a, b) => stockRule(formula, rules, a.item).toS - stockRule(formula, rules, b.item).toS);
  const afterS =
    Math.min(...product.bakes.map(({ pullS }) => pullS)) + product.trayRestS + product.coolS + product.packS;
  const batches: PlanBatch[] = [];
  let fresh = 0;
  const clusters = clustersOf(orders, input.togetherS ?? usualTogetherS);
  clusters.forEach((serves, c) => {
    const ordered = serves.reduce((sum, i) => sum + (orders[i]?.pieces ?? 0), 0);
    const done = c === clusters.length - 1 ? covered : Math.min(covered, ordered);
    covered -= done;
    let open = ordered - done;
    const dueS = orders[serves[0] as number]?.readyByS ?? 0;
    for (const store of stores) {
      const rule = stockRule(formula, rules, store.item);
      // Dough that is good only too late, or goes off so early that it would be stale, is left where it is.
      const usable =
        store.item.madeAtS <= nowS &&
        Math.max(nowS + rule.temperS, rule.fromS) + afterS <= dueS &&
        rule.toS > Math.max(nowS, dueS - afterS - staleAfterS);
      const pieces = Math.min(open, store.left);
      if (!usable || pieces <= 0) continue;
      store.left -= pieces;
      open -= pieces;
      const part = batches.filter(({ id }) => id.startsWith(store.item.id)).length;
      batches.push({
        id: part === 0 ? store.item.id : `${store.item.id}/${part + 1}`,
        mixerId: input.equipment.mixers[0]?.id ?? '',
        massG: pieces * piece.massG,
        pieces,
        serves,
        stock: rule,
      });
    }
    if (open <= 0) return;
    for (const split of splitOrLeast(input, formula, open, notes)) {
      const year = Number(wallClock(dueS, rules.timeZone).date.slice(0, 4));
      batches.push({
        id: input.lotIds?.[code]?.[fresh] ?? lotId(code, year, begun.length + fresh + 1),
        ...split,
        ...mixersFor(input, formula, split),
        serves,
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
    if (input.togetherS !== undefined || !(error instanceof JokulError) || error.code !== 'too-little-dough')
      throw error;
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
  const usable = (input.predictions.get(formula.code) ?? []).filter((p) => p.bake.pull !== null);
  const common = {
    bakes: usable.map((p) => ({
      ovenId: p.ovenId,
      setC: p.setC,
      pullS: Math.round(p.bake.pull?.value ?? 0),
    })),
    trayRestS: formula.bake.trayRestS,
    coolS: rules.coolS,
    packS: rules.packS,
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
    batches: batchesFor(input, formula, orders, common, notes),
    perTray: usable.length > 0 ? trayLayout(formula, usable, equipment, rules).count : 1,
    restingPerTray: restingPerTray(trayKindOf(equipment, rules), rawDiameterMm(formula)),
    mixS: rules.mixS,
    portionSetUpS: rules.portionSetUpS,
    portionSPerPiece: rules.portionSPerPiece,
  };
};

/**
 * All orders from now to the last ready-by as one problem: the same mixer, cold place, tray and pair of hands is
 * promised once. What cannot be baked is left out and said; the rest is planned.
 */
export const horizonProblem = (input: HorizonInput): Horizon => {
  const { formulas, equipment, rules, nowS, fixed } = input;
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
    const closed = (order: HorizonOrder) =>
      whyClosed(equipment.calendar, wallClock(order.readyByS, rules.timeZone).date);
    for (const order of all) {
      const why = closed(order);
      if (why !== null)
        refused.push({
          orderId: order.id,
          productCode: code,
          pieces: order.pieces,
          reason: `The bakery is closed that day (${why}): give it another day, or open that one in Setup.`,
        });
    }
    const orders = all.filter((order) => closed(order) === null);
    if (orders.length === 0) continue;
    const formula = formulas.get(code);
    if (!formula) {
      // One line that cannot be baked must not keep the rest of the day from being planned.
      refuse(orders, code, `There is no formula "${code}": change the line, or add the formula.`);
      continue;
    }
    try {
      products.push(productOf(input, formula, orders, notes));
      ordersOf.set(code, orders);
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      refuse(orders, code, error.message);
    }
  }
  const stretch = input.stretch ?? {
    fromS: nowS,
    toS: Math.max(nowS, ...input.orders.map(({ readyByS }) => readyByS)) + 86_400,
  };
  return {
    problem: {
      nowS,
      products,
      resources: resourcesOf(equipment, rules, stretch),
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
      fixed,
      ...(input.togetherS === undefined && { coldOvens: true }),
      ...(input.taken && { taken: input.taken }),
      ...(input.weights && { weights: input.weights }),
    },
    refused,
    ordersOf,
    notes,
  };
};
