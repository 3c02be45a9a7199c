import type { Allergen, AllergenSource } from '../ingredient/index.js';
import type { ClockName, LotAge, LotRecord } from '../lot/index.js';
import type { PreparationKind } from '../planning/index.js';
import type { Cover } from '../thermal/index.js';

/** What each kind of entry carries. Masses in g, temperatures in °C, durations in s, lengths in mm. */
export interface Payloads {
  /** Mixing began, or a part became a lot of its own: what the lot is, pinned. */
  readonly begun: LotRecord;
  /** Something was done for the dough before it is weighed: butter or eggs put out, butter browned. */
  readonly prepared: {
    readonly what: PreparationKind;
    /** Of an oven: which, for which load, and what it is set to. */
    readonly loadId?: string;
    readonly ovenId?: string;
    readonly setC?: number;
  };
  readonly weighed: {
    readonly key: string;
    readonly massG: number;
    readonly targetG: number;
    readonly scaleId: string;
    /** The lot on the bag that it came from. */
    readonly lotCode?: string;
    /** Off its target: what was decided, and the factor when the others are scaled to it. */
    readonly decision?: 'accept' | 'scale';
    readonly factor?: number;
    /** Folded in after the stage it belongs to was over. */
    readonly late?: boolean;
  };
  /** A pan of butter was browned. */
  readonly browned: { readonly inG: number; readonly outG: number };
  /** A temperature taken at the bench; a reason when what is done with it is against a limit. */
  readonly measured: {
    readonly what: 'browned butter' | 'butter' | 'room' | 'egg' | 'dough';
    readonly temperatureC: number;
    readonly reason?: string;
  };
  /** A stage at the mixer was stopped, after so long. */
  readonly 'stage-done': { readonly stageId: string; readonly durationS: number };
  /** Liquid given to a crumbly dough, or a loose one left to rest. */
  readonly adjusted: {
    readonly look: 'crumbly' | 'loose';
    readonly ingredientId?: string;
    readonly massG: number;
  };
  readonly mixed: {
    readonly doughC: number;
    readonly massG: number;
    /** Ingredients that were not weighed; finishing all the same takes a reason. */
    readonly missing: readonly string[];
    readonly reason?: string;
    /** What the mixer's heat is learned from: how long it worked, the room, the butter. */
    readonly workedS?: number;
    readonly roomC?: number;
    readonly butterC?: number;
  };
  readonly portioned: {
    readonly pieces: number;
    readonly scoop: number;
    readonly samplesG: readonly number[];
    readonly targetG: number;
    readonly remainderG: number;
    /** What became of the rest. */
    readonly remainder?: 'spread' | 'test-pieces' | 'cold';
    /** Grams of one scoop as weighed, and how it was filled. */
    readonly scoopG?: number;
    readonly filled?: 'level' | 'heaped';
    /** Toppings set aside, g by ingredient. */
    readonly toppingsG?: Readonly<Record<string, number>>;
  };
  readonly 'rest-in': {
    readonly placeId: string;
    readonly form: 'pieces' | 'tub' | 'bag';
    readonly cover: Cover;
    readonly startC: number;
    readonly massG: number;
    readonly pieces: number;
  };
  /** Pieces and mass where a part leaves and the rest stays; left out, all of it leaves. */
  readonly 'rest-out': { readonly placeId: string; readonly pieces?: number; readonly massG?: number };
  /** A part becomes a lot of its own, which begins with the same truth and the age it has by then. */
  readonly split: { readonly into: string; readonly massG: number; readonly pieces: number };
  /** Dough of another lot was worked into this one. */
  readonly merged: {
    readonly from: string;
    readonly massG: number;
    /** How old that dough was by then, and what it declared; missing in entries of an older Jokul. */
    readonly age?: LotAge;
    readonly allergens?: readonly Allergen[];
    readonly which?: readonly AllergenSource[];
  };
  readonly discarded: { readonly massG: number; readonly pieces: number; readonly reason: string };
  /** Dough beyond its window is used all the same: somebody decided it and said why. */
  readonly released: {
    readonly why: 'over-window';
    /** Which of its clocks had run out; missing in decisions of an older Jokul, which meant all. */
    readonly clock?: ClockName;
    readonly ageS: number;
    readonly limitS: number;
    readonly reason: string;
  };
  readonly loaded: {
    readonly loadId: string;
    readonly trayIds: readonly string[];
    readonly ovenId: string;
    readonly setC: number;
    readonly pullS: number;
    readonly trayRestS: number;
    readonly pieces: readonly number[];
    /** The place of each tray in the oven, from 1, and the dough as it was loaded, °C. */
    readonly positions?: readonly number[];
    readonly startC?: number;
    /** A few pieces, to learn the pull from before the rest is baked. */
    readonly test?: boolean;
  };
  readonly turned: { readonly loadId: string; readonly trayIds: readonly string[] };
  readonly pulled: { readonly loadId: string; readonly trayIds: readonly string[] };
  /** Pressed flat on the hot tray. */
  readonly flattened: { readonly loadId: string; readonly trayIds: readonly string[] };
  readonly racked: { readonly loadId: string; readonly trayIds: readonly string[] };
  readonly iced: { readonly loadId: string; readonly trayIds: readonly string[] };
  readonly packed: { readonly loadId: string; readonly trayIds: readonly string[] };
  readonly inspected: {
    readonly trayId: string;
    readonly bakeS?: number;
    readonly coreC?: number;
    readonly diameterMm?: number;
    readonly heightMm?: number;
    readonly lossShare?: number;
    readonly colourScore?: number;
    /** Colour on the right less the left, at the back less the front, in the score. */
    readonly rightLessLeft?: number;
    readonly backLessFront?: number;
    /** Whether neighbours touched, or there was room for more. */
    readonly room?: 'touched' | 'fits' | 'more';
    readonly note?: string;
  };
  readonly note: { readonly text: string };
  /** A mistake is struck by a further entry; nothing is deleted. */
  readonly struck: { readonly entryId: string; readonly reason: string };
}
export type EntryKind = keyof Payloads;
export const entryKinds: readonly EntryKind[] = [
  'begun',
  'prepared',
  'weighed',
  'browned',
  'measured',
  'stage-done',
  'adjusted',
  'mixed',
  'portioned',
  'split',
  'merged',
  'rest-in',
  'rest-out',
  'released',
  'discarded',
  'loaded',
  'turned',
  'pulled',
  'flattened',
  'racked',
  'iced',
  'packed',
  'inspected',
  'note',
  'struck',
];

/** One thing that happened, as the client wrote it down. `lot` is the batch it belongs to. */
export type DraftEntry = {
  [K in EntryKind]: {
    readonly id: string;
    readonly atMs: number;
    readonly who: string;
    readonly device: string;
    readonly lot: string;
    readonly kind: K;
    readonly payload: Payloads[K];
  };
}[EntryKind];

/** An entry as the journal holds it: numbered without gaps in meaning, chained to the one before. */
export type JournalEntry = DraftEntry & {
  readonly seq: number;
  readonly prevHash: string;
  readonly hash: string;
};
