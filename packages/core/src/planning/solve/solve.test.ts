import { lotId } from '../../lot/index.js';
import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { checkPlan } from '../check/check.js';
import { dayHorizon, dayProblem } from '../problem/day.js';
import { horizonProblem } from '../problem/horizon.js';
import { setTemperature, trayLayout } from '../forecast/predictions.js';
import { loadTemperature } from '../forecast/load-temperature.js';
import {
  calm,
  at,
  dayInput,
  demoLines,
  demoPredictions,
  demoProblem,
  smallProblem,
} from '../problem/problem.testkit.js';
import type { PlanProblem } from '../problem/problem.js';
import { costOf } from '../bound/cost.js';
import { leastCost } from '../bound/least-cost.js';
import { solveLinear } from './linear.testkit.js';
import { undonePieces } from '../problem/served.js';
import { sharesOf } from './shares.js';
import { leastUndone } from '../bound/undone-bound.js';
import { solvePlan } from './solve.js';

const task = (plan: ReturnType<typeof solvePlan>, batchId: string, kind: string) =>
  plan.batches.find((b) => b.batchId === batchId)?.tasks.find((t) => t.kind === kind);

describe('the demo day', () => {
  const problem = demoProblem();
  const plan = solvePlan(problem, calm);

  it('is planned whole, and the checker finds nothing', () => {
    expect(plan.unplaced).toEqual([]);
    expect(checkPlan(problem, plan)).toEqual([]);
    expect(plan.batches).toHaveLength(9);
  });

  it('bakes at least what is ordered of each product', () => {
    for (const formula of demoFormulas) {
      const ordered = demoLines
        .filter((line) => line.productCode === formula.code)
        .reduce((sum, line) => sum + line.pieces, 0);
      const baked = plan.batches
        .filter((b) => b.productCode === formula.code)
        .flatMap((b) => b.loads)
        .flatMap((l) => l.trays)
        .reduce((sum, t) => sum + t.pieces, 0);
      expect(baked).toBeGreaterThanOrEqual(ordered);
      // Test pieces and rounding, but no second batch's worth.
      expect(baked).toBeLessThan(ordered + 12);
    }
  });

  it('has every load cold and packed by its ready-by', () => {
    for (const load of plan.batches.flatMap((b) => b.loads))
      expect(load.readyS).toBeLessThanOrEqual(load.dueS);
  });

  it.each([
    ['RYE', 24, 72],
    ['SES', 12, 36],
    ['MLT', 8, 24],
    ['NIB', 3, 20],
    ['CLM', 1, 3],
    ['PNT', 0.5, 1.5],
  ])('%s rests between %d and %d hours', (code, least, most) => {
    const batch = plan.batches.find((b) => b.productCode === code);
    const tub = demoFormulas.find((f) => f.code === code)?.rest.form === 'tub';
    const from = batch?.tasks.find((t) => t.kind === (tub ? 'mix' : 'portion'))?.endS ?? 0;
    const to = tub
      ? (batch?.tasks.find((t) => t.kind === 'portion')?.startS ?? 0)
      : Math.min(...(batch?.loads.map((l) => l.startS) ?? []));
    expect((to - from) / 3600).toBeGreaterThanOrEqual(least);
    expect((to - from) / 3600).toBeLessThanOrEqual(most);
  });

  it('mixes in the shifts of those who mix', () => {
    for (const batch of plan.batches) {
      const mix = batch.tasks.find((t) => t.kind === 'mix');
      const hour = ((mix?.startS ?? 0) / 3600) % 24;
      expect(hour).toBeGreaterThanOrEqual(3.5);
      expect(hour).toBeLessThan(18);
    }
  });

  it('cannot be shorter than its bound', () => {
    const span =
      Math.max(...plan.batches.flatMap((b) => b.loads.map((l) => l.readyS))) -
      Math.min(...plan.batches.flatMap((b) => b.tasks.map((t) => t.startS)));
    expect(plan.boundS).toBeGreaterThan(0);
    expect(span).toBeGreaterThanOrEqual(plan.boundS);
  });

  it('planned twice is the same plan', () => {
    expect(solvePlan(demoProblem(), calm)).toEqual(plan);
  });

  it('planned again in mid-morning leaves what has begun where it was', () => {
    const fixed = plan.batches.filter((b) => !['LEM', 'PNT', 'CLM'].includes(b.productCode));
    const again = demoProblem({ nowS: at('04:10'), fixed });
    const second = solvePlan(again, calm);
    expect(checkPlan(again, second)).toEqual([]);
    for (const batch of fixed) expect(second.batches).toContainEqual(batch);
    for (const code of ['LEM', 'PNT', 'CLM']) {
      expect(task(second, lotId(code, 2026, 1), 'mix')?.startS).toBeGreaterThanOrEqual(at('04:10'));
    }
  });

  it.each([
    ['', 0, '10:15'],
    // Who tends the ovens, and cleans a bowl after the nuts, leaves less of it.
    [', a little later where hands at the ovens are counted', 8, '10:30'],
  ])(
    'more of a product that has begun becomes a further batch, if there is time%s',
    (_, ovenTrayS, readyBy) => {
      const rules = { ...demoRules, ovenTrayS };
      const fixed = solvePlan(demoProblem({ rules }), calm).batches;
      const orders = [
        ...demoLines,
        { id: 'x', customer: 'Farm shop', productCode: 'CLM', pieces: 80, readyBy },
      ];
      const again = demoProblem({ nowS: at('04:10'), fixed, orders, rules });
      const second = solvePlan(again, calm);
      expect(second.batches.find((b) => b.batchId === lotId('CLM', 2026, 2))?.pieces).toBeGreaterThanOrEqual(
        76,
      );
      expect(checkPlan(again, second)).toEqual([]);
    },
  );

  it('a rye ordered in the morning is not possible, and the reason has the times', () => {
    const orders = [{ id: 'x', customer: 'Farm shop', productCode: 'RYE', pieces: 60, readyBy: '09:00' }];
    const { unplaced } = solvePlan(demoProblem({ nowS: at('04:10'), orders }), calm);
    expect(unplaced).toHaveLength(1);
    expect(unplaced[0]?.reason).toMatch(
      /not enough time before its ready-by.*resting at least 24 h.*later ready-by/s,
    );
  });

  it('nine times the pieces do not fit the morning, and each reason is a sentence', () => {
    const orders = demoLines.map((line) => ({ ...line, pieces: line.pieces * 9 }));
    const heavy = demoProblem({ orders });
    const crowded = solvePlan(heavy, { ...calm, tries: 0 });
    expect(crowded.unplaced.length).toBeGreaterThan(0);
    for (const { reason } of crowded.unplaced) expect(reason).toMatch(/^[A-Z].*\.$/s);
    expect(checkPlan(heavy, crowded)).toEqual([]);
  });

  it('can be planned again in mid-morning, when what was due early is out', () => {
    const again = demoProblem({ nowS: at('07:30'), fixed: plan.batches });
    const second = solvePlan(again, calm);
    expect(second.batches).toEqual(plan.batches);
    expect(checkPlan(again, second)).toEqual([]);
  });

  it('says at its line that a ready-by is past, and plans the rest', () => {
    const nowS = at('06:00');
    const { problem, refused } = horizonProblem(dayHorizon(dayInput({ nowS })));
    const past = demoLines.filter(({ readyBy }) => readyBy <= '06:00');
    expect(past.length).toBeGreaterThan(0);
    const overdue = refused.filter(({ reason }) =>
      /was to be ready \d+ min ago. Give it a later ready-by/.test(reason),
    );
    expect(overdue.map(({ orderId }) => orderId).sort()).toEqual(past.map(({ id }) => id).sort());
    // What is left of a product may be too little for any mixer; that is said too.
    for (const { reason } of refused.filter((line) => !overdue.includes(line)))
      expect(reason).toMatch(/too little/);
    expect(problem.products.flatMap(({ demands }) => demands).every(({ readyByS }) => readyByS > nowS)).toBe(
      true,
    );
    const again = solvePlan(problem, calm);
    expect(checkPlan(problem, again)).toEqual([]);
  });

  it('keeps for an order that is past what has begun for it, however late that comes', () => {
    const late = plan.batches.map((batch) => ({
      ...batch,
      loads: batch.loads.map((load) => ({ ...load, startS: load.startS + 3600, readyS: load.readyS + 3600 })),
      tasks: batch.tasks.map((task) =>
        task.loadId ? { ...task, startS: task.startS + 3600, endS: task.endS + 3600 } : task,
      ),
    }));
    const { problem, refused } = dayProblem(dayInput({ nowS: at('06:00'), fixed: late }));
    expect(refused).toEqual([]);
    // Nothing is mixed twice for it.
    expect(problem.products.flatMap(({ batches }) => batches)).toEqual([]);
    expect(solvePlan(problem, calm).batches).toEqual(late);
  });
});

