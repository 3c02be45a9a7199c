import { say } from '../../shown/index.js';
import type { PlanStock } from '../problem/plan-stock.js';
import type { BatchPlan, Load, Task } from '../problem/plan.js';
import type { PlanProblem, PlanProduct } from '../problem/problem.js';
import { checkHands } from './check-resources.js';
import type { Violation } from './violation.js';

/** Dough that exists is loaded, or portioned, while it is good, and is never mixed. */
export const checkStock = (
  problem: PlanProblem,
  product: PlanProduct,
  stock: PlanStock,
  batch: BatchPlan,
  waitMaxS: number,
): Violation[] => {
  const begun = problem.fixed.some(({ batchId }) => batchId === batch.batchId);
  const found = [...checkLoads(product, batch, begun)];
  const broken = (code: Violation['code'], message: string) =>
    found.push({ code, where: batch.batchId, message: `${batch.batchId}: ${message}` });
  const starts = batch.loads.map((load) => load.startS);
  const [first, last] = [Math.min(...starts), Math.max(...starts)];
  const portion = batch.tasks.find((task) => task.kind === 'portion');
  const usedS = stock.form === 'tub' ? [portion?.startS ?? Number.NaN] : [first, last];
  if (!usedS.every((s) => s >= stock.fromS && s <= stock.toS))
    broken('rest-window', say`its dough is used before it is ready, or when it is too old.`);
  if (stock.form === 'tub' && !(portion && first >= portion.endS && last - portion.endS <= waitMaxS))
    broken('precedence', say`it is baked before it is portioned, or waits too long after.`);
  if (!begun && (usedS[0] as number) - stock.temperS < problem.nowS - 1e-6)
    broken('past', say`it would have to begin before now.`);
  return found;
};

/** From the pull on: flattened hot, cold before it is iced, dry before it is packed, and ready only then. */
const checkAfterOven = (product: PlanProduct, batch: BatchPlan, load: Load, begun: boolean): Violation[] => {
  const found: Violation[] = [];
  const broken = (message: string) =>
    found.push({ code: 'precedence', where: batch.batchId, message: `${batch.batchId}: ${message}` });
  const { flattenPieceS = 0, icePieceS = 0, dryS = 0, packPieceS = 0 } = product.after ?? {};
  const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
  const pulledS = load.startS + load.pullS;
  const coldS = pulledS + product.trayRestS + product.coolS;
  // What has begun was planned by the rules of its time.
  if (begun) {
    if (load.readyS < coldS + product.packS) broken(say`${load.id} counts as ready before it is cold.`);
    return found;
  }
  const handsAt = (kind: Task['kind'], pieceS: number, what: string): Task | undefined => {
    if (pieceS <= 0) return undefined;
    const task = batch.tasks.find((own) => own.kind === kind && own.loadId === load.id);
    if (!task) broken(say`${load.id} is nowhere ${what}.`);
    else if (task.endS - task.startS < pieces * pieceS - 1e-6)
      broken(say`${load.id} is ${what} in less time than its pieces take.`);
    return task;
  };
  const flat = handsAt('flatten', flattenPieceS, say`pressed flat`);
  const { trayS = 0, ownHands = true } = product.atOven ?? {};
  const outS = ownHands ? 0 : trayS * load.trays.length;
  if (flat && (flat.startS < pulledS - 1 || flat.startS > pulledS + outS + 1))
    broken(say`${load.id} is not pressed flat at its pull.`);
  const ice = handsAt('ice', icePieceS, say`iced`);
  if (ice && ice.startS < coldS - 1e-6) broken(say`${load.id} is iced before it is cold.`);
  const dryByS = icePieceS > 0 ? (ice?.endS ?? coldS) + dryS : coldS;
  const pack = handsAt('pack', packPieceS, say`packed`);
  if (pack && pack.startS < dryByS - 1e-6)
    broken(ice ? say`${load.id} is packed before it is dry.` : say`${load.id} is packed before it is cold.`);
  if (load.readyS < Math.max(dryByS + product.packS, pack?.endS ?? 0) - 1e-6)
    broken(
      pack
        ? say`${load.id} counts as ready before it is packed.`
        : say`${load.id} counts as ready before it is cold.`,
    );
  return found;
};

/** Somebody puts it in before it bakes, turns it while it does, and is there when it comes out. */
const checkAtOven = (product: PlanProduct, batch: BatchPlan, load: Load): Violation[] => {
  const worksS = (product.atOven?.trayS ?? 0) * load.trays.length;
  if (worksS <= 0) return [];
  const pulledS = load.startS + load.pullS;
  const rules: readonly (readonly [Task['kind'], string, (task: Task) => boolean])[] = [
    ['load', say`put in`, ({ endS }) => endS <= load.startS + 1],
    ['turn', say`turned`, ({ startS }) => startS > load.startS && startS < pulledS],
    ['pull', say`taken out`, ({ startS }) => startS >= pulledS - 1 && startS <= pulledS + 60],
  ];
  return rules.flatMap(([kind, what, holds]) => {
    const task = batch.tasks.find((own) => own.kind === kind && own.loadId === load.id);
    const says = (message: string): Violation[] => [
      { code: 'precedence', where: batch.batchId, message: `${batch.batchId}: ${load.id} ${message}` },
    ];
    if (!task) return says(say`is ${what} by nobody.`);
    if (task.endS - task.startS < worksS - 1e-6)
      return says(say`is ${what} in less time than its trays take.`);
    return holds(task) ? [] : says(say`is not ${what} when it has to be.`);
  });
};

/** Loads and their tasks, and that all pieces are on trays. */
export const checkLoads = (product: PlanProduct, batch: BatchPlan, begun: boolean): Violation[] => {
  const found: Violation[] = [];
  const broken = (code: Violation['code'], message: string) =>
    found.push({ code, where: batch.batchId, message: `${batch.batchId}: ${message}` });
  for (const load of batch.loads) {
    const task = batch.tasks.find((t) => t.kind === 'bake' && t.loadId === load.id);
    if (!task || task.startS !== load.startS || task.endS !== load.startS + load.pullS)
      broken('precedence', say`${load.id} and its bake task differ.`);
    found.push(...checkAfterOven(product, batch, load, begun));
    // What has begun was planned by the rules of its time.
    if (!begun) found.push(...checkAtOven(product, batch, load));
    if (load.trays.some((tray) => tray.pieces > product.perTray))
      broken('pieces', say`${load.id} has more pieces on a tray than fit.`);
  }
  if (!begun) found.push(...checkHands(product, batch));
  const onTrays = batch.loads.flatMap((load) => load.trays).reduce((sum, tray) => sum + tray.pieces, 0);
  if (onTrays !== batch.pieces)
    broken('pieces', say`${onTrays} pieces are on trays, ${batch.pieces} were portioned.`);
  return found;
};
