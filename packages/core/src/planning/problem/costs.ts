/** What counts how much in a plan, in minutes of one person. House settings; the defaults are estimates. */
export interface CostWeights {
  /** For a minute that a chamber is hot. */
  readonly ovenMinute: number;
  /** For a piece that is packed, s of work. */
  readonly packPieceS: number;
  /** For a piece that waits an hour longer than it stays fresh. */
  readonly staleHour: number;
  /** How long a packed piece stays fresh, s. */
  readonly freshS: number;
}

export const usualWeights: CostWeights = {
  ovenMinute: 0.25,
  packPieceS: 3,
  staleHour: 0.02,
  freshS: 3 * 3600,
};
