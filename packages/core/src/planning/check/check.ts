import { formatNumber, sayDuration } from '../../shown/index.js';
import {
  coldOvenC,
  leftInBowl,
  washedAfterS,
  type Availability,
  type BatchPlan,
  type Load,
  type Plan,
  type PlanProblem,
  type PlanProduct,
  type PlanStock,
  type Resource,
  type Task,
} from '../problem/problem.js';

/** A rule of the floor that a plan breaks. */
export interface Violation {
  readonly code:
    'capacity' | 'precedence' | 'rest-window' | 'oven' | 'late' | 'pieces' | 'past' | 'hours' | 'bowl';
  readonly where: string;
  readonly message: string;
}

/*
 * An independent judge of plans: it shares no code with the solver but the problem's words, and recounts every
 * capacity, window and piece from the tasks and loads themselves.
 */

const capacityAt = (resource: Resource, atS: number): number =>
  resource.when
    ? resource.when.filter((a) => a.fromS <= atS && atS < a.toS).reduce((sum, a) => sum + a.capacity, 0)
    : resource.capacity;

const checkCapacity = (problem: PlanProblem, tasks: readonly Task[]): Violation[] =>
  problem.resources.flatMap((resource) => {
    const uses = tasks.flatMap((task) =>
      task.uses.filter((u) => u.resourceId === resource.id).map((u) => ({ task, amount: u.amount })),
    );
    // Usage and capacity only change at these moments.
    const moments = [
      ...uses.flatMap(({ task }) => [task.startS, task.endS]),
      ...(resource.when ?? []).flatMap((a) => [a.fromS, a.toS]),
    ];
    for (const atS of [...new Set(moments)].sort((a, b) => a - b)) {
      const used = uses
        .filter(({ task }) => task.startS <= atS && atS < task.endS)
        .reduce((sum, { amount }) => sum + amount, 0);
      const there = capacityAt(resource, atS);
      if (used > there) {
        return [
          {
            code: 'capacity' as const,
            where: resource.id,
            message: `${resource.name}: ${used} are needed at once, ${there} are there.`,
          },
        ];
      }
    }
    return [];
  });

const checkUnknown = (problem: PlanProblem, tasks: readonly Task[]): Violation[] => {
  const known = new Set(problem.resources.map((r) => r.id));
  return tasks.flatMap((task) =>
    task.uses
      .filter((use) => !known.has(use.resourceId))
      .map((use) => ({
        code: 'capacity' as const,
        where: task.id,
        message: `${task.id} uses ${use.resourceId}, which does not exist.`,
      })),
  );
};

/** Whether somebody is there over the whole stretch, in one shift or in several that follow each other. */
const isAttended = (hours: readonly Availability[], startS: number, endS: number): boolean => {
  let coveredS = startS;
  for (const { fromS, toS, capacity } of [...hours].sort((a, b) => a.fromS - b.fromS))
    if (capacity > 0 && fromS <= coveredS) coveredS = Math.max(coveredS, toS);
  return coveredS >= endS;
};

const checkOvens = (problem: PlanProblem, batches: readonly BatchPlan[]): Violation[] =>
  problem.ovens.flatMap((oven) => {
    const loads = batches
      .flatMap((b) => b.loads)
      .filter((load) => load.ovenId === oven.id)
      .sort((a, b) => a.startS - b.startS);
    const found: Violation[] = [];
    loads.forEach((load, i) => {
      const endS = load.startS + load.pullS;
      if (load.trays.length > oven.places) {
        found.push({
          code: 'oven',
          where: load.id,
          message: `${load.id}: ${load.trays.length} trays in ${oven.name}, which has ${oven.places} places.`,
        });
      }
      if (!isAttended(problem.ovenHours, load.startS, endS)) {
        found.push({
          code: 'hours',
          where: load.id,
          message: `${load.id} bakes outside the hours of the ovens.`,
        });
      }
      const opens = Math.max(
        ...problem.ovenHours.filter(({ fromS }) => fromS <= load.startS).map(({ fromS }) => fromS),
      );
      const heats = (60 * Math.max(0, load.setC - coldOvenC)) / oven.degreesPerMin;
      const begun = [...problem.fixed, ...(problem.taken ?? [])].some(
        ({ batchId }) => batchId === load.batchId,
      );
      if (problem.coldOvens && !begun && opens > problem.nowS && load.startS < opens + heats - 1e-6)
        found.push({
          code: 'oven',
          where: load.id,
          message: `${load.id}: ${oven.name} is cold when its hours begin, and takes ${sayDuration(heats)} to ${formatNumber(load.setC)} °C.`,
        });
      const next = loads[i + 1];
      if (!next) return;
      const needs = problem.loadGapS + (60 * Math.abs(next.setC - load.setC)) / oven.degreesPerMin;
      if (next.startS - endS < needs - 1e-6) {
        found.push({
          code: 'oven',
          where: next.id,
          message: `${oven.name}: ${next.id} follows ${load.id} after ${sayDuration(next.startS - endS)}; emptying, filling and the change of temperature take ${sayDuration(needs)}.`,
        });
      }
    });
    return found;
  });