describe('from the bake list to the problem', () => {
  it('says what no mixer takes, and plans the rest', () => {
    const orders = [
      ...demoLines.filter((l) => l.productCode === 'GNG'),
      { id: 'x', customer: 'Kiosk', productCode: 'NIB', pieces: 5, readyBy: '09:00' },
    ];
    const { problem, refused } = dayProblem(dayInput({ orders }));
    expect(problem.products.map((p) => p.code)).toEqual(['GNG']);
    expect(refused[0]?.reason).toContain('too little for any mixer');
  });
  it('says when the piece is larger than the tray', () => {
    const equipment = {
      ...demoEquipment,
      trays: [
        {
          ...demoEquipment.trays[0],
          id: 'bright',
          name: 'small',
          material: 'bright-aluminium' as const,
          lengthMm: 80,
          widthMm: 80,
          count: 9,
        },
      ],
    };
    const { refused } = dayProblem(
      dayInput({ equipment, orders: demoLines.filter((l) => l.productCode === 'RYE') }),
    );
    expect(refused[0]?.reason).toContain('does not fit on a tray of 80 × 80 mm');
  });
  it('without an oven says so', () => {
    const problem = demoProblem({
      predictions: new Map(),
      orders: demoLines.filter((l) => l.productCode === 'GNG'),
    });
    expect(solvePlan(problem, calm).unplaced[0]?.reason).toContain('No oven in use can bake it');
  });
  it('sets a still oven 17 K above a fan oven', () => {
    const [gng] = demoFormulas;
    if (!gng) throw new Error('no formula');
    expect(setTemperature(gng, true)).toBe(150);
    expect(setTemperature(gng, false)).toBe(167);
  });
  it('loads fresh dough warm and rested dough cold', () => {
    const of = (code: string) => demoFormulas.find((f) => f.code === code) ?? demoFormulas[0]!;
    expect(loadTemperature(of('LEM'), demoRules, demoEquipment)).toBe(22);
    // A night in the walk-in and five minutes on the tray: 4 °C and a little.
    const start = (code: string) => loadTemperature(of(code), demoRules, demoEquipment);
    expect(Math.abs(start('GNG') - 6)).toBeLessThan(1.5);
    // A tub is still warm inside, and its pieces warm up while they are portioned.
    expect(start('SES')).toBeGreaterThan(start('GNG') + 3);
    expect(start('SES')).toBeLessThan(16);
    // Forty minutes are too few to be as cold as the air.
    expect(start('PNT')).toBeGreaterThan(start('GNG') + 1.5);
    // Thawed in the walk-in, not at the temperature of the freezer; baked from frozen it is.
    expect(start('CRD')).toBeGreaterThan(2);
    const frozen = { ...of('CRD'), rest: { ...of('CRD').rest, temperS: 0 } };
    expect(loadTemperature(frozen, demoRules, demoEquipment)).toBeLessThan(-10);
  });
  it('a warmer walk-in, or another place of that kind, gives a warmer start', () => {
    const [ginger] = demoFormulas;
    if (!ginger) throw new Error('GNG');
    const places = demoEquipment.places.map((p) => (p.kind === 'walk-in' ? { ...p, airC: 8 } : p));
    expect(loadTemperature(ginger, demoRules, { ...demoEquipment, places })).toBeGreaterThan(
      loadTemperature(ginger, demoRules, demoEquipment) + 3,
    );
  });
  it('lays the tray out for the widest spread', () => {
    const [gng] = demoFormulas;
    if (!gng) throw new Error('no formula');
    const own = demoPredictions().get('GNG') ?? [];
    const layout = trayLayout(gng, own, demoEquipment, demoRules);
    expect(layout.perRow.terms.find((t) => t.symbol === 'D')?.value).toBe(
      Math.max(...own.map((p) => p.bake.cooled?.diameterMm ?? 0)),
    );
  });
});

