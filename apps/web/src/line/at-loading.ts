import { useQueries } from '@tanstack/react-query';
import { adjustmentOf, heatOf, ruledBy, trayKindOf, type Action } from '@jokul/core';
import type { BakeryView, ProbesView } from '@jokul/contracts';
import { useJournal } from '../journal/store';
import { useNow } from '../lib/clock';
import { useBakery, useProbes } from '../lib/queries';
import { core } from '../workers/core';
import { loadingKey, type LoadingNow } from './loading-now';
import type { Lots } from './lots';
import { airBackMs, slotMs, wayKey, wayNow } from './way-now';

/** Loads that are due within so long are looked at. */
const soonMs = 30 * 60e3;
const most = 4;

const ask = async (
  action: Action,
  lots: Lots,
  bakery: BakeryView,
  probes: ProbesView | undefined,
  nowMs: number,
): Promise<LoadingNow | null> => {
  const { load, batchId } = action;
  const lot = lots.lotOf(batchId);
  const formula = lots.formulaOf(batchId);
  const oven = bakery.equipment.ovens.find(({ id }) => id === load?.ovenId);
  if (!load || !lot || !formula || !oven) return null;
  const asked = wayNow(lot, bakery.equipment.places, probes, nowMs);
  if (!asked) return null;
  const { learned } = bakery;
  const found = await core().loading(formula, asked, {
    tray: trayKindOf(bakery.equipment, bakery.rules).material,
    ...ruledBy(bakery.rules, formula, bakery.equipment),
    ...heatOf(oven),
    setC: load.setC,
    ...(learned && { adjust: adjustmentOf(learned, { ovenId: oven.id, code: formula.code }) }),
  });
  return { ...found, from: asked.from, assumed: asked.assumed };
};

/**
 * Follows the dough of the loads that are due: each is loaded with its own temperature, computed or measured, and pulled
 * by it. Called once, beside all pages.
 */
export const useLoadingWatch = (actions: readonly Action[], lots: Lots | null): void => {
  const { data } = useBakery();
  const now = useNow(10_000);
  const entries = useJournal((s) => s.floor.lots);
  const due = actions
    .filter(({ kind, load, dueMs }) => kind === 'load' && load && dueMs < now + soonMs)
    .slice(0, most);
  const probes = useProbes(now - airBackMs, due.length > 0);
  const slot = Math.floor(now / slotMs);
  const lotKey = (name: string) => {
    const lot = entries.get(name);
    return lot && wayKey(lot);
  };
  useQueries({
    queries: due.map((action) => ({
      queryKey: [...loadingKey(action.load?.id ?? ''), slot, lotKey(action.batchId), probes.data?.version],
      queryFn: () => (data && lots ? ask(action, lots, data, probes.data, now) : null),
      enabled: data !== undefined && lots !== null && probes.data !== undefined,
      staleTime: slotMs,
      gcTime: 3 * slotMs,
      retry: false,
    })),
  });
};
