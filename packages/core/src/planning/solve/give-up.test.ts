import { describe, expect, it } from '@jest/globals';
import { checkPlan } from '../check/check.js';
import { at, calm, demoProblem, smallProblem } from '../problem/problem.testkit.js';
import type { Demand, PlanBatch, PlanProblem } from '../problem/problem.js';
import { undonePieces } from '../problem/served.js';
import { solvePlan } from './solve.js';

/* An order that cannot be met takes nobody else's pieces with it. */

const withOrders = (
  demands: readonly Demand[],
  batches: readonly Partial<PlanBatch>[],
  change: Partial<PlanProblem> = {},
): PlanProblem => {
  const problem = smallProblem(change);
  return {
    ...problem,
    products: problem.products.map((product) => ({
      ...product,
      demands,
      batches: batches.map((batch, i) => ({
        id: `ONE-${i}`,
        mixerId: 'mixer',
        massG: 1500,
        pieces: 48,
        ...batch,
      })),
    })),
  };
};

const kiosk = (readyByS: number, pieces: number): Demand => ({ name: 'Kiosk', readyByS, pieces });
const baked = (plan: ReturnType<typeof solvePlan>) =>
  plan.batches.flatMap(({ loads }) => loads).flatMap(({ trays }) => trays);
const pieces = (plan: ReturnType<typeof solvePlan>) =>
  baked(plan).reduce((sum, tray) => sum + tray.pieces, 0);

describe('an order that no dough can be ready for', () => {
  // Mixing, portioning, the shortest rest, the bake, cooling and packing take some 7,200 s.
  const soon = kiosk(3600, 1);

  it.each([
    ['all or nothing', undefined],
    ['no less than nearly all', 1400],
    ['as little as one likes', 100],
  ])('leaves the later ones their pieces, from a batch of %s', (_, minMassG) => {
    const problem = withOrders([soon, kiosk(30_000, 47)], [minMassG === undefined ? {} : { minMassG }]);
    const plan = solvePlan(problem, calm);
    expect(undonePieces(problem, plan.batches)).toBe(1);
    expect(checkPlan(problem, plan)).toEqual([]);
    expect(plan.unplaced).toEqual([
      expect.objectContaining({
        pieces: 1,
        reason: expect.stringMatching(/^The other 47 pieces .* in time\. There is not enough time/),
      }),
    ]);
  });

  it('is counted by what was ordered: test pieces are nobody’s', () => {
    const problem = withOrders([soon, kiosk(30_000, 41)], [{}]);
    const [left] = solvePlan(problem, calm).unplaced;
    expect(left).toMatchObject({ pieces: 1, reason: expect.stringMatching(/^The other 41 pieces/) });
  });

  it('of many pieces is not mixed for', () => {
    const problem = withOrders([kiosk(3600, 24), kiosk(30_000, 24)], [{ minMassG: 300 }]);
    const plan = solvePlan(problem, calm);
    expect(undonePieces(problem, plan.batches)).toBe(24);
    expect(pieces(plan)).toBe(24);
  });

  it('that would fill a batch of its own has none mixed, and the one beside it is whole', () => {
    const problem = withOrders([kiosk(3600, 60), kiosk(30_000, 36)], [{ minMassG: 300 }, { minMassG: 300 }]);
    const plan = solvePlan(problem, calm);
    expect(undonePieces(problem, plan.batches)).toBe(60);
    expect(pieces(plan)).toBe(36);
    expect(plan.unplaced.map((left) => left.pieces)).toEqual([12, 48]);
  });

  it('leaves to fresh dough what frozen pieces are too cold for, and has them for who comes next', () => {
    const stock = {
      form: 'pieces',
      placeKind: 'freezer',
      temperS: 20_000,
      fromS: 20_000,
      toS: 80_000,
    } as const;
    const problem = withOrders(
      [kiosk(9000, 24), kiosk(30_000, 24)],
      [
        { id: 'OLD', massG: 750, pieces: 24, stock },
        { massG: 750, pieces: 24, minMassG: 300 },
      ],
      { resources: [...smallProblem().resources, { id: 'freezer/trays', name: 'Freezer', capacity: 4 }] },
    );
    const plan = solvePlan(problem, calm);
    expect(undonePieces(problem, plan.batches)).toBe(0);
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('keeps what lies in the cold for it', () => {
    const stock = { form: 'pieces', placeKind: 'walk-in', temperS: 0, fromS: 0, toS: 80_000 } as const;
    const problem = withOrders(
      [kiosk(5400, 6), kiosk(30_000, 42)],
      [
        { id: 'OLD', massG: 120, pieces: 4, stock },
        { massG: 1375, pieces: 44 },
      ],
    );
    const plan = solvePlan(problem, calm);
    expect(undonePieces(problem, plan.batches)).toBe(2);
    expect(checkPlan(problem, plan)).toEqual([]);
  });
});

describe('an order that could be met, but not on this floor', () => {
  it('is left out alone, however many tries the plan may take', () => {
    // The oven is attended too late for the first one.
    const problem = withOrders([kiosk(12_000, 6), kiosk(30_000, 42)], [{ minMassG: 1400 }], {
      ovenHours: [{ fromS: 14_000, toS: 40_000, capacity: 1 }],
    });
    for (const effort of [calm, { tries: 1 }]) {
      const plan = solvePlan(problem, effort);
      expect(undonePieces(problem, plan.batches)).toBe(6);
      expect(checkPlan(problem, plan)).toEqual([]);
    }
  });

  it('that counts more than those after it is kept before them', () => {
    // Room for two trays at the ovens in time for either, not for both.
    const problem = withOrders(
      [{ ...kiosk(30_000, 24), weight: 5 }, kiosk(30_600, 24)],
      [{ minMassG: 300 }],
      {
        ovenHours: [{ fromS: 24_000, toS: 27_000, capacity: 1 }],
        loadGapS: 3000,
      },
    );
    expect(undonePieces(problem, solvePlan(problem, calm).batches)).toBe(24);
  });
});

describe('on the demo bakery', () => {
  it.each(['NIB', 'LEM', 'GNG', 'PNT'])(
    'one %s wanted in an hour costs nobody their two hundred',
    (productCode) => {
      const orders = [
        { id: 'a', customer: 'Kiosk', productCode, pieces: 1, readyBy: '05:10' },
        { id: 'b', customer: 'Farm shop', productCode, pieces: 200, readyBy: '11:00' },
      ];
      const problem = demoProblem({ nowS: at('04:10'), orders });
      const plan = solvePlan(problem, calm);
      expect(undonePieces(problem, plan.batches)).toBe(1);
      expect(checkPlan(problem, plan)).toEqual([]);
    },
  );
});
