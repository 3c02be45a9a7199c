import type { Ingredient } from './ingredient.js';
import { foodOf } from './library/index.js';

/** What the bakery buys, and pays for it in its own money. */
export interface Prices {
  /** Three letters, as banks write it; empty where nobody said. */
  readonly currency: string;
  /** A kilogram of an ingredient, by its id. */
  readonly perKg: Readonly<Record<string, number>>;
  /** What a pack of an ingredient holds as it is bought, g, by its id. */
  readonly packG?: Readonly<Record<string, number>>;
  /** A kilowatt hour; 0 or nothing where nobody said. */
  readonly perKWh?: number;
}

export const noPrices: Prices = { currency: '', perKg: {} };

/** A price of its own; what an ingredient is mixed from is not looked at. */
export const ownPrice = ({ perKg }: Prices, id: string): number | null =>
  Object.hasOwn(perKg, id) ? (perKg[id] ?? null) : null;

/**
 * What a kilogram of an ingredient costs: its own price, else that of what it is mixed from.
 * @returns null where a part has no price
 */
export const pricePerKg = (food: Ingredient, prices: Prices): number | null => {
  const own = ownPrice(prices, food.id);
  if (own !== null || food.parts.length === 0) return own;
  return food.parts.reduce<number | null>((sum, part) => {
    const price = pricePerKg(foodOf(part), prices);
    return sum === null || price === null ? null : sum + part.share * price;
  }, 0);
};