describe('dealing pieces out to trays', () => {
  const product = (change: object) => ({
    ...(smallProblem().products[0] as PlanProblem['products'][number]),
    ...change,
  });
  it('serves the earliest ready-by first', () => {
    const [share] = sharesOf(
      product({
        demands: [
          { name: 'late', readyByS: 900, pieces: 20 },
          { name: 'early', readyByS: 500, pieces: 20 },
        ],
      }),
    );
    expect(share?.trays).toEqual([
      { pieces: 12, dueS: 500 },
      { pieces: 12, dueS: 500 },
      { pieces: 12, dueS: 900 },
      { pieces: 8, dueS: 900 },
    ]);
  });
  it('goes on over several batches', () => {
    const shares = sharesOf(
      product({
        batches: [
          { id: 'A', mixerId: 'm', massG: 1, pieces: 15 },
          { id: 'B', mixerId: 'm', massG: 1, pieces: 15 },
        ],
        demands: [
          { name: 'x', readyByS: 100, pieces: 16 },
          { name: 'y', readyByS: 200, pieces: 12 },
        ],
      }),
    );
    expect(shares.map((s) => s.trays.map((t) => [t.pieces, t.dueS]))).toEqual([
      [
        [12, 100],
        [3, 100],
      ],
      [
        [12, 100],
        [3, 200],
      ],
    ]);
  });
});

