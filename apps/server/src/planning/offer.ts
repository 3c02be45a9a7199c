import { Injectable } from '@nestjs/common';
import type { Replanned, Unplaced } from '@jokul/core';
import { Offers } from './offers.js';

/** A way out that somebody looks at. */
export interface Offer {
  readonly date: string;
  readonly planVersion: number;
  readonly found: Replanned;
  readonly started: ReadonlySet<string>;
  /** What is held with it; as before where left out. */
  readonly held?: readonly string[];
  /** Rules of the floor that it breaks, and for which load: whoever takes it says why. */
  readonly breaks?: { readonly batchId: string; readonly says: string };
  /** What is not baked, and the hash of what the plan fits, where a way back brings them; else they follow from it. */
  readonly was?: { readonly unplaced: readonly Unplaced[]; readonly inputHash: string };
}

/** The ways out that somebody looks at, in this server. */
@Injectable()
export class OffersOfDays extends Offers<Offer> {}
