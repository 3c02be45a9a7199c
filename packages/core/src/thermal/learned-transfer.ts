/** Heat transfer of a place as measured cores say it, over the one that its setting has. */
export interface LearnedTransfer {
  readonly factor: number;
  /** Standard deviation of ln factor. */
  readonly sigma: number;
  readonly cores: number;
}
