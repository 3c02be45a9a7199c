/** What is left open when a batch is placed; a search tries several. */
export interface Choices {
  /** Loads close together, or each as late as its ready-by allows. */
  readonly together: readonly boolean[];
  /** Done so much before the ready-by, s. */
  readonly aheadS: number;
  /** Trays that are due so much later may join a load, s. */
  readonly joinS: number;
  /** What a second of heating up counts against a second that a load bakes later. */
  readonly heating: number;
  /** How long the dough rests within its window, from 0 the shortest to 1 the longest; the best where null. */
  readonly rest: number | null;
  /** Earlier only in long steps, where many are tried. */
  readonly coarse?: boolean;
  /** Each load goes only as early as its packing asks for; else all of its batch do, in the usual steps. Takes longer. */
  readonly fine?: boolean;
  /** Added to what an oven is worth, s. */
  readonly worth: (ovenId: string) => number;
}

export const plainChoices: Choices = {
  together: [false, true],
  aheadS: 0,
  joinS: 3600,
  heating: 0,
  rest: null,
  worth: () => 0,
};
