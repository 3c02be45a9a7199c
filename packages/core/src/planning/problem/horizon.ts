import { linerOf, linerStock, ovenHandsOf, placesOf, whyClosed } from '../../bakery/index.js';
import { declaredIn, type Formula } from '../../formula/index.js';
import { wallClock } from '../../quantity/index.js';
import { JokulError, sayDuration, say } from '../../shown/index.js';
import { restingPerTray } from '../../tray/index.js';
import { rawDiameterMm, trayKindOf, trayLayout, usableBakes } from '../forecast/predictions.js';
import { afterOvenOf, batchesFor } from './batches-for.js';
import { ovenHoursOf, stretchOf } from './oven-hours.js';
import { rareSkills, resourcesOf, withoutOldHands } from './floor-resources.js';
import type { Horizon, HorizonInput, HorizonOrder, RefusedOrder } from './horizon-input.js';
import { resourceIds, usualCleanS, type PlanProduct } from './problem.js';
import { openOrders, reckonedWith } from './sharing-dough.js';

const productOf = (
  input: HorizonInput,
  formula: Formula,
  orders: readonly HorizonOrder[],
  notes: string[],
): PlanProduct => {
  const { equipment, rules } = input;
  const rare = rareSkills(equipment);
  const usable = usableBakes(formula, input.predictions.get(formula.code));
  const common = {
    bakes: usable.map((p) => ({
      ovenId: p.ovenId,
      setC: p.setC,
      pullS: Math.round(p.bake.pull?.value ?? 0),
    })),
    trayRestS: formula.bake.trayRestS,
    ...afterOvenOf(formula, rules),
  };
  const liner = linerStock(equipment, linerOf(rules, formula));
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
    ...(liner?.count !== undefined && { liner: resourceIds.liner(liner.id) }),
    ...(rare.length > 0 && { skills: rare }),
    ...(rules.ovenTrayS && {
      atOven: { trayS: rules.ovenTrayS, ownHands: ovenHandsOf(equipment) > 0 },
    }),
  };
};

/**
 * Mixers that need not wait for the cleaning of a bowl: by the time that it comes round again, the doughs in the other bowls
 * have left time enough for it. Where they have not, another bowl is no help: it would come back with what was in it.
 */
const withSpareBowl = (
  { mixers }: HorizonInput['equipment'],
  cleanS: number,
  products: readonly Pick<PlanProduct, 'mixS'>[],
): readonly string[] => {
  const quickestS = Math.min(...products.map(({ mixS }) => mixS));
  return mixers.filter(({ bowls = 1 }) => bowls > 1 && cleanS <= (bowls - 1) * quickestS).map(({ id }) => id);
};

/** What is to be ready while the bakery is closed. */
const closedOf = (
  { equipment, rules }: HorizonInput,
  orders: readonly HorizonOrder[],
): readonly RefusedOrder[] =>
  orders.flatMap(({ id, productCode, pieces, readyByS }) => {
    const why = whyClosed(equipment.calendar, wallClock(readyByS, rules.timeZone).date);
    if (why === null) return [];
    const reason = say`The bakery is closed that day (${why}): give it another day, or open that one in Setup.`;
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
        say`There is no formula "${code}": change the line, or add the formula.`,
      );
      continue;
    }
    for (const { order, missing } of overdue)
      refused.push({
        orderId: order.id,
        productCode: code,
        pieces: missing,
        reason: say`${formula.name} for ${order.customer} was to be ready ${sayDuration(nowS - order.readyByS)} ago. Give it a later ready-by, or take it off the list.`,
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
  const stretch = stretchOf(input);
  const resources = resourcesOf(equipment, rules, stretch);
  const cleanS = rules.cleanS ?? usualCleanS;
  const spare = withSpareBowl(equipment, cleanS, products);
  return {
    problem: {
      nowS,
      products,
      resources,
      ovens: equipment.ovens.map(({ id, name, degreesPerMin, coolsPerMin, ...oven }) => ({
        id,
        name,
        places: placesOf(oven, trayKindOf(equipment, rules).id),
        degreesPerMin,
        ...(coolsPerMin !== undefined && { coolsPerMin }),
      })),
      ovenHours: ovenHoursOf(input),
      loadGapS: rules.loadGapS,
      fixed: withoutOldHands(resources, fixed),
      bowls: {
        cleanS,
        allergens: Object.fromEntries([...formulas.values()].map((f) => [f.code, declaredIn(f)])),
        ...(spare.length > 0 && { spare }),
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
