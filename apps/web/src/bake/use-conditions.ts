import { useMemo } from 'react';
import {
  adjustmentOf,
  heatOf,
  loadTemperature,
  ruledBy,
  trayKindOf,
  type Formula,
  type Load,
  type Oven,
} from '@jokul/core';
import { useBakery } from '../lib/queries';
import type { WhatIf } from '../workers/core.worker';

export type Conditions = WhatIf & { readonly start: number };

/** A bake that is put beside the planned one, and what it is called. */
export interface Variant {
  readonly name: string;
  readonly on: Conditions;
}

/** How a load will be baked, by everything that is known: what each computation on the page starts from. */
export const useConditions = (formula: Formula, oven: Oven, load: Load): Conditions | null => {
  const { data } = useBakery();
  const { equipment, rules, learned } = data ?? {};
  return useMemo(() => {
    if (!equipment || !rules) return null;
    return {
      start: loadTemperature(formula, rules, equipment),
      tray: trayKindOf(equipment, rules).material,
      ...ruledBy(rules, formula, equipment),
      ...heatOf(oven),
      setC: load.setC,
      ...(learned && { adjust: adjustmentOf(learned, { ovenId: oven.id, code: formula.code }) }),
    };
  }, [equipment, formula, learned, load.setC, oven, rules]);
};
