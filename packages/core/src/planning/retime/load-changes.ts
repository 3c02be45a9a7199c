import type { BatchPlan, Load } from '../problem/plan.js';
import { piecesOf } from '../problem/tasks.js';
import { aboutS, loadsOf, type LoadChange, type ReplanQuestion } from './replan-question.js';

/** What people are told: loads that have not started and are to be baked elsewhere or at another time than planned. */
export const changesOf = (
  { planned, started }: Pick<ReplanQuestion, 'planned' | 'started'>,
  batches: readonly BatchPlan[],
): readonly LoadChange[] => {
  const before = new Map(loadsOf(planned).map((load) => [load.id, load]));
  const after = new Map(loadsOf(batches).map((load) => [load.id, load]));
  const codes = new Map([...planned, ...batches].map(({ batchId, productCode }) => [batchId, productCode]));
  const at = (load: Load | undefined) => (load ? { ovenId: load.ovenId, startS: load.startS } : null);
  return [...new Set([...before.keys(), ...after.keys()])]
    .filter((id) => !started.has(id))
    .flatMap((loadId): LoadChange[] => {
      const [old, now] = [before.get(loadId), after.get(loadId)];
      const known = now ?? old;
      if (!known) return [];
      const same =
        old &&
        now &&
        old.ovenId === now.ovenId &&
        Math.abs(old.startS - now.startS) < aboutS &&
        piecesOf(old) === piecesOf(now);
      return same
        ? []
        : [
            {
              loadId,
              batchId: known.batchId,
              productCode: codes.get(known.batchId) ?? '',
              pieces: piecesOf(known),
              from: at(old),
              to: at(now),
            },
          ];
    })
    .sort((a, b) => (a.to ?? a.from)!.startS - (b.to ?? b.from)!.startS);
};
