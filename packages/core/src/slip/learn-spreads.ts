import type { FloorState } from '../ledger/index.js';
import { usualSpreads, type BatchPlan, type LearnedSpreads } from '../planning/index.js';

/** The usual figures weigh as much as so many records. */
const usualWeigh = 30;
/** Somebody who comes later than this did something else than the plan, s. */
const mostLateS = 1800;
/** A duration so many times as long or as short as planned is no spread but another work, or a press that was forgotten. */
const mostTimes = 2;

interface Baked {
  readonly plannedS: number;
  readonly startS: number;
  readonly endS: number | null;
  readonly pullS: number;
}

/** The loads of each oven that were loaded as planned, in their order. */
const bakedOf = (batches: readonly BatchPlan[], floor: FloorState): readonly (readonly Baked[])[] => {
  const loads = new Map<string, { startS: number; endS: number | null; pullS: number; ovenId: string }>();
  for (const { loadId, ovenId, pullS, loaded, pulled } of floor.trays.values()) {
    const known = loads.get(loadId);
    const startS = loaded.atMs / 1000;
    const endS = pulled ? pulled.atMs / 1000 : null;
    loads.set(loadId, {
      ovenId,
      pullS,
      startS: Math.min(startS, known?.startS ?? startS),
      endS: known ? (known.endS === null || endS === null ? null : Math.max(known.endS, endS)) : endS,
    });
  }
  const byOven = new Map<string, Baked[]>();
  for (const { id, ovenId, startS: plannedS } of batches.flatMap((batch) => batch.loads)) {
    const own = loads.get(id);
    // In another oven than planned it followed other loads.
    if (!own || own.ovenId !== ovenId) continue;
    byOven.set(ovenId, [...(byOven.get(ovenId) ?? []), { ...own, plannedS }]);
  }
  return [...byOven.values()].map((own) => own.toSorted((a, b) => a.startS - b.startS));
};

/** Root mean square of what was seen, the usual figure among it. */
const blended = (usual: number, seen: readonly number[]): number =>
  Math.sqrt(
    (usualWeigh * usual ** 2 + seen.reduce((sum, value) => sum + value ** 2, 0)) / (usualWeigh + seen.length),
  );

const ratios = (pairs: readonly (readonly [planned: number, took: number])[]): readonly number[] =>
  pairs
    .filter(([planned, took]) => planned > 0 && took > 0)
    .map(([planned, took]) => Math.log(took / planned))
    .filter((ratio) => Math.abs(ratio) <= Math.log(mostTimes));

/**
 * How far people and ovens stray from the plan, by what was written down: how late a load went in though its oven was free,
 * how long it baked beside its pull, how long mixing took beside its time. Few records change the usual figures little.
 * Cooling leaves no mark, and keeps its usual spread.
 * @param batches as they were planned
 * @param floor by all entries of their lots
 * @param loadGapS between two loads of one oven
 */
export const learnSpreads = (
  batches: readonly BatchPlan[],
  floor: FloorState,
  loadGapS: number,
): LearnedSpreads => {
  const ovens = bakedOf(batches, floor);
  const late = ovens.flatMap((loads) =>
    loads.flatMap(({ startS, plannedS }, i) => {
      const before = loads[i - 1];
      // A load that waits for the one before it is late by that one.
      const freeS = Math.max(plannedS, before?.endS ? before.endS + loadGapS : plannedS);
      const byS = Math.max(0, startS - freeS);
      return byS <= mostLateS ? [byS] : [];
    }),
  );
  const pulls = ratios(
    ovens
      .flat()
      .flatMap(({ startS, endS, pullS }) => (endS === null ? [] : [[pullS, endS - startS] as const])),
  );
  const works = ratios(
    batches.flatMap((batch) => {
      const lot = floor.lots.get(batch.batchId);
      const mix = batch.tasks.find(({ kind }) => kind === 'mix');
      return mix && lot?.begun && lot.mixed
        ? [[mix.endS - mix.startS, (lot.mixed.atMs - lot.begun.atMs) / 1000] as const]
        : [];
    }),
  );
  return {
    lateS:
      (usualWeigh * usualSpreads.lateS + late.reduce((sum, byS) => sum + byS, 0)) /
      (usualWeigh + late.length),
    pullShare: blended(usualSpreads.pullShare, pulls),
    workShare: blended(usualSpreads.workShare, works),
    coolShare: usualSpreads.coolShare,
    loads: late.length,
    pulls: pulls.length,
    works: works.length,
  };
};
