import type { RestRule } from '../../formula/index.js';

/** Dough that is in the cold already: it is only loaded, or portioned and loaded. */
export interface PlanStock {
  /** As what and where it lies, and how long it thaws or tempers before the oven. */
  readonly form: RestRule['form'];
  readonly placeKind: RestRule['placeKind'];
  readonly temperS: number;
  /** First and last moment that it may go into the oven (a tub: that it may be portioned). */
  readonly fromS: number;
  readonly toS: number;
  /** What it takes up until it is loaded is counted elsewhere: it is a part of a batch that has begun. */
  readonly held?: boolean;
  /** Loads that were planned of it before: those here are numbered on, so that no two bear one name. */
  readonly loadsBefore?: number;
  /** The place that it lies in, and since when the plan reckons with it; left out for dough that no floor knows. */
  readonly placeId?: string;
  readonly sinceS?: number;
  /** The lot that it is a part of, where not all of that is used: it becomes a lot of its own when it is taken out. */
  readonly from?: string;
}
