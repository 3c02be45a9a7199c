import type {
  AirReading,
  BakeResult,
  Equipment,
  Formula,
  HouseRules,
  Ingredient,
  DraftEntry,
  Learnable,
  LearnedValues,
  LateOrder,
  Layout,
  LoadChange,
  Move,
  OrderLine,
  PlaceFault,
  Plan,
  PlanQuality,
  Residual,
  RibbonSegment,
  TeachingBake,
  Preparation,
  Replanned,
  Unplaced,
  Violation,
} from '@jokul/core';

/* What the server answers; plain data. */

export interface OrderView extends OrderLine {
  readonly version: number;
  /** The standing order that it comes from; its line may say otherwise for this one day. */
  readonly standing?: { readonly id: string; readonly weekdays: readonly number[] };
}

/** A line that comes back on days of the week, 1 for Monday to 7 for Sunday. */
export interface StandingOrderView extends OrderLine {
  readonly version: number;
  readonly weekdays: readonly number[];
  readonly from: string;
  /** The last day; null without end. */
  readonly until: string | null;
}

export interface ClockView {
  readonly mode: 'real' | 'running' | 'frozen';
  /** The bakery's now, ms since 1970, at the moment of the answer. */
  readonly nowMs: number;
}

/** A bakery of one's own on this machine. */
export interface BakeryName {
  readonly id: string;
  readonly name: string;
}

/** Everything that changes rarely. */
export interface BakeryView {
  /** "demo", or one of the house's own: "own", "own-2". */
  readonly id: string;
  /** The made-up bakery, or one of the house's own; and whether another one can be opened from here. */
  readonly kind: 'demo' | 'own';
  readonly other: boolean;
  /** The house's own bakeries on this machine, also this one. */
  readonly ownBakeries: readonly BakeryName[];
  readonly name: string;
  readonly equipment: Equipment;
  readonly equipmentVersion: number;
  readonly rules: HouseRules;
  readonly rulesVersion: number;
  readonly formulas: readonly Formula[];
  /** The bakery's own ingredients, beside the library. */
  readonly ownIngredients: readonly Ingredient[];
  readonly ownIngredientsVersion: number;
  /** What is in force of what was learned of ovens and doughs. */
  readonly learned: LearnedValues | null;
  readonly clock: ClockView;
  /** The bakery's day now, and the day that the line works for (the next bake day). */
  readonly today: string;
}

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

/** How Jokul itself is, in figures. */
export interface WellbeingView {
  readonly database: { readonly answeredMs: number; readonly entries: number };
  /** The disk that backups go to; null where the server was not told of it. */
  readonly disk: { readonly freeBytes: number; readonly totalBytes: number } | null;
  /** The newest backup; its age is null where there is none. */
  readonly backup: {
    readonly count: number;
    readonly ageS: number | null;
    readonly bytes: number;
    /** The folder that was chosen and is not there. */
    readonly missing: string | null;
  } | null;
  /** Screens that are connected. */
  readonly screens: number;
  /** Devices that wrote something down of late, and what they wrote last. */
  readonly devices: readonly { readonly device: string; readonly who: string; readonly lastMs: number }[];
}

/** Where backups of this machine go, and the newest of them. */
export interface BackupsView {
  readonly folder: string;
  /** The folder where nobody chose one. */
  readonly usual: string;
  /** Named when Jokul was started: nobody chooses another one in Setup. */
  readonly named: boolean;
  /** So many nights are kept. */
  readonly keep: number;
  /** A folder that was chosen and is not there; the usual one is used meanwhile. */
  readonly missing: string | null;
  readonly count: number;
  readonly files: readonly { readonly name: string; readonly bytes: number; readonly madeMs: number }[];
}

/** A backup that was made and read back. */
export interface BackupMadeView {
  readonly file: string;
  readonly entries: number;
  readonly rows: number;
  /** The first entry of the log that does not fit; null where all do. */
  readonly brokenSeq: number | null;
}

/** What the probes of the cold places saw, and the faults that are being played. */
export interface ProbesView {
  readonly version: number;
  readonly faults: readonly PlaceFault[];
  readonly places: readonly { readonly placeId: string; readonly readings: readonly AirReading[] }[];
}

export interface LearnedView extends Learnable {
  /** K, or the logarithm of a factor. */
  readonly value: number;
  readonly sigma: number;
  readonly inForce: number;
  readonly held: boolean;
}

export interface LoggedBakeView {
  readonly id: string;
  readonly trayId: string;
  readonly atMs: number;
  readonly ovenId: string;
  readonly position: number;
  readonly code: string;
  readonly pullS: number;
  readonly test: boolean;
  readonly leftOut: boolean;
  readonly figures: readonly Residual[];
}

/** A pull of the loads to come, by what is in force and by what the log would make of it; s. */
export interface PullChangeView {
  readonly code: string;
  readonly ovenId: string;
  readonly trays: number;
  readonly nowS: number | null;
  readonly thenS: number | null;
  readonly nowBandS: number;
  readonly thenBandS: number;
}

export interface CalibrationView {
  readonly version: number;
  readonly inForce: LearnedValues | null;
  /** How many steps can be taken back. */
  readonly undoable: number;
  readonly learned: readonly LearnedView[];
  readonly bakes: readonly LoggedBakeView[];
  readonly changes: readonly PullChangeView[];
  readonly next: readonly TeachingBake[];
}

/** What became of lines that were added together. */
export interface OrderLinesView {
  readonly added: readonly OrderView[];
  /** So many were on the list already, and stay as they are. */
  readonly already: number;
}

export interface DayView {
  readonly date: string;
  readonly orders: readonly OrderView[];
  /** Lines of standing orders that were taken off for this day. */
  readonly leftOut: readonly OrderView[];
  readonly plan: PlanView | null;
}

export interface FormulaVersionView {
  readonly formula: Formula;
  readonly createdAtMs: number;
  /** Batches that were made by it; such a version never changes. */
  readonly usedBy: number;
}

/** An entry with its number; its hashes stay with the journal, where the check reads them. */
export type StoredEntry = DraftEntry & { readonly seq: number };

export interface JournalView {
  readonly entries: readonly StoredEntry[];
  readonly lastSeq: number;
  /** Which ledger it is; empty while it has no entry. */
  readonly ledger: string;
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
  /** The name under which the request stands in the log of the server. */
  readonly requestId?: string;
}
