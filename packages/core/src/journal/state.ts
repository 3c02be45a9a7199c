import type { DraftEntry, Payloads } from './entry.js';

/** Who did something, and when. */
export interface Deed {
  readonly atMs: number;
  readonly who: string;
  readonly entryId: string;
}
type Did<K extends keyof Payloads> = Deed & Payloads[K];

/** A core that was measured with a needle while the dough lay in a place, °C. */
export interface NeedleCore extends Deed {
  readonly temperatureC: number;
}

export interface ColdStay extends Did<'rest-in'> {
  readonly outMs: number | null;
  readonly cores: readonly NeedleCore[];
}

/** A lot's life, as far as the journal tells. */
export interface BatchState {
  readonly batchId: string;
  readonly weighed: Readonly<Record<string, Did<'weighed'>>>;
  readonly browned: readonly Did<'browned'>[];
  /** The last temperature taken of each thing. */
  readonly measured: Readonly<Partial<Record<Payloads['measured']['what'], Did<'measured'>>>>;
  readonly stages: Readonly<Record<string, Did<'stage-done'>>>;
  readonly adjusted: readonly Did<'adjusted'>[];
  readonly mixed: Did<'mixed'> | null;
  readonly portioned: Did<'portioned'> | null;
  readonly stays: readonly ColdStay[];
  readonly released: readonly Did<'released'>[];
  readonly notes: readonly (Deed & { readonly text: string })[];
}

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
  readonly loaded: Deed;
  readonly turned: Deed | null;
  readonly pulled: Deed | null;
  readonly racked: Deed | null;
  readonly inspected: Did<'inspected'> | null;
}

/** Something that was written down but could not take effect, for a person to look at. */
export interface Notice {
  readonly entryId: string;
  readonly atMs: number;
  readonly who: string;
  readonly message: string;
}

export interface FloorState {
  readonly batches: Readonly<Record<string, BatchState>>;
  readonly trays: Readonly<Record<string, TrayState>>;
  readonly notices: readonly Notice[];
}

export const emptyState: FloorState = { batches: {}, trays: {}, notices: [] };

export const emptyBatch = (batchId: string): BatchState => ({
  batchId,
  weighed: {},
  browned: [],
  measured: {},
  stages: {},
  adjusted: [],
  mixed: null,
  portioned: null,
  stays: [],
  released: [],
  notes: [],
});

export const deedOf = (entry: DraftEntry): Deed => ({ atMs: entry.atMs, who: entry.who, entryId: entry.id });
