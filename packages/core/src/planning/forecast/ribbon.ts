import type { BakeCurves } from '../../bake/index.js';
import type { HouseRules } from '../../bakery/index.js';
import { coverOf, type Formula } from '../../formula/index.js';
import { coreAt, restCurve, type ConductResult, type Place } from '../../thermal/index.js';
import type { BatchPlan, Load, Task } from '../problem/plan.js';

export type RibbonPlaceKind = 'mixer' | 'bench' | 'cold' | 'oven' | 'rack';

/** One stretch of a batch's way: where it is, and the temperature of its dough as computed. */
export interface RibbonSegment {
  readonly batchId: string;
  readonly productCode: string;
  readonly loadId?: string;
  readonly kind: RibbonPlaceKind;
  readonly placeId: string;
  readonly startS: number;
  readonly endS: number;
  readonly samples: readonly { readonly atS: number; readonly temperatureC: number }[];
}

const evenly = (startS: number, endS: number, of: (afterS: number) => number, n = 12) =>
  Array.from({ length: n + 1 }, (_, i) => {
    const atS = startS + ((endS - startS) * i) / n;
    return { atS, temperatureC: Math.round(of(atS - startS) * 10) / 10 };
  });

const curveAt = (curves: BakeCurves, timeS: number): number => {
  const i = curves.timesS.findIndex((t) => t >= timeS);
  return (i === -1 ? curves.centreC.at(-1) : curves.centreC[i]) ?? Number.NaN;
};

/** Past the simulated end the piece goes on cooling toward the room; time constant of the last simulated minutes, about. */
const coolingS = 900;

/** Stays are computed to the next whole stretch, so that a plan that moves its work by minutes finds the curve again. */
const stretchS = 3600;
const mostS = 2 * 86_400;

const coldCurve = (
  task: Task,
  batch: BatchPlan,
  formula: Formula,
  place: Place,
  startC: number,
): ConductResult =>
  restCurve({
    formula,
    form: formula.rest.form === 'tub' && task.id.endsWith('/rest') ? 'tub' : 'pieces',
    tubMassG: Math.min(8000, batch.massG),
    place,
    cover: coverOf(formula.rest),
    startC,
    targetC: place.airC + 1,
    durationS: Math.min(mostS, stretchS * Math.ceil((task.endS - task.startS) / stretchS)),
  }).curve;

const loadSegments = (
  batch: BatchPlan,
  load: Load,
  curves: BakeCurves,
  rules: HouseRules,
  roomC: number,
): RibbonSegment[] => {
  const base = { batchId: batch.batchId, productCode: batch.productCode, loadId: load.id };
  const pulledS = load.startS + load.pullS;
  const onRack = batch.tasks.filter(
    (task) => task.loadId === load.id && ['rack', 'ice', 'dry', 'pack'].includes(task.kind),
  );
  const endS = onRack.length > 0 ? Math.max(...onRack.map((task) => task.endS)) : pulledS + rules.coolS;
  const lastS = curves.timesS.at(-1) ?? 0;
  const lastC = curves.centreC.at(-1) ?? roomC;
  const after = (sincePullS: number) => {
    const t = load.pullS + sincePullS;
    return t <= lastS ? curveAt(curves, t) : roomC + (lastC - roomC) * Math.exp(-(t - lastS) / coolingS);
  };
  return [
    {
      ...base,
      kind: 'oven',
      placeId: load.ovenId,
      startS: load.startS,
      endS: pulledS,
      samples: evenly(load.startS, pulledS, (t) => curveAt(curves, t)),
    },
    { ...base, kind: 'rack', placeId: 'racks', startS: pulledS, endS, samples: evenly(pulledS, endS, after) },
  ];
};

/** The way of a batch through its places, with the computed temperature of its dough along it. */
export const ribbonOf = (
  batch: BatchPlan,
  formula: Formula,
  places: readonly Place[],
  curvesOf: (ovenId: string) => BakeCurves | undefined,
  rules: HouseRules,
): readonly RibbonSegment[] => {
  const base = { batchId: batch.batchId, productCode: batch.productCode };
  const roomC = places.find((p) => p.kind === 'bench')?.airC ?? 24;
  const segments: RibbonSegment[] = [];
  const lies = batch.stock && places.find((p) => p.kind === batch.stock?.placeKind);
  let doughC = lies?.airC ?? rules.doughC;
  for (const task of [...batch.tasks].sort((a, b) => a.startS - b.startS || a.endS - b.endS)) {
    if (task.loadId !== undefined || task.endS <= task.startS) continue;
    const flat = (kind: RibbonPlaceKind, placeId: string) =>
      segments.push({
        ...base,
        kind,
        placeId,
        startS: task.startS,
        endS: task.endS,
        samples: evenly(task.startS, task.endS, () => doughC, 1),
      });
    if (task.kind === 'mix') flat('mixer', batch.mixerId);
    else if (task.kind === 'portion') flat('bench', 'bench');
    else if (task.kind === 'temper') {
      const thaws = formula.rest.form === 'bag' || batch.stock?.placeKind === 'freezer';
      const place = places.find((p) => p.kind === (thaws ? 'walk-in' : 'bench'));
      if (!place) continue;
      const curve = coldCurve({ ...task, id: `${batch.batchId}/rest` }, batch, formula, place, doughC);
      segments.push({
        ...base,
        kind: place.kind === 'bench' ? 'bench' : 'cold',
        placeId: place.id,
        startS: task.startS,
        endS: task.endS,
        samples: evenly(task.startS, task.endS, (t) => coreAt(curve, t)),
      });
      doughC = coreAt(curve, task.endS - task.startS);
    } else if (task.kind === 'rest') {
      const placeKind = task.id.endsWith('/wait')
        ? 'walk-in'
        : (batch.stock?.placeKind ?? formula.rest.placeKind);
      const place = places.find((p) => p.kind === placeKind);
      if (!place) continue;
      const curve = coldCurve(task, batch, formula, place, doughC);
      const kind = place.kind === 'bench' ? 'bench' : 'cold';
      segments.push({
        ...base,
        kind,
        placeId: place.id,
        startS: task.startS,
        endS: task.endS,
        samples: evenly(task.startS, task.endS, (t) => coreAt(curve, t), 24),
      });
      doughC = coreAt(curve, task.endS - task.startS);
    }
  }
  for (const load of batch.loads) {
    const curves = curvesOf(load.ovenId);
    if (curves) segments.push(...loadSegments(batch, load, curves, rules, roomC));
  }
  return segments;
};
