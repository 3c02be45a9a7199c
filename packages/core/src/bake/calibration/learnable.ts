/**
 * What can be learned. Keys: `offset/OVEN`, `transfer/OVEN`, `place/OVEN/POSITION`, `sides/OVEN`, `depth/OVEN`,
 * `stiffness/CODE`, `colour/CODE`; `house-stiffness/all` and `house-colour/all` are what all doughs of a house share (its
 * flour, its creaming), so that one product teaches something of the others. Temperatures in K, factors as logarithms.
 */
export type LearnableKind =
  | 'offset'
  | 'transfer'
  | 'place'
  | 'sides'
  | 'depth'
  | 'house-stiffness'
  | 'house-colour'
  | 'stiffness'
  | 'colour';

export interface Learnable {
  readonly key: string;
  readonly kind: LearnableKind;
  /** The oven, or the formula. */
  readonly of: string;
  readonly position?: number;
}

/**
 * What is believed before any bake is logged: mean 0, these standard deviations. House estimates; offset and transfer
 * of one oven act alike on most figures, so the tighter prior of the transfer keeps them apart.
 */
export const priorSigma: Readonly<Record<LearnableKind, number>> = {
  offset: 8,
  transfer: 0.15,
  place: 4,
  sides: 6,
  depth: 6,
  'house-stiffness': 0.33,
  'house-colour': 0.22,
  stiffness: 0.23,
  colour: 0.2,
};

/** Stands for all formulas of a house. */
export const house = 'all';

export const learnable = (kind: LearnableKind, of: string, position?: number): Learnable => ({
  key: position === undefined ? `${kind}/${of}` : `${kind}/${of}/${position}`,
  kind,
  of,
  ...(position !== undefined && { position }),
});
