export const preparationKinds = [
  'butter-out',
  'butter-brown',
  'eggs-out',
  'toast',
  'melt',
  'heat',
  'chop',
  'sift',
  'warm',
  'clean',
  'oven-on',
  'oven-check',
] as const;
/** What is done for a dough before it is weighed. */
export type PreparationKind = (typeof preparationKinds)[number];

/** Something that is done for a batch before its mixing, at a moment that its ingredients ask for. */
export interface Preparation {
  readonly id: string;
  readonly kind: PreparationKind;
  readonly batchId: string;
  readonly productCode: string;
  /** Nothing where a bowl is cleaned or an oven heated. */
  readonly massG: number;
  readonly startS: number;
  /** A person's time for it, s; a few minutes where left out. */
  readonly workS?: number;
  /** What is toasted, melted, chopped, sifted or put out, where it is neither butter nor egg. */
  readonly ingredientIds?: readonly string[];
  readonly ingredientNames?: readonly string[];
  /** How much sooner that is than it would have to be, since nobody is there later, s. */
  readonly earlyS: number;
  /** What the bowl is cleaned of: it is in the dough before and not declared by this one. */
  readonly allergens?: readonly string[];
  /** The oven that is turned on, or looked at, and the load that it is for. */
  readonly oven?: { readonly ovenId: string; readonly setC: number; readonly loadId: string };
}
