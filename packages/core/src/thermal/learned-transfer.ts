/** Heat transfer of a place as measured cores say it, over the one that its setting has. */
export interface LearnedTransfer {
  readonly factor: number;
  /** Standard deviation of ln factor. */
  readonly sigma: number;
  readonly cores: number;
}

/** How far the real heat transfer may lie from it, nine times in ten, ± %. */
export const transferBandPercent = ({ sigma }: Pick<LearnedTransfer, 'sigma'>): number =>
  Math.round(100 * (Math.exp(1.645 * sigma) - 1));
