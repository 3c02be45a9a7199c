/** How far durations and people stray from the plan. */
export interface Spreads {
  /** Standard deviation of a duration, as a share of it. */
  readonly workShare: number;
  readonly pullShare: number;
  readonly coolShare: number;
  /** Mean of what a person comes late to a task, s. */
  readonly lateS: number;
}

/** Spreads as the log shows them, with how much it has of each. */
export interface LearnedSpreads extends Spreads {
  readonly loads: number;
  readonly pulls: number;
  readonly works: number;
}
