import type { HouseRules } from '../../bakery/index.js';
import type { Formula } from '../../formula/index.js';
import { lotId } from '../../lot/index.js';
import { countPieces } from '../../portioning/index.js';
import { wallClock } from '../../quantity/index.js';
import { mixerRange } from '../../scaling/index.js';
import { JokulError, say } from '../../shown/index.js';
import { usableBakes } from '../forecast/predictions.js';
import { doughDensityGPerMl, scaleProduct } from '../forecast/scale-product.js';
import { firstAttendedS } from './availability.js';
import { dealStock } from './deal-stock.js';
import type { HorizonInput, HorizonOrder } from './horizon-input.js';
import { ovenHoursOf } from './oven-hours.js';
import type { PlanBatch, PlanProduct } from './problem.js';
import { clustersOf, reckonedWith, type Cluster } from './sharing-dough.js';
import { afterPullS } from './tasks.js';

interface Split {
  readonly mixerId: string;
  readonly massG: number;
  readonly pieces: number;
}

const piecesIn = (massG: number, formula: Formula, rules: HouseRules): number =>
  countPieces(massG * (1 - rules.bowlLossShare), formula.piece.massG, rules.portionLossShare).pieces.value;

/** The batches that some pieces of a formula are mixed in. @throws JokulError of scaling */
export const openSplit = (
  { equipment, rules }: Pick<HorizonInput, 'equipment' | 'rules'>,
  formula: Formula,
  pieces: number,
): readonly Split[] =>
  (scaleProduct(formula, [{ pieces }], equipment, rules).splits[0]?.batches ?? []).map((batch) => ({
    mixerId: batch.mixerId,
    massG: batch.massG,
    pieces: piecesIn(batch.massG, formula, rules),
  }));

/** The mixers that take a batch, also when less of it is made, and the least that they take. */
const mixersFor = (input: HorizonInput, formula: Formula, { mixerId, massG }: Split) => {
  const density = doughDensityGPerMl(formula);
  const ranges = input.equipment.mixers.map((mixer) => mixerRange(mixer, density));
  const minMassG = Math.min(massG, ranges.find(({ id }) => id === mixerId)?.minMassG ?? massG);
  const alike = ranges.filter((range) => range.minMassG <= minMassG && range.maxMassG >= massG - 1e-6);
  return { minMassG, mixerIds: [mixerId, ...alike.map(({ id }) => id).filter((id) => id !== mixerId)] };
};

/** What happens to a product's pieces between the tray and their ready-by, by its formula and the house. */
export const afterOvenOf = (
  { afterBake }: Formula,
  { coolS, packS, packPieceS = 0 }: HouseRules,
): Pick<PlanProduct, 'coolS' | 'packS' | 'after'> => ({
  coolS,
  packS,
  ...((afterBake || packPieceS > 0) && { after: { ...afterBake, ...(packPieceS > 0 && { packPieceS }) } }),
});

/** Lots that are mixed anew for orders of a product that share their dough. */
export interface LotsNeeded {
  readonly productCode: string;
  /** The first ready-by. */
  readonly dueS: number;
  readonly count: number;
}

/** How many lots are to be mixed anew, in the order in which they take their names; none where dough cannot be scaled. */
export const lotsNeeded = (input: Omit<HorizonInput, 'lotIds'>): readonly LotsNeeded[] =>
  [...new Set(input.orders.map(({ productCode }) => productCode))].flatMap((productCode) => {
    const formula = input.formulas.get(productCode);
    if (!formula) return [];
    try {
      const clusters = clustersOf(input, productCode, reckonedWith(input, productCode).orders);
      const parts = stockFor(input, formula, clusters);
      return clusters.map(({ dueS, pieces }, c) => {
        const open = pieces - (parts[c] ?? []).reduce((sum, part) => sum + part.pieces, 0);
        return { productCode, dueS, count: open > 0 ? openSplit(input, formula, open).length : 0 };
      });
    } catch (error) {
      if (error instanceof JokulError) return [];
      throw error;
    }
  });

