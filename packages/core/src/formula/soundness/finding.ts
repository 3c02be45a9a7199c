import type { Figure } from '../../shown/index.js';

/** Something about a formula that a baker should look at; `figure` shows its arithmetic when there is one. */
export interface Finding {
  readonly code: string;
  /** `wrong`: most likely a mistake. `mind`: unusual, may be meant. `note`: nothing unusual, but worth knowing at the bench. */
  readonly level: 'wrong' | 'mind' | 'note';
  readonly sentence: string;
  readonly figures: Readonly<Record<string, number>>;
  readonly figure?: Figure;
}
