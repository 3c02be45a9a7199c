import { expose } from 'comlink';
import {
  bake,
  bakeInputOf,
  restCurve,
  takeInOwn,
  type BakeRequest,
  type BakeResult,
  type ConductResult,
  type Figure,
  type Formula,
  type Ingredient,
  type RestQuestion,
} from '@jokul/core';

export type WhatIf = Pick<BakeRequest, 'start' | 'tray' | 'liner' | 'fan' | 'setC'> & {
  readonly massG?: number;
};

/** The core's heavy computations, off the main thread. */
const api = {
  /** The bakery's own ingredients, before anything is computed with them. */
  takeIn: (own: readonly Ingredient[]): void => takeInOwn(own),
  rest: (question: RestQuestion): { curve: ConductResult; ready: Figure | null } => restCurve(question),
  bake: (formula: Formula, on: WhatIf): BakeResult => bake(bakeInputOf(formula, on)),
};
export type CoreApi = typeof api;

expose(api);
