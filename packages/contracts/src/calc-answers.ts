import type {
  BakeResult,
  ConductResult,
  Directions,
  HorizonPlan,
  Layout,
  Load,
  MixedLayout,
  Plan,
  PlanCost,
  Reading,
  SheetLine,
  Task,
  Unplaced,
  Warning,
  WayOut,
  WeighCheck,
} from '@jokul/core';
import type { CalcName } from './calc.js';

/* What the calculations answer, by `npm run calc` and /api/calc. Grams, °C, seconds, millimetres, shares of 1. */

export interface ConvertAnswer {
  readonly massG: number;
  readonly densityGPerMl?: number;
  readonly source: string;
  readonly rangeG?: readonly [number, number];
  /** What a name was taken for; left out where an id was given. */
  readonly ingredient?: string;
}

export interface ScaleAnswer {
  readonly doughMassG: number;
  readonly batches: readonly {
    readonly mixerId: string;
    readonly massG: number;
    readonly ingredients: readonly {
      readonly id: string;
      readonly massG: number;
      readonly roundedG: number;
      readonly scaleId: string;
    }[];
  }[];
  readonly warnings: readonly Warning[];
}

export type ColdAnswer = Pick<
  ConductResult,
  'reachedS' | 'timesS' | 'coreC' | 'surfaceC' | 'meanC' | 'iceFraction'
>;

export interface BakeAnswer extends Pick<BakeResult, 'windows' | 'curves' | 'uncertainty' | 'warnings'> {
  /** Left out where the target is out of reach. */
  readonly pullS?: number;
  readonly atPull?: Pick<
    Reading,
    'centreC' | 'edgeC' | 'bottomC' | 'diameterMm' | 'heightMm' | 'lossShare' | 'colour'
  >;
}

export interface TrayAnswer {
  readonly count: number;
  readonly pattern: Layout['pattern'] | 'bars' | 'mixed';
  readonly centresMm: readonly (readonly number[])[];
  /** Of bars: whether the long side lies along the tray. */
  readonly along?: readonly boolean[];
  /** Of several sizes: each by itself. */
  readonly sizes?: MixedLayout['sizes'];
}

export interface PlanAnswer {
  readonly tasks: readonly Task[];
  readonly loads: readonly Load[];
  readonly unplaced: readonly Unplaced[];
  readonly boundS: Plan['boundS'];
  readonly objective: { readonly undonePieces: number; readonly cost: number };
  readonly bound: { readonly undonePieces: number; readonly cost: number };
}

export interface ReadAnswer extends Directions {
  readonly lines: readonly (Omit<SheetLine, 'ingredientId'> & { readonly ingredient?: string })[];
}

export type WeighCheckAnswer = WeighCheck;

export interface CalibrateAnswer {
  readonly ovens: readonly {
    readonly id: string;
    readonly offsetK: number;
    readonly hFactor: number;
    readonly sdK: number;
  }[];
  /** In the order of the questions; null with its warnings where the target is out of reach. */
  readonly pulls: readonly {
    readonly pullS: number | null;
    readonly rangeS: readonly [number, number] | null;
    readonly warnings?: readonly Warning[];
  }[];
}

/** An order of the question, by its place in it. */
interface OfOrder {
  readonly order: number;
  readonly productCode: string;
  readonly customer?: string;
}
interface DayTask extends Omit<Task, 'kind' | 'loadId'> {
  readonly kind: string;
  readonly loadId?: string;
  readonly batchId: string;
  readonly productCode: string;
}

export interface DayAnswer extends Pick<
  HorizonPlan,
  'objective' | 'bound' | 'violations' | 'notes' | 'resources'
> {
  readonly nowS: number;
  readonly tasks: readonly DayTask[];
  readonly loads: readonly Load[];
  readonly served: readonly (OfOrder & { readonly pieces: number; readonly readyS: number | null })[];
  readonly unserved: readonly (OfOrder & {
    readonly pieces: number;
    readonly reason: string | null;
    readonly ways: readonly WayOut[];
  })[];
  readonly costTerms: PlanCost['terms'];
  readonly chance: readonly (OfOrder & { readonly probability: number })[];
}

/** The answer of each calculation. */
export interface CalcAnswers {
  convert: ConvertAnswer;
  scale: ScaleAnswer;
  cold: ColdAnswer;
  bake: BakeAnswer;
  tray: TrayAnswer;
  plan: PlanAnswer;
  read: ReadAnswer;
  'weigh-check': WeighCheckAnswer;
  calibrate: CalibrateAnswer;
  day: DayAnswer;
}
/** Each calculation that can be asked has its answer here. */
export type CalcAnswer = CalcAnswers[CalcName];
