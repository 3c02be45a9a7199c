import { setTemperature, type BakeResult, type Equipment, type Formula, type Prediction } from '@jokul/core';

/** A product's bake by oven; null where the model does not reach. */
export type ProductBakes = Readonly<Record<string, BakeResult | null>>;

export const bakeIn = (bakes: ProductBakes | undefined, ovenId: string): BakeResult | null =>
  bakes?.[ovenId] ?? null;

/** How a formula bakes in each oven that the model reaches. */
export const predictionsOf = (
  formula: Formula,
  bakes: ProductBakes | undefined,
  equipment: Equipment,
): Prediction[] =>
  equipment.ovens.flatMap((oven) => {
    const found = bakeIn(bakes, oven.id);
    return found ? [{ ovenId: oven.id, setC: setTemperature(formula, oven.fan), bake: found }] : [];
  });