/** Between two doughs in one bowl it is cleaned of what the second does not declare. Two that have begun are facts. */
const checkBowls = (problem: PlanProblem, batches: readonly BatchPlan[]): Violation[] => {
  const { bowls } = problem;
  if (!bowls) return [];
  const facts = new Set([...problem.fixed, ...(problem.taken ?? [])].map(({ batchId }) => batchId));
  const mixed = batches
    .flatMap((batch) => {
      const mix = batch.tasks.find(({ kind }) => kind === 'mix');
      return mix ? [{ batch, mix }] : [];
    })
    .sort((a, b) => a.mix.startS - b.mix.startS);
  return mixed.flatMap(({ batch, mix }, i) => {
    const before = mixed.slice(0, i).findLast((other) => other.batch.mixerId === batch.mixerId);
    if (!before || (facts.has(batch.batchId) && facts.has(before.batch.batchId))) return [];
    const apartS = mix.startS - before.mix.endS;
    const left = leftInBowl(bowls, before.batch.productCode, batch.productCode);
    if (left.length === 0 || apartS >= Math.min(bowls.cleanS, washedAfterS)) return [];
    return [
      {
        code: 'bowl' as const,
        where: batch.batchId,
        message: `${batch.batchId}: mixed ${sayDuration(apartS)} after ${before.batch.batchId} in the same bowl, which is to be cleaned of ${left.join(', ')} before: ${sayDuration(bowls.cleanS)}.`,
      },
    ];
  });
};

/** Dough that exists is loaded, or portioned, while it is good, and is never mixed. */
const checkStock = (
  problem: PlanProblem,
  product: PlanProduct,
  stock: PlanStock,
  batch: BatchPlan,
  waitMaxS: number,
): Violation[] => {
  const begun = problem.fixed.some(({ batchId }) => batchId === batch.batchId);
  const found = [...checkLoads(product, batch, begun)];
  const say = (code: Violation['code'], message: string) =>
    found.push({ code, where: batch.batchId, message: `${batch.batchId}: ${message}` });
  const starts = batch.loads.map((load) => load.startS);
  const [first, last] = [Math.min(...starts), Math.max(...starts)];
  const portion = batch.tasks.find((task) => task.kind === 'portion');
  const usedS = stock.form === 'tub' ? [portion?.startS ?? Number.NaN] : [first, last];
  if (!usedS.every((s) => s >= stock.fromS && s <= stock.toS))
    say('rest-window', 'its dough is used before it is ready, or when it is too old.');
  if (stock.form === 'tub' && !(portion && first >= portion.endS && last - portion.endS <= waitMaxS))
    say('precedence', 'it is baked before it is portioned, or waits too long after.');
  if (!begun && (usedS[0] as number) - stock.temperS < problem.nowS - 1e-6)
    say('past', 'it would have to begin before now.');
  return found;
};

/** From the pull on: flattened hot, cold before it is iced, dry before it is packed, and ready only then. */
const checkAfterOven = (product: PlanProduct, batch: BatchPlan, load: Load, begun: boolean): Violation[] => {
  const found: Violation[] = [];
  const say = (message: string) =>
    found.push({ code: 'precedence', where: batch.batchId, message: `${batch.batchId}: ${message}` });
  const { flattenPieceS = 0, icePieceS = 0, dryS = 0, packPieceS = 0 } = product.after ?? {};
  const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
  const pulledS = load.startS + load.pullS;
  const coldS = pulledS + product.trayRestS + product.coolS;
  // What has begun was planned by the rules of its time.
  if (begun) {
    if (load.readyS < coldS + product.packS) say(`${load.id} counts as ready before it is cold.`);
    return found;
  }
  const handsAt = (kind: Task['kind'], pieceS: number, what: string): Task | undefined => {
    if (pieceS <= 0) return undefined;
    const task = batch.tasks.find((own) => own.kind === kind && own.loadId === load.id);
    if (!task) say(`${load.id} is nowhere ${what}.`);
    else if (task.endS - task.startS < pieces * pieceS - 1e-6)
      say(`${load.id} is ${what} in less time than its pieces take.`);
    return task;
  };
  const flat = handsAt('flatten', flattenPieceS, 'pressed flat');
  const { trayS = 0, ownHands = true } = product.atOven ?? {};
  const outS = ownHands ? 0 : trayS * load.trays.length;
  if (flat && (flat.startS < pulledS - 1 || flat.startS > pulledS + outS + 1))
    say(`${load.id} is not pressed flat at its pull.`);
  const ice = handsAt('ice', icePieceS, 'iced');
  if (ice && ice.startS < coldS - 1e-6) say(`${load.id} is iced before it is cold.`);
  const dryByS = icePieceS > 0 ? (ice?.endS ?? coldS) + dryS : coldS;
  const pack = handsAt('pack', packPieceS, 'packed');
  if (pack && pack.startS < dryByS - 1e-6) say(`${load.id} is packed before it is ${ice ? 'dry' : 'cold'}.`);
  if (load.readyS < Math.max(dryByS + product.packS, pack?.endS ?? 0) - 1e-6)
    say(`${load.id} counts as ready before it is ${pack ? 'packed' : 'cold'}.`);
  return found;
};

