import { t } from '@lingui/core/macro';
import {
  amountsFor,
  doughDensityGPerMl,
  doughFor,
  doughPerPiece,
  JokulError,
  mixerRange,
  splitBatches,
  stockLimits,
  weighSheet,
  type Equipment,
  type Figure,
  type Formula,
  type HouseRules,
  type MixTarget,
  type Split,
  type StockLine,
  type WeighSheet,
} from '@jokul/core';

/** What a batch can be made for. */
export const amountKinds = {
  pieces: t`a number of pieces`,
  trays: t`a number of trays`,
  dough: t`a dough mass`,
  fill: t`a full bowl`,
  stock: t`what is in stock`,
} as const;
export type AmountKind = keyof typeof amountKinds;

export const lossesOf = (rules: HouseRules) => ({
  bowlShare: rules.bowlLossShare,
  portionShare: rules.portionLossShare,
  testPieces: rules.testPieces,
});

/** The batch for an amount: its dough, how it is split over the mixers, and the sheet of the first part. */
export interface OtherAmount {
  readonly dough: Figure | null;
  readonly splits: readonly Split[];
  readonly limits: readonly StockLine[];
  readonly sheet: WeighSheet | null;
  /** Why there is none; empty where there is one. */
  readonly problem: string;
}

export const otherAmount = (
  target: MixTarget,
  formula: Formula,
  equipment: Equipment,
  rules: HouseRules,
): OtherAmount => {
  const losses = lossesOf(rules);
  // What runs out first is worth knowing all the more where there is too little for a batch.
  let limits: readonly StockLine[] = [];
  try {
    if (target.kind === 'stock') limits = stockLimits(formula, target.stockG);
    const dough = doughFor(target, formula, losses);
    const splits = splitBatches(
      dough.value,
      equipment.mixers.map((mixer) => mixerRange(mixer, doughDensityGPerMl(formula))),
      doughPerPiece([{ pieces: 1, pieceMassG: formula.piece.massG }], losses),
    );
    const first = splits[0]?.batches[0]?.massG ?? dough.value;
    return {
      dough,
      splits,
      limits,
      sheet: weighSheet(amountsFor(formula, first), equipment.scales),
      problem: '',
    };
  } catch (error) {
    if (!(error instanceof JokulError)) throw error;
    return { dough: null, splits: [], limits, sheet: null, problem: error.message };
  }
};
