/**
 * A stand-in for a bench scale: it shows what lies on it late, as real ones do, and says when it has come to rest.
 * Plain data that is stepped; no clock of its own.
 */
export interface ScaleState {
  /** What really lies on it, g. */
  readonly trueG: number;
  /** Where its display has got to, g, before rounding. */
  readonly lagG: number;
  /** Seconds for which the rounded display has not changed. */
  readonly quietS: number;
}

/** After what time of no change a display counts as stable, s. */
export const stableAfterS = 1.2;
/** Time constant of the display: 95 % after 1.5 s. Typical of bench scales. */
const lagS = 0.5;

export const emptyScale: ScaleState = { trueG: 0, lagG: 0, quietS: stableAfterS };

/** What the display shows, g. */
export const displayG = ({ lagG }: ScaleState, resolutionG: number): number =>
  Number((Math.round(lagG / resolutionG) * resolutionG).toFixed(4));

/** The scale a little later, while `pourGPerS` runs onto it (below zero: is taken off). */
export const stepScale = (
  state: ScaleState,
  pourGPerS: number,
  dtS: number,
  resolutionG: number,
): ScaleState => {
  const trueG = Math.max(0, state.trueG + pourGPerS * dtS);
  const lagG = trueG + (state.lagG - trueG) * Math.exp(-dtS / lagS);
  const next = { trueG, lagG, quietS: state.quietS + dtS };
  const still =
    displayG(next, resolutionG) === displayG(state, resolutionG) && Math.abs(lagG - trueG) < resolutionG;
  return still && pourGPerS === 0 ? next : { ...next, quietS: 0 };
};

export const isStable = ({ quietS }: ScaleState): boolean => quietS >= stableAfterS - 1e-9;

export type PourAdvice = 'pour' | 'slowly' | 'stop' | 'over';

/**
 * What the hand should do: the display is behind, so the last tenth (at least four tolerances) goes in slowly, and
 * pouring stops a tolerance early.
 */
export const pourAdvice = (shownG: number, targetG: number, toleranceG: number): PourAdvice => {
  if (shownG > targetG + toleranceG) return 'over';
  if (shownG >= targetG - toleranceG) return 'stop';
  return shownG >= targetG - Math.max(0.1 * targetG, 4 * toleranceG) ? 'slowly' : 'pour';
};
