import { t } from '@lingui/core/macro';
import { useMemo } from 'react';
import { create } from 'zustand';
import {
  allAsThereIs,
  inUse,
  openActions,
  ovensToHeat,
  overWindow,
  type Action,
  type Formula,
  type Load,
  type OverWindow,
} from '@jokul/core';
import type { DayView } from '@jokul/contracts';
import { nowMs } from '../lib/clock';
import { useBakery, useDay, useOrdersOf } from '../lib/queries';
import { useFloorKnown, useJournal, record } from '../journal/store';
import { loadingOf } from './loading-now';
import type { Lots } from './lots';
import { preparationWords } from './preparation-words';

const useOpenActions = (plan: DayView['plan'] | undefined): readonly Action[] => {
  const floor = useJournal((s) => s.floor);
  const known = useFloorKnown();
  const planned = plan?.plan.batches;
  const batches = useMemo(() => planned && allAsThereIs(planned, floor), [planned, floor]);
  const bakery = useBakery().data;
  const stored = plan?.preparations;
  const preparations = useMemo(
    () => [
      ...(stored ?? []),
      ...(batches && bakery
        ? ovensToHeat(batches, {
            ovens: inUse(bakery.equipment).ovens,
            loadGapS: bakery.rules.loadGapS,
          })
        : []),
    ],
    [stored, batches, bakery],
  );
  const minute = Math.floor(nowMs() / 60e3);
  return useMemo(
    () => (batches && known ? openActions(batches, floor, preparations, minute * 60e3) : []),
    [batches, known, floor, preparations, minute],
  );
};

/** Everything open on the floor of the shown day, the most urgent first. */
export const useActions = (): readonly Action[] => useOpenActions(useDay().data?.plan);
/** Everything open on one day, whichever is looked at. */
export const useActionsOf = (date: string): readonly Action[] => useOpenActions(useOrdersOf(date).data?.plan);

export const useNames = () => {
  const bakery = useBakery();
  const product = (code: string) => bakery.data?.formulas.find((f) => f.code === code)?.name ?? code;
  const oven = (id: string) => bakery.data?.equipment.ovens.find((o) => o.id === id)?.name ?? id;
  const place = (id: string) => bakery.data?.equipment.places.find((p) => p.id === id)?.name ?? id;
  const mixer = (id: string) => bakery.data?.equipment.mixers.find((m) => m.id === id)?.name ?? id;
  /** What the product is baked to. */
  const target = (code: string) => bakery.data?.formulas.find((f) => f.code === code)?.bake.target ?? 'chewy';
  return { product, oven, place, mixer, target };
};

export const verbs: Readonly<Record<Exclude<Action['kind'], 'prepare'>, string>> = {
  mix: t`Mix`,
  portion: t`Portion`,
  'rest-in': t`Into the cold`,
  'rest-out': t`Out of the cold`,
  load: t`Load`,
  turn: t`Turn`,
  pull: t`Pull`,
  flatten: t`Press flat`,
  rack: t`Rack`,
  ice: t`Ice`,
  pack: t`Pack`,
};
export const verb = ({ kind, prepare }: Action): string =>
  kind === 'prepare' ? (prepare ? preparationWords[prepare.kind] : t`Prepare`) : verbs[kind];

/** Where an action is done: the page of its station. */
export const pathOf = (action: Action): string => {
  if (action.kind === 'mix' || (action.kind === 'prepare' && action.prepare?.kind === 'butter-brown'))
    return `/mix/${action.batchId}`;
  if (action.kind === 'portion') return `/portion/${action.batchId}`;
  if (action.kind === 'rest-in' || action.kind === 'rest-out') return `/rest/${action.batchId}`;
  return '/floor';
};

/** What is written down of a load; the dough as it is now, and the pull from there, where they are known. */
const loadedPayload = (load: Load, trayIds: readonly string[], trayRestS: number) => {
  const now = loadingOf(load.id);
  return {
    loadId: load.id,
    trayIds: [...trayIds],
    ovenId: load.ovenId,
    setC: load.setC,
    pullS: Math.round(now?.pullS ?? load.pullS),
    ...(now && { startC: Math.round(now.meanC * 10) / 10 }),
    trayRestS,
    pieces: trayIds.map((id) => load.trays.find((tray) => tray.id === id)?.pieces ?? 0),
    positions: trayIds.map((id) => load.trays.find((tray) => tray.id === id)?.position ?? 1),
  };
};

/** Writes down that something was put out or browned for a dough; false when the action is none of that. */
export const doPreparation = ({ batchId, prepare }: Action): boolean => {
  if (!prepare) return false;
  record('prepared', batchId, { what: prepare.kind, ...prepare.oven });
  return true;
};

/** A load that must not go in before somebody decided on its dough. */
export interface AskRelease {
  readonly action: Action;
  readonly formula: Formula;
  readonly over: OverWindow;
}
export const useAskRelease = create<{ ask: AskRelease | null }>()(() => ({ ask: null }));

/**
 * Writes down that a tray action was done; false when it was none, or must be decided first: dough past its window is
 * asked about.
 */
export const doTrayAction = (action: Action, lots: Lots | null): boolean => {
  const { load, trayIds, batchId } = action;
  if (!load) return false;
  const formula = lots?.formulaOf(batchId);
  const ages = lots?.ageRulesOf(batchId);
  const trayRestS = formula?.bake.trayRestS ?? 300;
  const over = action.kind === 'load' && ages ? overWindow(lots?.lotOf(batchId), ages, nowMs()) : null;
  if (over && formula) {
    useAskRelease.setState({ ask: { action, formula, over } });
    return false;
  }
  const step = { loadId: load.id, trayIds: [...trayIds] };
  if (action.kind === 'load') record('loaded', batchId, loadedPayload(load, trayIds, trayRestS));
  else if (action.kind === 'turn') record('turned', batchId, step);
  else if (action.kind === 'pull') record('pulled', batchId, step);
  else if (action.kind === 'flatten') record('flattened', batchId, step);
  else if (action.kind === 'rack') record('racked', batchId, step);
  else if (action.kind === 'ice') record('iced', batchId, step);
  else if (action.kind === 'pack') record('packed', batchId, step);
  else return false;
  return true;
};
