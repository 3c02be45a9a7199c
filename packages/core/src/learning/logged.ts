import type { BakeSetup } from '../bake/index.js';

/** What can be measured of a bake. Core at the pull; the others on the cold cookie. */
export interface Measured {
  readonly coreC?: number;
  readonly diameterMm?: number;
  readonly heightMm?: number;
  readonly lossShare?: number;
  /** Colour of the rim by the score, 0 raw to 100 black. */
  readonly colour?: number;
  /** Colour of the rim on the right less on the left, and at the back less at the front of the tray. */
  readonly rightLessLeft?: number;
  readonly backLessFront?: number;
}
export type Quantity = keyof Measured;

/**
 * Standard deviation of a measurement together with what the model itself cannot meet; house estimates from how far
 * apart repeated measurements lie.
 */
export const figureSigma: Readonly<Record<Quantity, number>> = {
  coreC: 2.5,
  diameterMm: 2,
  heightMm: 1,
  lossShare: 0.004,
  colour: 5,
  rightLessLeft: 4,
  backLessFront: 4,
};

/** A bake that was measured, with what is known of how it was baked. */
export interface LoggedBake {
  readonly id: string;
  readonly atMs: number;
  readonly ovenId: string;
  readonly position: number;
  readonly code: string;
  /** As it was baked, without anything learned. */
  readonly setup: BakeSetup;
  readonly pullS: number;
  /** From the pull until it went to the rack, s. */
  readonly trayS: number;
  readonly turned: boolean;
  readonly measured: Measured;
}
