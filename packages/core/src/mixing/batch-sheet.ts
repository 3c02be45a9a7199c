import { doughPercent, weighingKeys, type Formula } from '../formula/index.js';
import type { LotState } from '../ledger/index.js';
import type { WeighLine, WeighSheet } from '../scaling/index.js';

/** How much larger than planned a batch has become by scaling the others to what was poured; 1 when it was not. */
export const batchFactor = (known: LotState): number => {
  const scaled = [...known.weighed.values()]
    .filter(({ decision, factor }) => decision === 'scale' && factor !== undefined)
    .sort((a, b) => b.atMs - a.atMs);
  return scaled[0]?.factor ?? 1;
};

/** Short of its target after the batch was scaled, and not accepted as it is. */
const isShort = (line: WeighLine, known: LotState): boolean => {
  const weighed = known.weighed.get(line.key);
  return (
    weighed !== undefined &&
    weighed.decision === undefined &&
    weighed.massG < line.roundedG - line.toleranceG - 1e-9 &&
    weighed.targetG < line.roundedG - 1e-9
  );
};

/** What is still to be weighed: lines that are not, and those that want more since the batch was scaled. */
export const openLines = (sheet: WeighSheet, known: LotState): readonly WeighLine[] =>
  sheet.lines.filter((line) => !known.weighed.get(line.key) || isShort(line, known));

/** What of a weighed line reaches the bowl: browned butter less its water and what stays in the pan. */
const keptShare = (formula: Pick<Formula, 'stages'>, key: string): number => {
  const lines = formula.stages.flatMap(({ id: stageId, lines: own }) =>
    own.map((line) => ({ stageId, line })),
  );
  const keys = weighingKeys(
    lines.map(({ stageId, line: own }) => ({ stageId, ingredientId: own.ingredientId })),
  );
  const line = lines[keys.indexOf(key)]?.line;
  return line?.browned ? doughPercent(line) / line.percent : 1;
};

/** Mass in the bowl so far, g; what is set aside for the pieces is not in it. */
export const weighedMassG = (known: LotState, formula: Pick<Formula, 'stages'>): number =>
  [...known.weighed.values()]
    .filter(({ key }) => !key.startsWith('topping/'))
    .reduce((sum, { key, massG }) => sum + massG * keptShare(formula, key), 0) +
  known.adjusted.reduce((sum, { massG }) => sum + massG, 0);
