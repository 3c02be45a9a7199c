import loadHighs from 'highs';
import { inRoot } from './paths.mjs';

/*
 * Plans of the demo, of a week of it, and of ten times the day on ten times the bakery, each with how far it lies above
 * its bound. Run in a thread of its own, so that its memory is its own.
 */
const core = await import(inRoot('packages/core/dist/index.js'));
const highs = await loadHighs();
const solveLinear = (program) => highs.solve(program).ObjectiveValue;

const { demoEquipment: equipment, demoFormulas, demoOrders, demoRules: rules, demoDay } = core;
const at = (time, days) => core.atWallClock(core.shiftDate(demoDay.date, days), time, rules.timeZone);

const ordersOf = (days, times = 1) =>
  Array.from({ length: days }, (_, d) =>
    demoOrders.flatMap(({ customer, readyBy, pieces }, i) =>
      Object.entries(pieces).map(([productCode, n]) => ({
        id: `${d}-${i}-${productCode}`,
        customer,
        productCode,
        pieces: n * times,
        readyByS: at(readyBy, d),
      })),
    ),
  ).flat();

const copies = (list, n) =>
  Array.from({ length: n }, (_, i) => list.map((own) => ({ ...own, id: `${own.id}-${i}` }))).flat();
/** Ten of everything, under one roof. */
const tenfold = {
  ...equipment,
  mixers: copies(equipment.mixers, 10),
  ovens: copies(equipment.ovens, 10),
  places: copies(equipment.places, 10),
  racks: copies(equipment.racks, 10),
  trays: equipment.trays.map((tray) => ({ ...tray, count: 10 * tray.count })),
  shifts: equipment.shifts.map((shift) => ({ ...shift, hands: 10 * shift.hands })),
  ovenHands: 10,
};

const bakes = new Map(
  demoFormulas.map((formula) => [
    formula.code,
    {
      true: core.predictIn(formula, { id: 'port', fan: true }, equipment, rules),
      false: core.predictIn(formula, { id: 'keel-upper', fan: false }, equipment, rules),
    },
  ]),
);
const inputOf = (orders, own) => ({
  nowS: at('12:00', -3),
  orders,
  formulas: new Map(demoFormulas.map((formula) => [formula.code, formula])),
  equipment: own,
  rules,
  predictions: new Map(
    demoFormulas.map((formula) => [
      formula.code,
      own.ovens.map(({ id, fan }) => ({
        ovenId: id,
        setC: core.setTemperature(formula, fan),
        bake: bakes.get(formula.code)[fan],
      })),
    ]),
  ),
  fixed: [],
});

const measure = (name, orders, own, effort) => {
  const { problem } = core.horizonProblem(inputOf(orders, own));
  const start = performance.now();
  const plan = core.solvePlan(problem, effort);
  const s = (performance.now() - start) / 1000;
  const boundStart = performance.now();
  const least = core.leastUndone(problem, solveLinear);
  const boundS = (performance.now() - boundStart) / 1000;
  return {
    name,
    s,
    boundS,
    batches: plan.batches.length,
    undone: core.undonePieces(problem, plan.batches),
    least,
    above: 100 * (core.costOf(problem, plan.batches).minutes / core.leastCost(problem, least) - 1),
    violations: core.checkPlan(problem, plan).length,
    rssMB: process.memoryUsage().rss / 2 ** 20,
    problem,
    plan,
  };
};

/** One of the four chambers is gone at 05:10, with everything done until then: the way out, and what it saves. */
const slipBench = ({ problem, plan: { batches } }) => {
  const nowS = at('05:10', 0);
  const loads = batches.flatMap((batch) => batch.loads);
  const homeless = loads.filter(({ startS, ovenId }) => startS > nowS && ovenId === 'port');
  const lost = new Set(homeless.map(({ id }) => id));
  const rest = new Map(demoFormulas.map((formula) => [formula.code, formula.rest]));
  const today = {
    ...problem,
    nowS,
    products: problem.products.map((product) => ({
      ...product,
      batches: [],
      bakes: product.bakes.filter(({ ovenId }) => ovenId !== 'port'),
    })),
  };
  const start = performance.now();
  const found = core.replan({
    problem: today,
    planned: batches,
    expected: batches,
    begun: new Set(
      batches
        .filter(({ tasks }) => tasks.some(({ kind, startS }) => kind === 'mix' && startS <= nowS))
        .map(({ batchId }) => batchId),
    ),
    started: new Set(loads.filter(({ startS }) => startS <= nowS).map(({ id }) => id)),
    homeless: lost,
    restOf: ({ productCode }) => rest.get(productCode),
    effort: { seconds: 1.5 },
  });
  const s = (performance.now() - start) / 1000;
  const going = batches.map((batch) => ({ ...batch, loads: batch.loads.filter(({ id }) => !lost.has(id)) }));
  return {
    s,
    lost: homeless.length,
    changes: found.changes.length,
    before: core.missingPieces(today, going),
    after: core.missingPieces(today, found.batches),
  };
};

/** @returns {{ rows: { name: string, s: number, boundS: number, undone: number, least: number, above: number, violations: number, rssMB: number }[], sureS: number, slip: { s: number, lost: number, changes: number, before: number, after: number } }} */
export const planBench = () => {
  const quick = [1, 2, 3].map(() => measure('the demo day, quick', ordersOf(1), equipment, {}));
  const rows = [
    quick.sort((a, b) => a.s - b.s)[1],
    measure('the demo day, ten seconds', ordersOf(1), equipment, { tries: 1e6, seconds: 10 }),
    measure('a week of the demo', ordersOf(7), equipment, { seconds: 8 }),
    measure('ten times the day, ten times the bakery', ordersOf(1, 10), tenfold, { seconds: 12 }),
  ];
  const { problem, plan } = rows[0];
  const start = performance.now();
  core.surenessOf(problem, plan.batches, 500);
  const sureS = (performance.now() - start) / 1000;
  const slip = slipBench(rows[0]);
  return { rows: rows.map(({ problem: _p, plan: _q, ...row }) => row), sureS, slip };
};
