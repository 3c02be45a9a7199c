import { doughOf, type Formula } from '../../formula/index.js';
import { doughNeeded, doughPerPiece, mixerRange, splitBatches, type Split } from '../../scaling/index.js';
import type { Figure } from '../../shown/index.js';
import { coldPorosity, doughDensity } from '../../thermal/index.js';
import type { Equipment, HouseRules } from '../../bakery/index.js';

/** Density of the mixed dough, g/mL. */
export const doughDensityGPerMl = (formula: Formula): number =>
  doughDensity(doughOf(formula), 20, coldPorosity) / 1000;

export interface ProductScale {
  readonly dough: Figure;
  readonly splits: readonly Split[];
}

/** Dough and batches for some pieces of one formula. @throws JokulError of scaling */
export const scaleProduct = (
  formula: Formula,
  lines: readonly { readonly pieces: number; readonly name?: string }[],
  equipment: Equipment,
  rules: HouseRules,
): ProductScale => {
  const pieces = lines.map((line) => ({ ...line, pieceMassG: formula.piece.massG }));
  const losses = {
    bowlShare: rules.bowlLossShare,
    portionShare: rules.portionLossShare,
    testPieces: rules.testPieces,
  };
  const dough = doughNeeded(pieces, losses);
  const density = doughDensityGPerMl(formula);
  return {
    dough,
    splits: splitBatches(
      dough.value,
      equipment.mixers.map((mixer) => mixerRange(mixer, density)),
      doughPerPiece(pieces, losses),
    ),
  };
};