/** Work that a person does takes up a person: those at the ovens, or those of the line. */
const checkHands = (product: PlanProduct, batch: BatchPlan): Violation[] =>
  batch.tasks.flatMap((task) => {
    const atOven = ['load', 'turn', 'pull'].includes(task.kind);
    if (!atOven && !['prepare', 'mix', 'portion', 'flatten', 'ice', 'pack'].includes(task.kind)) return [];
    const who = atOven && product.atOven?.ownHands ? 'oven-hands' : 'hands';
    if (task.uses.some(({ resourceId, amount }) => resourceId === who && amount >= 1)) return [];
    return [
      {
        code: 'precedence' as const,
        where: batch.batchId,
        message: `${batch.batchId}: ${task.id} is done by nobody.`,
      },
    ];
  });

/** Somebody puts it in before it bakes, turns it while it does, and is there when it comes out. */
const checkAtOven = (product: PlanProduct, batch: BatchPlan, load: Load): Violation[] => {
  const worksS = (product.atOven?.trayS ?? 0) * load.trays.length;
  if (worksS <= 0) return [];
  const pulledS = load.startS + load.pullS;
  const rules: readonly (readonly [Task['kind'], string, (task: Task) => boolean])[] = [
    ['load', 'put in', ({ endS }) => endS <= load.startS + 1],
    ['turn', 'turned', ({ startS }) => startS > load.startS && startS < pulledS],
    ['pull', 'taken out', ({ startS }) => startS >= pulledS - 1 && startS <= pulledS + 60],
  ];
  return rules.flatMap(([kind, what, holds]) => {
    const task = batch.tasks.find((own) => own.kind === kind && own.loadId === load.id);
    const says = (message: string): Violation[] => [
      { code: 'precedence', where: batch.batchId, message: `${batch.batchId}: ${load.id} ${message}` },
    ];
    if (!task) return says(`is ${what} by nobody.`);
    if (task.endS - task.startS < worksS - 1e-6) return says(`is ${what} in less time than its trays take.`);
    return holds(task) ? [] : says(`is not ${what} when it has to be.`);
  });
};

/** Loads and their tasks, and that all pieces are on trays. */
const checkLoads = (product: PlanProduct, batch: BatchPlan, begun: boolean): Violation[] => {
  const found: Violation[] = [];
  const say = (code: Violation['code'], message: string) =>
    found.push({ code, where: batch.batchId, message: `${batch.batchId}: ${message}` });
  for (const load of batch.loads) {
    const task = batch.tasks.find((t) => t.kind === 'bake' && t.loadId === load.id);
    if (!task || task.startS !== load.startS || task.endS !== load.startS + load.pullS)
      say('precedence', `${load.id} and its bake task differ.`);
    found.push(...checkAfterOven(product, batch, load, begun));
    // What has begun was planned by the rules of its time.
    if (!begun) found.push(...checkAtOven(product, batch, load));
    if (load.trays.some((tray) => tray.pieces > product.perTray))
      say('pieces', `${load.id} has more pieces on a tray than fit.`);
  }
  if (!begun) found.push(...checkHands(product, batch));
  const onTrays = batch.loads.flatMap((load) => load.trays).reduce((sum, tray) => sum + tray.pieces, 0);
  if (onTrays !== batch.pieces)
    say('pieces', `${onTrays} pieces are on trays, ${batch.pieces} were portioned.`);
  return found;
};

