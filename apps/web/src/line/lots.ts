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
  type ColdLots,
  type Formula,
  type LotRecord,
} from '@jokul/core';
import type { BakeryView, DayView } from '@jokul/contracts';
import { useJournal } from '../journal/store';
import { useBakery } from '../lib/queries';

/** What is said of lots: always by what each one pinned, and by the latest formula only while it is planned. */
export interface Lots extends ColdLots {
  readonly formulaOf: (lot: string) => Formula | undefined;
  readonly ageRulesOf: (lot: string) => AgeRules | undefined;
}

export const lotsOf = (bakery: BakeryView, lots: ReadonlyMap<string, { begun: LotRecord | null }>) => {
  const latest = (lot: string) => bakery.formulas.find(({ code }) => code === productOf(lot));
  return (lot: string) => formulaOfLot(lots.get(lot)?.begun, latest(lot));
};

/** Null while the bakery is not known yet. */
export const useLots = (): Lots | null => {
  const { data } = useBakery();
  const lots = useJournal((s) => s.floor.lots);
  return useMemo(() => {
    if (!data) return null;
    const { equipment, rules } = data;
    const formulaOf = lotsOf(data, lots);
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
  }, [data, lots]);
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
