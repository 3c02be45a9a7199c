import { libraryOf, type Ingredient, type Library } from '../ingredient/index.js';

/** By whose names a text is read. */
export interface OwnNames {
  /** The bakery's own ingredients, which a recipe may name beside those that ship with Jokul. */
  readonly own?: readonly Ingredient[];
}

const none: readonly Ingredient[] = [];

/** The library that a text is read by. */
export const libraryFor = ({ own = none }: OwnNames): Library => libraryOf(own);
