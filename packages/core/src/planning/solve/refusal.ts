/** Why something finds no place. */
export interface Refusal {
  readonly reason: string;
}
