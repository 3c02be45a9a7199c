import type { HouseRules } from '../../bakery/index.js';
import type { Formula, RestRule } from '../../formula/index.js';
import type { PlanStock } from './plan-stock.js';
import type { Demand } from './problem.js';

/** Dough of a product that is in the cold already. */
export interface StockItem {
  readonly id: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly form: RestRule['form'];
  readonly placeKind: RestRule['placeKind'];
  readonly madeAtS: number;
  /** When its clocks run out, where they are known; by its window from when it was made where left out. */
  readonly goodUntilS?: number;
  /** Loads that were planned of it before, and the place that it lies in; see {@link PlanStock}. */
  readonly loadsBefore?: number;
  readonly placeId?: string;
  /** Names for parts of it, one for each set of orders that share their dough; made up where left out. */
  readonly partIds?: readonly string[];
  /** There is more of it than these pieces: what is used of it is a part in any case. */
  readonly inPart?: boolean;
}

/** Orders that share their dough: what is still to be made for them, and by when, the earliest first. */
export interface OpenOrders {
  readonly wants: readonly Pick<Demand, 'pieces' | 'readyByS'>[];
}

/** How a product's dough comes to be ready. */
export interface OvenWay {
  /** From the oven to packed, s. */
  readonly afterS: number;
  /** The first moment from another one on at which an oven is attended for its bake, s; Infinity where there is none. */
  readonly ovenFromS: (atS: number) => number;
}

/** Pieces of one item that are for some orders. */
export interface DealtStock {
  readonly item: StockItem;
  readonly pieces: number;
  readonly rule: PlanStock;
}

/** Frozen pieces of a dough that rests chilled thaw in the walk-in for so long, s. A default. */
const thawS = 8 * 3600;

/** Frozen dough keeps for so long, s, unless the house says otherwise. */
const usualFrozenMaxS = 56 * 86_400;

/** Nothing is baked longer before its ready-by only because its dough goes off, s. */
const staleAfterS = 24 * 3600;

/** Fewer pieces than this are not worth a tray and a trip to the cold, unless they are all that is wanted. */
const fewestPieces = 12;

/** How dough that exists may still be used. */
const ruleFor = ({ rest }: Formula, rules: HouseRules, nowS: number, item: StockItem): PlanStock => {
  const { form, placeKind, madeAtS, goodUntilS, loadsBefore, placeId } = item;
  const thaws = placeKind === 'freezer' && rest.placeKind !== 'freezer';
  const window = thaws
    ? { temperS: thawS, fromS: madeAtS, toS: madeAtS + (rules.frozenMaxS ?? usualFrozenMaxS) }
    : { temperS: rest.temperS, fromS: madeAtS + rest.minS, toS: madeAtS + rest.maxS };
  return {
    form,
    placeKind,
    ...window,
    ...(goodUntilS !== undefined && { toS: goodUntilS }),
    ...(loadsBefore !== undefined && { loadsBefore }),
    ...(placeId !== undefined && { placeId, sinceS: nowS }),
  };
};

/** Takes so many pieces off the parts again, the last one first. */
const giveBack = (
  parts: DealtStock[],
  wanted: number,
  stores: readonly { readonly item: StockItem; left: number }[],
): void => {
  for (let missing = wanted; missing > 0 && parts.length > 0;) {
    const last = parts.pop() as DealtStock;
    const kept = last.pieces - missing;
    const back = kept >= fewestPieces ? missing : last.pieces;
    if (back < last.pieces) parts.push({ ...last, pieces: kept });
    const store = stores.find(({ item }) => item === last.item);
    if (store) store.left += back;
    missing -= back;
  }
};

/**
 * Deals out what lies in the cold before anything is mixed: what goes off first goes first, a part of it if that is
 * enough. What is good only too late for an order, or goes off so early that it would be stale, is not for that one.
 * @param open orders that share their dough, the earliest first
 * @param leastFresh pieces of the smallest batch that a mixer takes: where less would be left to mix, so much stays in the cold
 * @returns for each of them the parts that it gets
 */
export const dealStock = (
  formula: Formula,
  rules: HouseRules,
  nowS: number,
  stock: readonly StockItem[],
  open: readonly OpenOrders[],
  { afterS, ovenFromS }: OvenWay,
  leastFresh = 0,
): readonly (readonly DealtStock[])[] => {
  const stores = stock
    .filter(({ productCode, madeAtS }) => productCode === formula.code && madeAtS <= nowS)
    .map((item) => {
      const rule = ruleFor(formula, rules, nowS, item);
      const soonestS = ovenFromS(Math.max(nowS + rule.temperS, rule.fromS)) + afterS;
      return { item, rule, soonestS, left: item.pieces };
    })
    .sort((a, b) => a.rule.toS - b.rule.toS);
  return open.map(({ wants }) => {
    const queue = wants.map((want) => ({ ...want }));
    const leftOf = (some: typeof queue) => some.reduce((sum, { pieces }) => sum + pieces, 0);
    const parts: DealtStock[] = [];
    for (const store of stores) {
      const { item, rule, soonestS } = store;
      const usable = queue.filter(
        ({ readyByS }) => soonestS <= readyByS && rule.toS > Math.max(nowS, readyByS - afterS - staleAfterS),
      );
      const pieces = Math.min(leftOf(usable), store.left);
      if (pieces <= 0 || (pieces < fewestPieces && pieces < leftOf(queue))) continue;
      store.left -= pieces;
      parts.push({ item, pieces, rule });
      let taken = pieces;
      for (const want of usable) {
        const own = Math.min(taken, want.pieces);
        want.pieces -= own;
        taken -= own;
      }
    }
    const left = leftOf(queue);
    if (left > 0) giveBack(parts, leastFresh - left, stores);
    return parts;
  });
};