describe('a small day', () => {
  it('places two loads backward from the ready-by', () => {
    const problem = smallProblem();
    const plan = solvePlan(problem, calm);
    expect(checkPlan(problem, plan)).toEqual([]);
    const loads = plan.batches[0]?.loads ?? [];
    expect(loads.map((l) => l.trays.length)).toEqual([2, 2]);
    // The later load ends a tray rest, the cooling and the packing before the ready-by, on the whole minute.
    expect(Math.max(...loads.map((l) => l.readyS))).toBeGreaterThan(30_000 - 60);
    expect(Math.max(...loads.map((l) => l.readyS))).toBeLessThanOrEqual(30_000);
  });
  it.each<[string, Partial<PlanProblem>, RegExp]>([
    [
      'no hands',
      { resources: smallProblem().resources.map((r) => (r.id === 'hands' ? { ...r, when: [] } : r)) },
      /Hands is the limit/,
    ],
    [
      'a full walk-in',
      {
        resources: smallProblem().resources.map((r) =>
          r.id === 'walk-in/trays' ? { ...r, capacity: 0 } : r,
        ),
      },
      /Walk-in, tray places is the limit/,
    ],
    ...(['racks', 'trays'] as const).map((id): [string, Partial<PlanProblem>, RegExp] => [
      `no ${id}`,
      { resources: smallProblem().resources.map((r) => (r.id === id ? { ...r, capacity: 0 } : r)) },
      new RegExp(`^${id}: 0 in all`, 'i'),
    ]),
    [
      'full ovens',
      {
        ovenHours: [{ fromS: 0, toS: 5000, capacity: 1 }],
        ovens: [{ id: 'oven', name: 'Oven', places: 1, degreesPerMin: 5 }],
        loadGapS: 3000,
      },
      /ovens are full/,
    ],
    ['cold ovens', { ovenHours: [] }, /No oven is hot and attended/],
    ['too late', { nowS: 26_500 }, /not enough time/],
  ])('with %s says what stands against it', (_, change, reason) => {
    const plan = solvePlan(smallProblem(change), calm);
    expect(plan.batches).toEqual([]);
    expect(plan.unplaced[0]?.reason).toMatch(reason);
  });
  it('of nothing is an empty plan', () => {
    expect(solvePlan(smallProblem({ products: [] }), calm)).toEqual({ batches: [], unplaced: [], boundS: 0 });
  });
});

