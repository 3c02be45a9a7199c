/** The four sides of a tray: left and right at the ends of its length, front and back along it. */
export const traySides = ['left', 'right', 'front', 'back'] as const;
export type TraySide = (typeof traySides)[number];

/** How far baked pieces keep from each side, mm. */
export type Margins = Readonly<Record<TraySide, number>>;

/**
 * The margin where a side has a rail, and none where it is open: there is nothing to run against, and a piece may come to
 * the very edge (never over it).
 */
export const marginsOf = (marginMm: number, openSides: readonly TraySide[] = []): Margins => {
  const at = (side: TraySide) => (openSides.includes(side) ? 0 : marginMm);
  return { left: at('left'), right: at('right'), front: at('front'), back: at('back') };
};

/** Which sides of a tray have a rail, as a bakery says it of its trays. */
export const railWays = ['all', 'one-end-open', 'ends-open', 'one-side-open', 'none'] as const;
export type Rails = (typeof railWays)[number];

const open: Readonly<Record<Rails, readonly TraySide[]>> = {
  all: [],
  'one-end-open': ['left'],
  'ends-open': ['left', 'right'],
  'one-side-open': ['front'],
  none: traySides,
};

/** The sides without a rail; a tray of which nothing is said has one all round. */
export const openSidesOf = (tray: { readonly rails?: Rails }): readonly TraySide[] =>
  open[tray.rails ?? 'all'];
