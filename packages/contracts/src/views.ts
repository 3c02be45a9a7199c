import type {
  BakeResult,
  Equipment,
  Formula,
  HouseRules,
  Ingredient,
  JournalEntry,
  Layout,
  OrderLine,
  Plan,
  RibbonSegment,
  Violation,
} from '@jokul/core';

/* What the server answers; plain data. */

export interface OrderView extends OrderLine {
  readonly version: number;
}

export interface ClockView {
  readonly mode: 'real' | 'running' | 'frozen';
  /** The bakery's now, ms since 1970, at the moment of the answer. */
  readonly nowMs: number;
}

/** Everything that changes rarely. */
export interface BakeryView {
  readonly name: string;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  readonly rulesVersion: number;
  readonly formulas: readonly Formula[];
  /** The bakery's own ingredients, beside the library. */
  readonly ownIngredients: readonly Ingredient[];
  readonly ownIngredientsVersion: number;
  readonly clock: ClockView;
  /** The bakery's day now, and the day that the line works for (the next bake day). */
  readonly today: string;
}

/** The day's forecasts of one product: one bake per kind of oven. */
export interface ProductForecast {
  readonly formulaVersion: number;
  readonly fan: { readonly setC: number; readonly bake: BakeResult } | null;
  readonly still: { readonly setC: number; readonly bake: BakeResult } | null;
  readonly layout: Layout | null;
}

export interface PlanView {
  readonly date: string;
  readonly version: number;
  readonly madeAtMs: number;
  /** Whether the bake list, a formula or the house rules changed since. */
  readonly stale: boolean;
  readonly plan: Plan;
  readonly violations: readonly Violation[];
  readonly forecasts: Readonly<Record<string, ProductForecast>>;
  readonly ribbons: readonly RibbonSegment[];
  /** The formula version that each batch is made by. */
  readonly batchFormula: Readonly<Record<string, number>>;
}

export interface DayView {
  readonly date: string;
  readonly orders: readonly OrderView[];
  readonly plan: PlanView | null;
}

export interface FormulaVersionView {
  readonly formula: Formula;
  readonly createdAtMs: number;
  /** Batches that were made by it; such a version never changes. */
  readonly usedBy: number;
}

export interface JournalView {
  readonly entries: readonly JournalEntry[];
  readonly lastSeq: number;
}

export interface AppendView {
  readonly stored: readonly { readonly id: string; readonly seq: number }[];
}

/** The answer to anything that went wrong (RFC 9457). */
export interface ProblemView {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly code: string;
  readonly message: string;
  readonly path: string;
}