const checkBatch = (
  problem: PlanProblem,
  product: PlanProduct,
  batch: BatchPlan,
  waitMaxS: number,
): Violation[] => {
  const found: Violation[] = [];
  const say = (code: Violation['code'], message: string) =>
    found.push({ code, where: batch.batchId, message: `${batch.batchId}: ${message}` });
  const one = (kind: Task['kind']) => batch.tasks.find((task) => task.kind === kind);
  const own = product.batches.find(({ id }) => id === batch.batchId);
  const stock = own?.stock ?? batch.stock;
  if (stock) return checkStock(problem, product, stock, batch, waitMaxS);
  const mix = one('mix');
  const portion = one('portion');
  const begun = problem.fixed.some(({ batchId }) => batchId === batch.batchId);
  if (!mix || !portion) {
    say('precedence', 'mixing or portioning is missing.');
    return found;
  }
  // Not baked at all: that its pieces are missing is all there is to say.
  if (batch.loads.length === 0) return checkLoads(product, batch, begun);
  const starts = batch.loads.map((load) => load.startS);
  const [first, last] = [Math.min(...starts), Math.max(...starts)];
  if (batch.tasks.some((task) => task.kind === 'prepare' && task.endS > mix.startS))
    say('precedence', 'something is made ready for it only after it is mixed.');
  if (portion.startS < mix.endS) say('precedence', 'it is portioned before it is mixed.');
  if (first < portion.endS) say('precedence', 'it is baked before it is portioned.');
  const { rest } = product;
  const rested =
    rest.form === 'tub' ? [portion.startS - mix.endS] : [first - portion.endS, last - portion.endS];
  for (const restS of rested) {
    if (restS < rest.minS || restS > rest.maxS) {
      say(
        'rest-window',
        `it rests ${sayDuration(restS)}; its window is ${sayDuration(rest.minS)} to ${sayDuration(rest.maxS)}.`,
      );
    }
  }
  if (rest.form === 'tub' && last - portion.endS > waitMaxS)
    say('rest-window', 'portioned pieces wait too long for the oven.');
  found.push(...checkLoads(product, batch, begun));
  const mixers = own?.mixerIds ?? (own ? [own.mixerId] : [batch.mixerId]);
  if (!mixers.includes(batch.mixerId)) say('capacity', `${batch.mixerId} does not take it.`);
  if (!begun && Math.min(...batch.tasks.map((t) => t.startS)) < problem.nowS) {
    say('past', 'it would have to begin before now.');
  }
  return found;
};

/** Cumulative pieces ready must cover cumulative pieces due, at every ready-by. */
const checkReadiness = (product: PlanProduct, batches: readonly BatchPlan[], undone: number): Violation[] => {
  const loads = batches.flatMap((b) => b.loads);
  const total = product.demands.reduce((sum, d) => sum + d.pieces, 0);
  return product.demands.flatMap((demand) => {
    const due = product.demands
      .filter((d) => d.readyByS <= demand.readyByS)
      .reduce((sum, d) => sum + d.pieces, 0);
    const ready = loads
      .filter((load) => load.readyS <= demand.readyByS)
      .reduce((sum, load) => sum + load.trays.reduce((n, tray) => n + tray.pieces, 0), 0);
    // What the plan openly leaves undone is said elsewhere; it is not counted again here.
    const open = undone >= total ? due : undone;
    return ready + open < due
      ? [
          {
            code: 'late' as const,
            where: product.code,
            message: `${product.name} for ${demand.name}: ${due} pieces are due, ${ready} would be ready.`,
          },
        ]
      : [];
  });
};

/**
 * Every rule that the plan breaks; an empty list proves that it breaks none of: capacities, shifts and oven hours,
 * one load at a time per chamber with its temperature changes, order of work, rest windows, ready-by, piece counts.
 * @param waitMaxS longest wait of portioned tub dough
 */
export const checkPlan = (problem: PlanProblem, plan: Plan, waitMaxS = 3 * 3600): readonly Violation[] => {
  const standing = [...plan.batches, ...(problem.taken ?? [])];
  const tasks = standing.flatMap((batch) => batch.tasks);
  const of = (code: string) => plan.batches.filter((batch) => batch.productCode === code);
  return [
    ...checkUnknown(problem, tasks),
    ...checkCapacity(problem, tasks),
    ...checkOvens(problem, standing),
    ...checkBowls(problem, standing),
    ...problem.products.flatMap((product) => [
      ...of(product.code).flatMap((batch) => checkBatch(problem, product, batch, waitMaxS)),
      ...checkReadiness(
        product,
        of(product.code),
        plan.unplaced.filter((u) => u.productCode === product.code).reduce((sum, u) => sum + u.pieces, 0),
      ),
    ]),
  ];
};
