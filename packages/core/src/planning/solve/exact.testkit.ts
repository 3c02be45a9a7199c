import { chance } from '../../quantity/index.js';
import type { Task } from '../problem/plan.js';
import type { PlanProblem, PlanProduct } from '../problem/problem.js';
import { smallProblem } from '../problem/problem.testkit.js';
import { loadTasks, workTasks } from '../problem/tasks.js';
import { solved } from './linear.testkit.js';

/*
 * An exact peer: an integer program over small days in slots of ten minutes, where the dough of each batch rests exactly
 * as long as it must. It knows fewer plans than there are, so whatever it places can be placed.
 */
const slotS = 600;
const slots = 60;

const one = (random: ReturnType<typeof chance>, code: string): PlanProduct => {
  const whole = (from: number, to: number) => Math.floor(random.between(from, to + 1));
  const pieces = 12 * whole(1, 3);
  return {
    code,
    name: code,
    rest: {
      form: 'pieces',
      placeKind: 'walk-in',
      minS: slotS * whole(0, 6),
      bestS: slotS * 6,
      maxS: slotS * whole(6, 20),
      temperS: 0,
    },
    demands: [{ name: 'Kiosk', readyByS: slotS * whole(14, 34), pieces }],
    batches: [{ id: `${code}-A`, mixerId: 'mixer', massG: 1500, pieces }],
    perTray: 12,
    restingPerTray: 50,
    bakes: ['oven', ...(random.between(0, 1) < 0.5 ? ['second'] : [])].map((ovenId) => ({
      ovenId,
      setC: 170,
      pullS: slotS * whole(1, 3),
    })),
    mixS: slotS * whole(1, 2),
    portionSetUpS: slotS,
    portionSPerPiece: 0,
    trayRestS: 300,
    coolS: slotS * whole(1, 4),
    packS: 300,
  };
};

/** A small day on which not everything need find room. */
export const tightDay = (seed: number): PlanProblem => {
  const random = chance(seed);
  const whole = (from: number, to: number) => Math.floor(random.between(from, to + 1));
  const products = Array.from({ length: whole(2, 6) }, (_, i) => one(random, `P${i}`));
  return smallProblem({
    products,
    ovens: [
      { id: 'oven', name: 'Oven', places: 3, degreesPerMin: 5 },
      { id: 'second', name: 'Second', places: 3, degreesPerMin: 5, coolsPerMin: 1 },
    ],
    ovenHours: [{ fromS: slotS * whole(0, 8), toS: slotS * slots, capacity: 1 }],
    loadGapS: slotS,
    resources: [
      { id: 'hands', name: 'Hands', capacity: 1, when: [{ fromS: 0, toS: slotS * slots, capacity: 1 }] },
      { id: 'trays', name: 'Trays', capacity: whole(4, 9) },
      { id: 'racks', name: 'Racks', capacity: whole(3, 6) },
      { id: 'mixer', name: 'Mixer', capacity: 1 },
      { id: 'walk-in/trays', name: 'Walk-in, tray places', capacity: whole(1, 3) },
    ],
  });
};

/** The most pieces of single-load batches that the integer program places. */
export const exactPlan = (
  problem: PlanProblem,
): { readonly pieces: number; readonly chosen: readonly string[] } => {
  const goal: string[] = [];
  const names: string[] = [];
  const rows: string[] = [];
  const used = new Map<string, string[]>();
  const use = (key: string, amount: number, name: string) =>
    used.set(key, [...(used.get(key) ?? []), `+ ${amount} ${name}`]);
  problem.products.forEach((product, p) => {
    const [batch] = product.batches;
    const [demand] = product.demands;
    if (!batch || !demand) return;
    const own: string[] = [];
    for (const bake of product.bakes)
      for (let k = 0; k < slots; k++) {
        const startS = k * slotS;
        const after = product.trayRestS + product.coolS + product.packS;
        const mixStartS = startS - product.rest.minS - product.portionSetUpS - product.mixS;
        const attended = (problem.ovenHours[0]?.fromS ?? 0) <= startS;
        if (mixStartS < 0 || !attended || startS + bake.pullS + after > demand.readyByS) continue;
        const name = `x_${p}_${bake.ovenId}_${k}`;
        const trays = Math.ceil(batch.pieces / product.perTray);
        const load = {
          id: name,
          batchId: batch.id,
          ...bake,
          startS,
          readyS: 0,
          dueS: 0,
          trays: Array.from({ length: trays }, (_, i) => ({ id: `${i}`, position: i + 1, pieces: 12 })),
        };
        const moments = { mixStartS, portionStartS: mixStartS + product.mixS };
        const tasks: readonly Task[] = [
          ...workTasks(product, batch, moments, [load]),
          ...loadTasks(product, load),
        ];
        const chamber = {
          startS,
          endS: startS + bake.pullS + problem.loadGapS,
          uses: [{ resourceId: bake.ovenId, amount: 1 }],
        };
        for (const { startS: from, endS: to, uses } of [...tasks, chamber])
          for (let slot = Math.floor(from / slotS); slot * slotS < to; slot++)
            for (const { resourceId, amount } of uses) use(`${resourceId}/${slot}`, amount, name);
        names.push(name);
        own.push(`+ ${name}`);
        goal.push(`+ ${batch.pieces} ${name}`);
      }
    if (own.length > 0) rows.push(`${own.join(' ')} <= 1`);
  });
  if (names.length === 0) return { pieces: 0, chosen: [] };
  for (const [key, terms] of used) {
    const id = key.slice(0, key.lastIndexOf('/'));
    const capacity = problem.resources.find((resource) => resource.id === id)?.capacity ?? 1;
    rows.push(`${terms.join(' ')} <= ${capacity}`);
  }
  const program = `Maximize\n obj: ${goal.join(' ')}\nSubject To\n${rows.map((row, i) => ` r${i}: ${row}`).join('\n')}\nBinary\n ${names.join(' ')}\nEnd\n`;
  const { value, columns } = solved(program);
  return {
    pieces: Math.round(value),
    chosen: names.filter((name) => (columns[name] as { Primal: number }).Primal > 0.5),
  };
};