describe('a floor that lacks something', () => {
  const small = smallProblem();
  const proved = (problem: PlanProblem) => {
    const plan = solvePlan(problem, { tries: 5 });
    const least = leastUndone(problem, solveLinear);
    expect(checkPlan(problem, plan)).toEqual([]);
    const cost = leastCost(problem, least);
    expect(Number.isFinite(cost)).toBe(true);
    const undone = undonePieces(problem, plan.batches);
    if (undone === least) expect(cost).toBeLessThanOrEqual(costOf(problem, plan.batches).minutes + 1e-9);
    return { undone, least };
  };
  it.each<[string, Partial<PlanProblem>]>([
    ['an oven without places', { ovens: small.ovens.map((oven) => ({ ...oven, places: 0 })) }],
    ['an oven that is not there', { ovens: [] }],
    ['no way to bake it', { products: small.products.map((p) => ({ ...p, bakes: [] })) }],
    ['ovens that nobody attends', { ovenHours: [] }],
  ])('%s: nothing is baked, and the bound says so too', (_, change) => {
    expect(proved(smallProblem(change))).toEqual({ undone: 40, least: 40 });
  });
  it('a batch of no pieces is no work', () => {
    const problem = smallProblem({
      products: small.products.map((p) => ({ ...p, batches: p.batches.map((b) => ({ ...b, pieces: 0 })) })),
    });
    const plan = solvePlan(problem, calm);
    expect(plan.batches).toEqual([]);
    // What is due and has no dough is no secret.
    expect(checkPlan(problem, plan).map(({ code }) => code)).toEqual(['late']);
  });
  it('ovens whose names differ in a sign only are two', () => {
    const twins = ['oven-a', 'oven_a'].map((id) => ({ id, name: id, places: 2, degreesPerMin: 5 }));
    const products = small.products.map((p) => ({
      ...p,
      bakes: twins.map(({ id }) => ({ ovenId: id, setC: 170, pullS: 720 })),
      demands: [{ name: 'Kiosk', readyByS: 9000, pieces: 40 }],
    }));
    const { undone, least } = proved(smallProblem({ products, ovens: twins }));
    expect(least).toBeLessThanOrEqual(undone);
    expect(undone).toBe(0);
  });
});

describe('shifts over midnight and beside each other', () => {
  const hands = (shifts: typeof demoEquipment.shifts) =>
    demoProblem({ equipment: { ...demoEquipment, shifts } }).resources.find(({ id }) => id === 'hands');
  it('a night shift ends on the next day', () => {
    const found = hands([{ name: 'Night', from: '22:00', to: '06:00', hands: 1 }]);
    for (const { fromS, toS } of found?.when ?? []) expect(toS - fromS).toBe(8 * 3600);
    // Also the one that began on the evening before the first day.
    expect(Math.min(...(found?.when ?? []).map(({ fromS }) => fromS))).toBe(at('22:00', -5));
  });
  it('the night of the clock change is an hour shorter', () => {
    const problem = demoProblem({
      date: '2026-03-29',
      nowS: at('12:00', -245),
      orders: [],
      equipment: { ...demoEquipment, shifts: [{ name: 'Night', from: '22:00', to: '06:00', hands: 1 }] },
    });
    const nights = problem.resources.find(({ id }) => id === 'hands')?.when ?? [];
    expect(nights.map(({ fromS, toS }) => (toS - fromS) / 3600)).toContain(7);
  });
  it('overlapping shifts add up: two people more can portion two batches at once', () => {
    const found = hands([
      { name: 'Early', from: '03:30', to: '11:00', hands: 1 },
      { name: 'Helper', from: '09:00', to: '12:00', hands: 2 },
    ]);
    expect(found?.capacity).toBe(3);
    const from = at('09:30');
    const there = (found?.when ?? []).filter((a) => a.fromS <= from && from < a.toS);
    expect(there.reduce((sum, a) => sum + a.capacity, 0)).toBe(3);
  });
});

describe('a line that cannot be baked', () => {
  const lines = [
    ...demoLines.filter(({ productCode }) => productCode === 'LEM'),
    { id: 'x', customer: 'Quay canteen', productCode: 'XYZ', pieces: 20, readyBy: '09:00' },
  ];
  it('of an unknown product is said, and the rest is planned', () => {
    const { problem, refused } = dayProblem(dayInput({ orders: lines }));
    expect(refused).toMatchObject([{ productCode: 'XYZ', pieces: 20 }]);
    expect(refused[0]?.reason).toContain('There is no formula "XYZ"');
    expect(solvePlan(problem, calm).unplaced).toEqual([]);
  });
});

describe('what no plan can take', () => {
  const withPieces = (pieces: number) => {
    const problem = smallProblem();
    return {
      ...problem,
      products: problem.products.map((p) => ({
        ...p,
        batches: p.batches.map((b) => ({ ...b, pieces })),
      })),
    };
  };
  it.each([2 ** 31, 1e12, Number.MAX_SAFE_INTEGER])('%d pieces are refused at once', (pieces) => {
    expect(() => solvePlan(withPieces(pieces))).toThrow(/more than one plan takes/);
  });
  it('a ready-by in another year is refused at once', () => {
    expect(() => solvePlan({ ...smallProblem(), nowS: -1e9 })).toThrow(/two months away/);
  });
});
