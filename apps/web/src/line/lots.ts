import { useMemo } from 'react';
import {
  ageLimits,
  amountsFor,
  formulaOfLot,
  kindOfPlace,
  lotRecord,
  productOf,
  toppingsFor,
  weighSheet,
  type AgeRules,
  type BatchPlan,
  type ColdLots,
  type Formula,
  type LotRecord,
} from '@jokul/core';
import type { BakeryView, DayView } from '@jokul/contracts';
import { useJournal } from '../journal/store';
import { useBakery, useDay } from '../lib/queries';

/** What is said of lots: always by what each one pinned, and by the latest formula only while it is planned. */
export interface Lots extends ColdLots {
  readonly formulaOf: (lot: string) => Formula | undefined;
  readonly ageRulesOf: (lot: string) => AgeRules | undefined;
}

/**
 * The formula of a lot.
 * @param planned batches of a plan: a part that it takes of another lot is what that one is, until it has a record of its own
 */
export const lotsOf = (
  bakery: BakeryView,
  lots: ReadonlyMap<string, { begun: LotRecord | null }>,
  planned: readonly BatchPlan[] = [],
) => {
  const batches = new Map(planned.map((batch) => [batch.batchId, batch]));
  const latest = (code: string) => bakery.formulas.find((formula) => formula.code === code);
  return (lot: string) => {
    const batch = batches.get(lot);
    const from = batch?.stock?.from;
    const record = lots.get(lot)?.begun ?? (from === undefined ? null : lots.get(from)?.begun);
    return formulaOfLot(record, latest(batch?.productCode ?? productOf(lot)));
  };
};

/** Null while the bakery is not known yet. */
export const useLots = (): Lots | null => {
  const { data } = useBakery();
  const planned = useDay().data?.plan?.plan.batches;
  const lots = useJournal((s) => s.floor.lots);
  return useMemo(() => {
    if (!data) return null;
    const { equipment, rules } = data;
    const formulaOf = lotsOf(data, lots, planned);
    const kindOf = kindOfPlace(equipment.places);
    return {
      lotOf: (lot) => lots.get(lot),
      formulaOf,
      places: equipment.places,
      rules,
      ageRulesOf: (lot) => {
        const formula = formulaOf(lot);
        return formula && { kindOf, limits: ageLimits(formula, rules) };
      },
    };
  }, [data, lots, planned]);
};

/** What a planned lot pins when its mixing begins: the formula that its plan was made with, and its weigh sheet. */
export const recordOf = (bakery: BakeryView, day: DayView, lot: string): LotRecord | null => {
  const batch = day.plan?.plan.batches.find(({ batchId }) => batchId === lot);
  const formula = bakery.formulas.find(({ code }) => code === batch?.productCode);
  if (!batch || !formula) return null;
  const amounts = [...amountsFor(formula, batch.massG), ...toppingsFor(formula, batch.massG)];
  return lotRecord(formula, {
    massG: batch.massG,
    pieces: batch.pieces,
    day: day.date,
    mixerId: batch.mixerId,
    sheet: weighSheet(amounts, bakery.equipment.scales).lines.map(
      ({ key, ingredientId, roundedG, scaleId }) => ({ key, ingredientId, targetG: roundedG, scaleId }),
    ),
  });
};