/** Pieces of the smallest batch that a mixer takes. */
const leastPieces = (
  { equipment, rules }: Pick<HorizonInput, 'equipment' | 'rules'>,
  formula: Formula,
): number => {
  const density = doughDensityGPerMl(formula);
  const least = Math.min(...equipment.mixers.map((mixer) => mixerRange(mixer, density).minMassG));
  return Number.isFinite(least) ? piecesIn(least, formula, rules) + 1 : 0;
};

const stockFor = (input: HorizonInput, formula: Formula, clusters: readonly Cluster[]) => {
  const hours = ovenHoursOf(input);
  const bakes = usableBakes(formula, input.predictions.get(formula.code));
  const pullS = Math.min(...bakes.map(({ bake }) => Math.round(bake.pull?.value ?? 0)));
  return dealStock(
    formula,
    input.rules,
    input.nowS,
    input.stock ?? [],
    clusters,
    {
      afterS:
        pullS + afterPullS({ trayRestS: formula.bake.trayRestS, ...afterOvenOf(formula, input.rules) }, 1),
      ovenFromS: (atS) => firstAttendedS(hours, atS, pullS),
    },
    input.byDay ? leastPieces(input, formula) : 0,
  );
};

/** Batches for a product's orders: what lies in the cold first, the oldest first, then new dough. */
export const batchesFor = (
  input: HorizonInput,
  formula: Formula,
  orders: readonly HorizonOrder[],
  notes: string[],
): readonly PlanBatch[] => {
  const { rules, fixed } = input;
  const { code, piece } = formula;
  const begun = fixed.filter((batch) => batch.productCode === code).length;
  const clusters = clustersOf(input, code, orders);
  const parts = stockFor(input, formula, clusters);
  const batches: PlanBatch[] = [];
  const loadsOf = new Map<string, number>();
  let fresh = 0;
  clusters.forEach(({ serves, dueS, pieces: wanted }, c) => {
    let open = wanted;
    for (const { item, pieces, rule } of parts[c] ?? []) {
      open -= pieces;
      const earlier = loadsOf.get(item.id) ?? 0;
      loadsOf.set(item.id, earlier + 1);
      const part = item.inPart || pieces < item.pieces ? item.partIds?.[earlier] : undefined;
      batches.push({
        id: part ?? (earlier === 0 ? item.id : `${item.id}/${earlier + 1}`),
        mixerId: input.equipment.mixers[0]?.id ?? '',
        // Of a tub some is lost at portioning.
        massG: (pieces * piece.massG) / (item.form === 'tub' ? 1 - rules.portionLossShare : 1),
        pieces,
        serves,
        stock: part === undefined ? rule : { ...rule, loadsBefore: 0, from: item.id },
      });
    }
    if (open <= 0) return;
    for (const split of splitOrLeast(input, formula, open, notes)) {
      const year = Number(wallClock(dueS, rules.timeZone).date.slice(0, 4));
      batches.push({
        id: input.lotIds?.[code]?.[fresh] ?? lotId(code, year, begun + fresh + 1),
        ...split,
        ...mixersFor(input, formula, split),
        serves,
        ...(input.aheadOf && { ahead: input.aheadOf(formula, split.massG) }),
      });
      fresh += 1;
    }
  });
  return batches;
};

/** As a bake day's bakers would: what is too little for any mixer is mixed as the least that one takes. */
const splitOrLeast = (
  input: HorizonInput,
  formula: Formula,
  pieces: number,
  notes: string[],
): readonly Split[] => {
  try {
    return openSplit(input, formula, pieces);
  } catch (error) {
    if (input.byDay || !(error instanceof JokulError) || error.code !== 'too-little-dough') throw error;
    const density = doughDensityGPerMl(formula);
    const [least] = input.equipment.mixers
      .map((mixer) => mixerRange(mixer, density))
      .sort((a, b) => a.minMassG - b.minMassG);
    if (!least) throw error;
    const left = piecesIn(least.minMassG, formula, input.rules) - pieces;
    notes.push(
      say`${formula.name}: the least that a mixer takes is ${(least.minMassG / 1000).toFixed(1)} kg; dough for ${left} pieces is left over. Freeze it, or take more orders.`,
    );
    return [{ mixerId: least.id, massG: least.minMassG, pieces }];
  }
};
