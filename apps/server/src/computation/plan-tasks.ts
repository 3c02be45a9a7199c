import type { PlanView } from '@jokul/contracts';
import type {
  BakeInput,
  BatchPlan,
  DayInput,
  Equipment,
  Formula,
  HouseRules,
  Plan,
  PlanQuality,
} from '@jokul/core';
import type { ProductBakes } from './predictions.js';

/** Tests of what surrounds planning have little tried, so that the processor is free for them. */
const told = Number(process.env.JOKUL_PLAN_TRIES);
export const triesTold = Number.isSafeInteger(told) && told > 0 ? told : undefined;

export interface PredictTask {
  readonly input: BakeInput;
}

export interface StartTask {
  readonly formula: Formula;
  readonly equipment: Pick<Equipment, 'places'>;
  readonly rules: Pick<HouseRules, 'doughC'>;
}

export interface PlanTask {
  /** Leave every batch where it is and only put the pulls right. */
  readonly keep?: boolean;
  /** It is only looked at: nobody asks for ways out of what does not fit. */
  readonly supposed?: boolean;
  /** How sure each ready-by shall be, as a share; as late as possible where left out. */
  readonly chance?: number;
  /** Improvements that are tried; a quick plan's where left out. */
  readonly tries?: number;
  /** Loads that go in at other times than planned by what is known now: their icing and packing find hands anew. */
  readonly moved?: readonly string[];
  readonly input: Omit<DayInput, 'predictions'>;
  readonly bakes: Readonly<Record<string, ProductBakes>>;
  /** Formulas of the batches that have begun, which may be older versions. */
  readonly fixedFormulas: Readonly<Record<string, Formula>>;
  /** The bakes of those that are made otherwise than the latest formula of their product. */
  readonly fixedBakes: Readonly<Record<string, ProductBakes>>;
}

/** A day that slipped: `input.fixed` are its batches as they will come about. */
export interface ReplanTask extends Pick<PlanTask, 'input' | 'bakes' | 'fixedFormulas' | 'fixedBakes'> {
  readonly planned: readonly BatchPlan[];
  readonly begun: ReadonlySet<string>;
  readonly started: ReadonlySet<string>;
  readonly homeless: ReadonlySet<string>;
}

export type PlanBody = Pick<
  PlanView,
  | 'plan'
  | 'quality'
  | 'violations'
  | 'preparations'
  | 'forecasts'
  | 'ribbons'
  | 'batchFormula'
  | 'batchForecasts'
>;

/** Several days planned together. */
export type DaysTask = Pick<PlanTask, 'input' | 'bakes' | 'chance' | 'tries'>;

export interface DaysBody {
  readonly plan: Plan;
  /** The bake day of each batch that is planned anew, by its name. */
  readonly dayOf: Readonly<Record<string, string>>;
  /** Of each day by itself, what the others hold left to them, and of all days together. */
  readonly qualityOf: Readonly<Record<string, PlanQuality>>;
  readonly quality: PlanQuality;
}

export interface MoveTask extends Pick<PlanTask, 'input' | 'bakes' | 'fixedFormulas' | 'fixedBakes'> {
  readonly started: ReadonlySet<string>;
  readonly move: {
    readonly loadId: string;
    readonly ovenId: string;
    readonly startS: number;
    readonly trays?: number;
  };
}

export interface ReadPlanTask extends Omit<MoveTask, 'move'> {
  readonly begun: ReadonlySet<string>;
  readonly given: readonly BatchPlan[];
}
