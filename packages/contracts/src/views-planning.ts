import type {
  BakeResult,
  LateOrder,
  Layout,
  LoadChange,
  Move,
  Plan,
  PlanQuality,
  Preparation,
  Replanned,
  RibbonSegment,
  Unplaced,
  Violation,
} from '@jokul/core';

/** The day's forecasts of one product: one bake for all ovens where it comes out alike. */
export interface ProductForecast {
  readonly formulaVersion: number;
  readonly bakes: readonly {
    readonly ovenIds: readonly string[];
    readonly setC: number;
    readonly bake: BakeResult;
  }[];
  readonly layout: Layout | null;
}

export interface PlanView {
  readonly date: string;
  readonly version: number;
  readonly madeAtMs: number;
  /** Whether the bake list, a formula or the house rules changed since. */
  readonly stale: boolean;
  /** Whether something else is known of the ovens than the pulls were computed with. */
  readonly retimeDue: boolean;
  /** What was moved when the loads were timed again. */
  readonly moves: readonly Move[];
  readonly plan: Plan;
  /** Batches that stay where they are when the day is planned again, though nobody began them. */
  readonly held: readonly string[];
  /** Lots in the cold that the plan leaves where they are. */
  readonly leave: readonly string[];
  /** What is done for its doughs before they are weighed; plans of before this was known have none. */
  readonly preparations?: readonly Preparation[];
  /** How good it is; plans of before this was known have none. */
  readonly quality?: PlanQuality;
  readonly violations: readonly Violation[];
  readonly forecasts: Readonly<Record<string, ProductForecast>>;
  readonly ribbons: readonly RibbonSegment[];
  /** The formula version that each batch is made by. */
  readonly batchFormula: Readonly<Record<string, number>>;
  /** Forecasts of batches that are made by another version than the latest. */
  readonly batchForecasts: Readonly<Record<string, ProductForecast>>;
}

/** One day of a week. */
export interface WeekDay {
  readonly date: string;
  /** Why the bakery is closed; null when it is not. */
  readonly closed: string | null;
  readonly lines: number;
  readonly pieces: number;
  readonly plan: {
    readonly stale: boolean;
    /** Ordered pieces that are not ready in time. */
    readonly undone: number;
    readonly loads: number;
    readonly firstLoadS: number | null;
    readonly readyS: number | null;
  } | null;
}

/** Something that a mixer, the bench or an oven is busy with; s since 1970. */
export interface WeekWork {
  readonly kind: 'mix' | 'portion' | 'bake';
  /** The day whose plan it is in: dough is mixed days before. */
  readonly bakeDay: string;
  readonly batchId: string;
  readonly loadId?: string;
  readonly productCode: string;
  readonly placeId: string;
  readonly pieces: number;
  readonly startS: number;
  readonly endS: number;
}

export interface WeekView {
  readonly from: string;
  readonly days: readonly WeekDay[];
  readonly work: readonly WeekWork[];
}

/** What came of planning several days together. */
export interface DaysPlanView {
  readonly days: readonly {
    readonly date: string;
    readonly version: number;
    readonly ordered: number;
    /** Ordered pieces that are not ready in time, and why. */
    readonly undone: number;
    readonly unplaced: readonly Unplaced[];
    /** Dough from the cold that it uses. */
    readonly stock: readonly {
      readonly lot: string;
      readonly productCode: string;
      readonly pieces: number;
    }[];
    readonly violations: number;
  }[];
  /** Of all days together: no plan leaves fewer undone, and none that has as many in time costs less, minutes. */
  readonly undonePieces: number;
  readonly leastUndone: number;
  readonly cost: number;
  readonly leastCost: number;
}

/** A way out of a day that slipped; nothing is changed until somebody takes it. */
export interface ReplanView {
  /** The name to take it by. */
  readonly id: string;
  /** The plan that it changes. */
  readonly planVersion: number;
  readonly changes: readonly LoadChange[];
  /** Who is late as the day goes on now, and who still is with the changes. */
  readonly before: readonly LateOrder[];
  readonly after: readonly LateOrder[];
  /** Pieces that no oven takes while their dough is good, by load or batch. */
  readonly left: Replanned['left'];
}

/** A load that is moved by hand, looked at before anybody does it; without a name where it cannot be. */
export interface MoveView extends Omit<ReplanView, 'id' | 'left'> {
  readonly id: string | null;
  /** The load that moves: a new one where only some trays go. */
  readonly loadId: string;
  /** Rules of the floor that it breaks: with a name, somebody may do it all the same and say why. */
  readonly faults: readonly Violation[];
}

/** A plan that was read from a file, looked at before anybody takes it; without a name where it cannot be. */
export type ReadPlanView = Omit<MoveView, 'loadId'>;

/** The plan after a way out or a move was taken, and the name of the way back. */
export interface TakenView {
  readonly plan: PlanView;
  readonly back: string;
}

/** A day as it is, or as it would be: how it goes, and what is busy when. */
export interface WhatIfSide {
  readonly orderedPieces: number;
  /** Ordered pieces that are not ready in time, or cannot be baked at all. */
  readonly undonePieces: number;
  readonly late: readonly LateOrder[];
  readonly unplaced: readonly Unplaced[];
  /** Rules of the floor that it breaks. */
  readonly violations: readonly Violation[];
  /** What it costs, minutes of one person; null where no plan was made. */
  readonly cost: number | null;
  readonly loads: number;
  readonly work: readonly WeekWork[];
}

/** A plan of a bakery in which something is otherwise, beside the real one; nothing is changed until somebody takes it. */
export interface WhatIfView {
  /** The name to take it by. */
  readonly id: string;
  /** The bake list as it is, by its plan, or by the one that would be made now. */
  readonly before: WhatIfSide;
  readonly after: WhatIfSide;
  /** The list as it is, planned anew: a plan that others made long ago may be worth planning again by itself. */
  readonly again: Pick<WhatIfSide, 'undonePieces' | 'cost'>;
  /** The ovens that were supposed, for the words and the picture. */
  readonly ovens: readonly { readonly id: string; readonly name: string }[];
}
