import { t } from '@lingui/core/macro';
/*
 * What a new baker would ask about a figure: one or two sentences, and where the models page says more. The anchors are
 * those of docs/models.md.
 */

export interface Help {
  readonly text: string;
  /** Heading of the models page, as its anchor. */
  readonly more: string;
}

export const helps = {
  // Bake
  pull: {
    text: t`Minutes from closing the door until the tray comes out. Reckoned from this dough’s temperature, this oven and this tray; each bake you measure makes it truer.`,
    more: 'bake',
  },
  likely: {
    text: t`Nine bakes of ten reach the target this much sooner or later. Measure a few trays on this oven, and it narrows.`,
    more: 'calibration',
  },
  stays: {
    text: t`How much earlier or later you may pull and still get this texture, once the piece has cooled on its tray.`,
    more: 'bake',
  },
  turn: { text: t`Half of the bake. Turning evens out a side that browns faster.`, more: 'a-whole-load' },
  centre: {
    text: t`What a probe in the coldest point would read at the pull. It still rises on the hot tray.`,
    more: 'bake',
  },
  diameter: {
    text: t`Across, once it is cold. Measure ten side by side, and divide: that is surer than one.`,
    more: 'bake',
  },
  loss: {
    text: t`Weight that leaves in the oven, nearly all of it water. Weigh ten pieces raw and the same ten baked.`,
    more: 'bake',
  },
  colour: {
    text: t`From 0 for raw dough to 100 for black: 35 is golden, 55 brown, 80 dark. Seen from above at the rim, and from below.`,
    more: 'bake',
  },
  crispEdge: {
    text: t`How far in from the rim the crumb is dry enough to snap when it is cold.`,
    more: 'bake',
  },
  perTray: {
    text: t`As many as fit with the gap between them, after they have spread, in rows or staggered.`,
    more: 'tray',
  },
  // Cold
  core: {
    text: t`The middle of the thickest piece or tub. The air may be cold for an hour before it is.`,
    more: 'cold',
  },
  notBefore: {
    text: t`Before this the flour has not taken up the water and the fat is soft: the pieces spread more and brown less.`,
    more: 'cold',
  },
  notAfter: {
    text: t`The end of the rest window of the formula, as it was when this dough was mixed. Local rules may set an earlier one.`,
    more: 'cold',
  },
  // Mix
  bowlFilled: {
    text: t`Volume of the dough over that of the bowl. A mixer takes a working fill at most, and a least one that the tool still catches.`,
    more: 'bench-arithmetic',
  },
  exactTotal: {
    text: t`What the list comes to before each amount is rounded to what your scale can show.`,
    more: 'bench-arithmetic',
  },
  // Portion
  mean: {
    text: t`Of the pieces you weighed. With few pieces the true mean of the batch may well be another: the range says how far.`,
    more: 'check-weighing',
  },
  spread: {
    text: t`How far single pieces lie from the mean, as a rule (standard deviation). A new hand at the scoop shows here first.`,
    more: 'check-weighing',
  },
  givenAway: {
    text: t`Mean less target. Two grams more on each of a thousand pieces are two kilograms of dough.`,
    more: 'check-weighing',
  },
  meanLimit: {
    text: t`The sample mean with what its few pieces leave open added. Below the nominal weight, the batch is proved light.`,
    more: 'check-weighing',
  },
  // Day
  planCost: {
    text: t`Work, hot ovens, and pieces that wait past their freshest, in minutes of one person. The weights are beside it.`,
    more: 'day',
  },
  planBound: {
    text: t`No plan of this day can cost less: that is proved. What lies between may still be won, or not.`,
    more: 'day',
  },
  // Formula
  water: {
    text: t`All water of the dough, that in butter, egg and syrups too. It decides spread, softness and how long it keeps.`,
    more: 'ingredients',
  },
  butterfat: {
    text: t`Fat of milk alone. It is firm in the cold and soft at room warmth, and so holds the shape for the first minutes.`,
    more: 'bake',
  },
  // House rules
  bowlLossShare: {
    text: t`What stays in the bowl and on the tool. Weigh a batch of dough, then what you scraped out.`,
    more: 'bench-arithmetic',
  },
  portionLossShare: {
    text: t`What stays on scoop, bench and gloves. Count the pieces of a few batches: the log shows it too.`,
    more: 'bench-arithmetic',
  },
  testPieces: {
    text: t`Pieces more than ordered, for a trial bake or to break open.`,
    more: 'bench-arithmetic',
  },
  pieceToleranceShare: {
    text: t`How far a piece may be from its weight. On the scale it shows green within, and is named beyond twice as far.`,
    more: 'check-weighing',
  },
  doughC: {
    text: t`How warm the dough is to come off the mixer. Water and butter are reckoned from it.`,
    more: 'mixing',
  },
  readyCoreC: { text: t`From this core on a dough counts as cold, and its rest as begun.`, more: 'cold' },
  coldLimitC: {
    text: t`Raw dough with egg is not kept warmer than this for long. Local rules come first.`,
    more: 'cold',
  },
  centreC: {
    text: t`What the coldest point must reach before anything is called done. Local rules come first.`,
    more: 'bake',
  },
  outMaxS: { text: t`All time out of the cold together, on bench and at portioning.`, more: 'cold' },
  thawedMaxS: { text: t`How long thawed dough may wait for the oven.`, more: 'cold' },
  frozenMaxS: { text: t`How long frozen pieces are baked as good ones.`, more: 'cold' },
  probeSilentS: { text: t`A probe that says nothing for so long raises the alarm.`, more: 'cold' },
  trayMarginMm: { text: t`Kept free at the edge of a tray, where pieces brown and slide.`, more: 'tray' },
  mixS: {
    text: t`From the first ingredient on the scale until the bowl is empty, for a batch of a usual dough: time three, take the middle one. A formula’s own school, tools and times count on top.`,
    more: 'day',
  },
  cleanS: {
    text: t`Kept free between two doughs in one mixer, where the second does not declare an allergen of the first. Local rules may ask for more than cleaning.`,
    more: 'day',
  },
  portionSPerPiece: {
    text: t`Time fifty pieces, and divide. The log learns it from your counts.`,
    more: 'day',
  },
  coolS: {
    text: t`From the rack until pieces can be packed without sweating in the bag.`,
    more: 'day',
  },
  packS: {
    text: t`Cold, iced and dry pieces are there so long before their ready-by, for packing and handing over.`,
    more: 'day',
  },
  packPieceS: {
    text: t`A hand’s time for counting and packing one piece. 0 where others pack than those who mix and portion: then the plan keeps no hands for it.`,
    more: 'day',
  },
  ovenTrayS: {
    text: t`A hand’s time for putting a tray in, for turning it, and again for taking it out. The plan keeps two ovens from wanting the same hand at once. 0: nobody’s time is counted.`,
    more: 'day',
  },
} as const satisfies Readonly<Record<string, Help>>;
export type HelpKey = keyof typeof helps;
