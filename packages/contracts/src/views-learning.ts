import type { Learnable, LearnedValues, Residual, TeachingBake } from '@jokul/core';

export interface LearnedView extends Learnable {
  /** K, or the logarithm of a factor. */
  readonly value: number;
  readonly sigma: number;
  readonly inForce: number;
  readonly held: boolean;
}

export interface LoggedBakeView {
  readonly id: string;
  readonly trayId: string;
  readonly atMs: number;
  readonly ovenId: string;
  readonly position: number;
  readonly code: string;
  readonly pullS: number;
  readonly test: boolean;
  readonly leftOut: boolean;
  readonly figures: readonly Residual[];
}

/** A pull of the loads to come, by what is in force and by what the log would make of it; s. */
export interface PullChangeView {
  readonly code: string;
  readonly ovenId: string;
  readonly trays: number;
  readonly nowS: number | null;
  readonly thenS: number | null;
  readonly nowBandS: number;
  readonly thenBandS: number;
}

export interface CalibrationView {
  readonly version: number;
  readonly inForce: LearnedValues | null;
  /** How many steps can be taken back. */
  readonly undoable: number;
  readonly learned: readonly LearnedView[];
  readonly bakes: readonly LoggedBakeView[];
  readonly changes: readonly PullChangeView[];
  readonly next: readonly TeachingBake[];
}
