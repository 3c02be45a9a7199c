import { expose } from 'comlink';
import {
  bake,
  bakeInputOf,
  bakeMapRow,
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
  type MapRow,
  type RestQuestion,
} from '@jokul/core';

export type WhatIf = Pick<BakeRequest, 'start' | 'tray' | 'liner' | 'fan' | 'setC'> & {
  readonly massG?: number;
};

/** The core's heavy computations, off the main thread. */
const api = {
  restTimes: (questions: readonly RestQuestion[]): readonly (Figure | null)[] =>
    questions.map((question) => restCurve(question).ready),
  bakeMapRow: (formula: Formula, on: WhatIf, pullsS: readonly number[]): MapRow =>
    bakeMapRow(bakeInputOf(formula, on), pullsS),
  soften: (question: ButterQuestion): { time: Figure | null; curve: ConductResult } => softenButter(question),
  /** The bakery's own ingredients, before anything is computed with them. */
  takeIn: (own: readonly Ingredient[]): void => takeInOwn(own),
  rest: (question: RestQuestion): { curve: ConductResult; ready: Figure | null } => restCurve(question),
  bake: (formula: Formula, on: WhatIf): BakeResult => bake(bakeInputOf(formula, on)),
  /** The pull for the formula's piece, and how bake time goes with weight, from pieces a tenth lighter and heavier. */
  massExponent: (formula: Formula, on: WhatIf): { pullS: number; exponent: number } | null => {
    const pull = (massG: number) => bake(bakeInputOf(formula, { ...on, massG })).pull?.value;
    const { massG } = formula.piece;
    const [light, own, heavy] = [0.9, 1, 1.1].map((share) => pull(Math.min(200, Math.max(8, massG * share))));
    return light && own && heavy
      ? { pullS: own, exponent: Math.log(heavy / light) / Math.log(1.1 / 0.9) }
      : null;
  },
};
export type CoreApi = typeof api;

expose(api);
