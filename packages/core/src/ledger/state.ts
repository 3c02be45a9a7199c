import type { EntryKind, Payloads } from './entry.js';

/** Who did something, and when. */
export interface Stamp {
  readonly atMs: number;
  readonly who: string;
  readonly entryId: string;
}
type Did<K extends keyof Payloads> = Stamp & Payloads[K];

/** A core that was measured with a needle while the dough lay in a place, °C. */
export interface NeedleCore extends Stamp {
  readonly temperatureC: number;
}

/** One stay in a place; mass and pieces are what lies there still. */
export interface ColdStay extends Did<'rest-in'> {
  readonly outMs: number | null;
  /** Who ended it. */
  readonly out: Stamp | null;
  /** Parts that were taken out while the rest stayed. */
  readonly taken: readonly (Stamp & { readonly pieces: number; readonly massG: number })[];
  readonly cores: readonly NeedleCore[];
}

/** A lot's life, as far as the ledger tells. */
export interface LotState {
  readonly lot: string;
  /** What the lot pinned when mixing began; null for what is only planned, and for lots of an older Jokul. */
  readonly begun: Did<'begun'> | null;
  readonly prepared: ReadonlyMap<string, Did<'prepared'>>;
  readonly weighed: ReadonlyMap<string, Did<'weighed'>>;
  readonly browned: readonly Did<'browned'>[];
  /** The last temperature taken of each thing. */
  readonly measured: ReadonlyMap<string, Did<'measured'>>;
  readonly stages: ReadonlyMap<string, Did<'stage-done'>>;
  readonly adjusted: readonly Did<'adjusted'>[];
  readonly mixed: Did<'mixed'> | null;
  readonly portioned: Did<'portioned'> | null;
  readonly splits: readonly Did<'split'>[];
  readonly merged: readonly Did<'merged'>[];
  readonly discarded: readonly Did<'discarded'>[];
  readonly stays: readonly ColdStay[];
  readonly released: readonly Did<'released'>[];
  readonly trays: ReadonlyMap<string, TrayState>;
  readonly notes: readonly Did<'note'>[];
  readonly notices: readonly Notice[];
}

/** Whether a lot is there as dough: mixed, or a part that was split off another one, of which nobody mixed anything. */
export const isDough = ({ mixed, begun }: Pick<LotState, 'mixed' | 'begun'>): boolean =>
  mixed !== null || (begun?.parents.length ?? 0) > 0;

export interface TrayState {
  readonly trayId: string;
  readonly loadId: string;
  readonly batchId: string;
  readonly ovenId: string;
  readonly setC: number;
  readonly pullS: number;
  readonly trayRestS: number;
  readonly pieces: number;
  readonly position?: number;
  readonly startC?: number;
  readonly test: boolean;
  readonly loaded: Stamp;
  readonly turned: Stamp | null;
  readonly pulled: Stamp | null;
  readonly flattened: Stamp | null;
  readonly racked: Stamp | null;
  readonly iced: Stamp | null;
  readonly packed: Stamp | null;
  readonly inspected: Did<'inspected'> | null;
}

/** Why an entry took no effect: a code with its figures; the screen makes the sentence of it, in the bakery's time. */
export type NoticeTold =
  | {
      readonly code: 'already';
      readonly step: EntryKind;
      /** The tray or the lot. */
      readonly subject: string;
      readonly placeId?: string;
      /** Who was first; that one counts. */
      readonly by: Stamp;
    }
  | { readonly code: 'never-loaded'; readonly step: EntryKind; readonly subject: string }
  | { readonly code: 'not-pulled'; readonly subject: string }
  | { readonly code: 'not-in-there'; readonly subject: string; readonly placeId: string }
  /** The entry could not be read at all. */
  | { readonly code: 'unreadable'; readonly subject: string };

/** Something that was written down but could not take effect, for a person to look at. */
export type Notice = Stamp & { readonly lot: string } & NoticeTold;

export interface FloorState {
  readonly lots: ReadonlyMap<string, LotState>;
  readonly trays: ReadonlyMap<string, TrayState>;
  /** In the order in which they came about. */
  readonly notices: readonly Notice[];
}

export const emptyState: FloorState = { lots: new Map(), trays: new Map(), notices: [] };

export const emptyLot = (lot: string): LotState => ({
  lot,
  begun: null,
  prepared: new Map(),
  weighed: new Map(),
  browned: [],
  measured: new Map(),
  stages: new Map(),
  adjusted: [],
  mixed: null,
  portioned: null,
  splits: [],
  merged: [],
  discarded: [],
  stays: [],
  released: [],
  trays: new Map(),
  notes: [],
  notices: [],
});
