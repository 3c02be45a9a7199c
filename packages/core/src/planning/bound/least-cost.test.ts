import { describe, expect, it } from '@jest/globals';
import { chance } from '../../quantity/index.js';
import { costOf } from './cost.js';
import { leastCost } from './least-cost.js';
import { ovenWindows } from './oven-windows.js';
import { smallProblem } from '../problem/problem.testkit.js';
import type { PlanProblem, PlanProduct } from '../problem/problem.js';
import { missingPieces, undonePieces } from '../problem/served.js';
import { solvePlan } from '../solve/solve.js';

const hour = 3600;
const day = 24 * hour;

/** Some days of one or two products, each day with its hours at the ovens. */
const days = (seed: number): PlanProblem => {
  const random = chance(seed);
  const whole = (from: number, to: number) => Math.floor(random.between(from, to + 1));
  const count = whole(2, 4);
  const hoursADay = whole(1, 2);
  const apart = whole(0, 1) === 1;
  const products = Array.from({ length: whole(1, 2) }, (_, p): PlanProduct => {
    const demands = Array.from({ length: count }, (__, d) => ({
      name: 'Kiosk',
      readyByS: d * day + whole(10, 20) * hour,
      pieces: whole(4, 30),
    }));
    return {
      code: `P${p}`,
      name: `P${p}`,
      rest: { form: 'none', placeKind: 'bench', minS: 0, bestS: 0, maxS: whole(2, 60) * hour, temperS: 0 },
      demands,
      batches: apart
        ? demands.map(({ pieces }, d) => ({
            id: `P${p}-${d}`,
            mixerId: 'mixer',
            massG: 50 * pieces,
            pieces,
            serves: [d],
          }))
        : [
            {
              id: `P${p}-A`,
              mixerId: 'mixer',
              massG: 5000,
              pieces: demands.reduce((n, { pieces }) => n + pieces, 0),
            },
          ],
      perTray: 12,
      restingPerTray: 50,
      bakes: [{ ovenId: 'oven', setC: whole(150, 190), pullS: 60 * whole(8, 20) }],
      mixS: 900,
      portionSetUpS: 300,
      portionSPerPiece: 2,
      trayRestS: 300,
      coolS: 1800,
      packS: 300,
    };
  });
  const always = [{ fromS: 0, toS: count * day, capacity: 1 }];
  return smallProblem({
    nowS: 0,
    products,
    ovens: [
      {
        id: 'oven',
        name: 'Oven',
        places: whole(1, 4),
        degreesPerMin: whole(2, 10),
        coolsPerMin: whole(1, 10),
      },
    ],
    ovenHours: Array.from({ length: count * hoursADay }, (_, i) => {
      const fromS = Math.floor(i / hoursADay) * day + 4 * hour + (i % hoursADay) * 8 * hour;
      return { fromS, toS: fromS + 6 * hour, capacity: 1 };
    }),
    resources: [
      { id: 'hands', name: 'Hands', capacity: 1, when: always },
      { id: 'trays', name: 'Trays', capacity: 30 },
      { id: 'racks', name: 'Racks', capacity: 30 },
      { id: 'mixer', name: 'Mixer', capacity: 1 },
      { id: 'bench/trays', name: 'Bench', capacity: 30 },
      { id: 'walk-in/trays', name: 'Walk-in', capacity: 30 },
    ],
  });
};

describe('the least that several days cost', () => {
  it.each(Array.from({ length: 12 }, (_, i) => i))(
    'is never above a plan of them, however they are baked (ten days with seed %d)',
    (seed) => {
      for (let i = 0; i < 10; i++) {
        const problem = days(100 * seed + i);
        // Plain and improved, so that loads stand in many ways.
        for (const tries of [0, 30]) {
          const { batches } = solvePlan(problem, { tries, seconds: 60 });
          const cost = costOf(problem, batches).minutes;
          expect(leastCost(problem, missingPieces(problem, batches))).toBeLessThanOrEqual(cost + 1e-6);
        }
      }
    },
  );

  it('heats once a day, not once in all days, where baking a day ahead would cost more', () => {
    const one = days(3);
    const [product] = one.products;
    if (!product) throw new Error('no product');
    const with_ = (n: number): PlanProblem => {
      const demands = Array.from({ length: n }, (_, d) => ({
        name: 'Kiosk',
        readyByS: d * day + 9 * hour,
        pieces: 40,
      }));
      return {
        ...one,
        ovenHours: Array.from({ length: n }, (_, d) => ({
          fromS: d * day + 4 * hour,
          toS: d * day + 10 * hour,
          capacity: 1,
        })),
        ovens: [{ id: 'oven', name: 'Oven', places: 4, degreesPerMin: 20 }],
        products: [
          {
            ...product,
            demands,
            batches: demands.map(({ pieces }, d) => ({
              id: `B${d}`,
              mixerId: 'mixer',
              massG: 2000,
              pieces,
              serves: [d],
            })),
          },
        ],
      };
    };
    const [alone, four] = [leastCost(with_(1), 0), leastCost(with_(4), 0)];
    expect(four).toBeGreaterThan(3.9 * alone);
    const { batches } = solvePlan(with_(4), { tries: 30, seconds: 60 });
    expect(undonePieces(with_(4), batches)).toBe(0);
    expect(four).toBeLessThanOrEqual(costOf(with_(4), batches).minutes + 1e-6);
  });

  it('hours that touch or overlap are one stretch; nobody there is none', () => {
    const hours = [
      { fromS: 50, toS: 60, capacity: 1 },
      { fromS: 0, toS: 10, capacity: 1 },
      { fromS: 10, toS: 20, capacity: 2 },
      { fromS: 15, toS: 18, capacity: 1 },
      { fromS: 30, toS: 40, capacity: 0 },
    ];
    expect(ovenWindows(hours)).toEqual([
      { fromS: 0, toS: 20 },
      { fromS: 50, toS: 60 },
    ]);
  });
});
