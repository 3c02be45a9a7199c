import { expose } from 'comlink';
import {
  bake,
  bakeInputOf,
  restCurve,
  softenButter,
  takeInOwn,
  type BakeRequest,
  type BakeResult,
  type ButterQuestion,
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
  soften: (question: ButterQuestion): { time: Figure | null; curve: ConductResult } => softenButter(question),
  /** The bakery's own ingredients, before anything is computed with them. */
  takeIn: (own: readonly Ingredient[]): void => takeInOwn(own),
  rest: (question: RestQuestion): { curve: ConductResult; ready: Figure | null } => restCurve(question),
  bake: (formula: Formula, on: WhatIf): BakeResult => bake(bakeInputOf(formula, on)),
};
export type CoreApi = typeof api;

expose(api);
