import './spoken-here';
import { expose } from 'comlink';
import {
  adjustInput,
  alongWay,
  bake,
  bakeFrames,
  bakeInputOf,
  bakeLoad,
  bakeMapRow,
  benchTime,
  coldFrom,
  leadTime,
  learnTransfer,
  lifeOf,
  loadedPlace,
  restCurve,
  sayNames,
  shapeForecast,
  temperatureFor,
  type AtLoading,
  type BakeAdjustment,
  type BakeInput,
  type Doneness,
  type Frame,
  type Life,
  type LifeQuestion,
  type LoadedPlace,
  type LotWay,
  type LoadOutcome,
  type LoadQuestion,
  type PieceShape,
  type TemperatureAnswer,
  sharpnessOf,
  softenButter,
  targetAfter,
  type SharpnessQuestion,
  type BakeRequest,
  type BakeResult,
  type ButterQuestion,
  type ConductResult,
  type Figure,
  type Formula,
  type MapRow,
  type NeedleAnswer,
  type NeedleReading,
  type OvenHeat,
  type RestQuestion,
  type ShapeForecast,
} from '@jokul/core';

import { inAmerican } from '../words/american-words';
import { readWritten, type Reading, type Written } from './reading';

export type WhatIf = Pick<
  BakeRequest,
  'start' | 'tray' | 'liner' | 'contactWPerM2K' | 'drag' | 'setC' | 'limits' | keyof OvenHeat
> & {
  /** The house's limit of the centre, °C. */
  readonly centreC: number;
  readonly massG?: number;
  readonly shape?: PieceShape;
  /** What is in force of what was learned of this oven and dough. */
  readonly adjust?: BakeAdjustment;
};

const inputOf = (formula: Formula, { adjust, ...on }: WhatIf): BakeInput => {
  const input = bakeInputOf(formula, on);
  return adjust ? adjustInput(input, adjust) : input;
};

export type LoadAsked = Omit<LoadQuestion, 'input'>;

/** The dough at its loading, and the pull from there; null where the model does not reach. */
export interface Loading extends AtLoading {
  readonly pullS: number | null;
}

/** The core's heavy computations, off the main thread. */
const api = {
  recipe: (written: Written): Reading => readWritten(written),
  frames: (formula: Formula, on: WhatIf, pullS: number): readonly Frame[] =>
    bakeFrames(inputOf(formula, on), pullS),
  temperature: (formula: Formula, on: WhatIf, pullS: number, target: Doneness): TemperatureAnswer =>
    temperatureFor(inputOf(formula, on), pullS, target),
  load: (formula: Formula, on: WhatIf, asked: LoadAsked): LoadOutcome =>
    bakeLoad({ ...asked, input: inputOf(formula, on) }),
  shape: (...asked: Parameters<typeof shapeForecast>): ShapeForecast => shapeForecast(...asked),
  /** A lot as it is now, and the bake that it wants: its pull from its own temperature. */
  loading: (formula: Formula, { startC, way }: LotWay, on: Omit<WhatIf, 'start'>): Loading => {
    const at = alongWay(formula, startC, way);
    const { pull } = bake(
      inputOf(formula, { ...on, start: at.profileC.length > 1 ? at.profileC : at.meanC }),
    );
    return { ...at, pullS: pull?.value ?? null };
  },
  /** How warm a dough is after its way. */
  along: (...asked: Parameters<typeof alongWay>): AtLoading => alongWay(...asked),
  /** What a bake of so many seconds comes to. */
  targetAfter: (formula: Formula, on: WhatIf, pullS: number): Doneness =>
    targetAfter(inputOf(formula, on), pullS),
  sharpness: (question: SharpnessQuestion): readonly number[] => sharpnessOf(question),
  needle: (readings: readonly NeedleReading[]): NeedleAnswer | null => learnTransfer(readings),
  life: (question: LifeQuestion): Life => lifeOf(question),
  lead: (question: Parameters<typeof leadTime>[0]): Figure | null => leadTime(question),
  loaded: (question: Parameters<typeof loadedPlace>[0]): LoadedPlace => loadedPlace(question),
  bench: (...asked: Parameters<typeof benchTime>): ReturnType<typeof benchTime> => benchTime(...asked),
  /** When a dough is cold by the set air, and from when on by the measured one; each s from where its curve begins. */
  readiness: (
    bySet: RestQuestion,
    measured: RestQuestion,
  ): { setS: number | null; measuredS: number | null } => ({
    setS: restCurve(bySet).ready?.value ?? null,
    measuredS: coldFrom(restCurve(measured).curve, measured.targetC),
  }),
  restTimes: (questions: readonly RestQuestion[]): readonly (Figure | null)[] =>
    questions.map((question) => restCurve(question).ready),
  bakeMapRow: (formula: Formula, on: WhatIf, pullsS: readonly number[]): MapRow =>
    bakeMapRow(inputOf(formula, on), pullsS),
  soften: (question: ButterQuestion): { time: Figure | null; curve: ConductResult } => softenButter(question),
  rest: (question: RestQuestion): { curve: ConductResult; ready: Figure | null } => restCurve(question),
  bake: (formula: Formula, on: WhatIf): BakeResult => bake(inputOf(formula, on)),
  /** The pull for the formula's piece, and how bake time goes with weight, from pieces a tenth lighter and heavier. */
  massExponent: (formula: Formula, on: WhatIf): { pullS: number; exponent: number } | null => {
    const pull = (massG: number) => bake(inputOf(formula, { ...on, massG })).pull?.value;
    const { massG } = formula.piece;
    const [light, own, heavy] = [0.9, 1, 1.1].map((share) => pull(Math.min(200, Math.max(8, massG * share))));
    return light && own && heavy
      ? { pullS: own, exponent: Math.log(heavy / light) / Math.log(1.1 / 0.9) }
      : null;
  },
};
export type CoreApi = typeof api;

if (self.name === 'american') sayNames(inAmerican);
expose(api);
