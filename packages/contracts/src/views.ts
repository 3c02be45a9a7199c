import type {
  AirReading,
  DraftEntry,
  Equipment,
  Formula,
  HouseRules,
  Ingredient,
  LearnedValues,
  OrderLine,
  PlaceFault,
  Prices,
} from '@jokul/core';
import type { PlanView } from './views-planning.js';

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
  /** What its ingredients cost. */
  readonly prices: Prices;
  readonly pricesVersion: number;
  /** What is in force of what was learned of ovens and doughs. */
  readonly learned: LearnedValues | null;
  readonly clock: ClockView;
  /** The bakery's day now, and the day that the line works for (the next bake day). */
  readonly today: string;
}

/** How Jokul itself is, in figures. */
export interface RoomView {
  readonly freeBytes: number;
  readonly totalBytes: number;
}

/** A device, by what it wrote into the log of late and what it said of itself. */
export interface TabletView {
  readonly device: string;
  /** What it wrote last, if anything of late. */
  readonly wrote: { readonly who: string; readonly atMs: number } | null;
  /** What it said last of itself since the server was started; null where it said nothing. */
  readonly heard: {
    readonly agoS: number;
    /** Entries that it had not sent. */
    readonly kept: number;
    /** Entries that were refused and wait there for a person. */
    readonly setAside: number;
    readonly clockAheadS: number;
    /** Its page was closed then. */
    readonly left: boolean;
  } | null;
}

export interface WellbeingView {
  readonly database: { readonly answeredMs: number; readonly entries: number };
  /** Why nothing can be written down, or not all can be read; null where all is well. */
  readonly broken: { readonly code: string; readonly message: string } | null;
  /** The last time that the log was followed from link to link; null before the first time. */
  readonly log: (LogCheckView & { readonly ageS: number }) | null;
  /** The disk that the records are on; null where that cannot be told. */
  readonly disk: RoomView | null;
  /** The newest backup; its age is null where there is none. */
  readonly backup: {
    readonly count: number;
    readonly ageS: number | null;
    readonly bytes: number;
    /** The folder that was chosen and is not there. */
    readonly missing: string | null;
    /** The disk that backups go to, where it is another one than that of the records. */
    readonly disk: RoomView | null;
  } | null;
  /** Screens that are connected. */
  readonly screens: number;
  /** Devices that were heard from, the one that was heard last first. */
  readonly devices: readonly TabletView[];
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

/** All records as a CSV file for each table. */
export interface TablesMadeView {
  /** The folder with them. */
  readonly file: string;
  readonly tables: number;
  readonly rows: number;
  readonly entries: number;
  /** The first entry of the log that does not fit; null where all do. */
  readonly brokenSeq: number | null;
}

/** What the probes of the cold places saw, and the faults that are being played. */
export interface ProbesView {
  readonly version: number;
  readonly faults: readonly PlaceFault[];
  readonly places: readonly { readonly placeId: string; readonly readings: readonly AirReading[] }[];
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

/** Entries after a number, for a screen that does not follow the stream. */
export interface NewsView extends JournalView {
  /** Counts changes of everything that is not the journal. */
  readonly revision: number;
}

/** What a check of the whole log found. */
export interface LogCheckView {
  /** Entries that were read. */
  readonly entries: number;
  /** The first that was changed, or is gone; null where all are as they were written. */
  readonly firstBrokenSeq: number | null;
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
