import { describe, expect, it } from '@jest/globals';
import { lowerBoundS } from '../bound/bound.js';
import type { Load, Task } from '../problem/plan.js';
import { smallProblem } from '../problem/problem.testkit.js';
import { Floor } from './floor-plan.js';
import { leastAvailable } from '../problem/availability.js';
import { leastCapacity, Timeline } from './timeline.js';

const task = (startS: number, endS: number, amount = 1, resourceId = 'mixer'): Task => ({
  id: `${startS}`,
  kind: 'mix',
  batchId: 'A',
  startS,
  endS,
  uses: [{ resourceId, amount }],
});
const mixer = { id: 'mixer', name: 'Mixer', capacity: 2 };

describe('what is used over time', () => {
  const timeline = () => {
    const t = new Timeline([mixer]);
    t.add(task(0, 100));
    t.add(task(50, 150));
    return t;
  };
  it.each([
    [0, 50, 1, true],
    [0, 60, 1, false],
    [100, 150, 1, true],
    [150, 200, 2, true],
    [149, 200, 2, false],
    [99, 101, 1, false],
  ])('from %d to %d for %d more: free %s', (startS, endS, amount, free) => {
    expect(timeline().blockedBy([{ resourceId: 'mixer', amount }], startS, endS) === null).toBe(free);
  });
  it('what does not exist blocks', () => {
    expect(timeline().blockedBy([{ resourceId: 'nothing', amount: 1 }], 0, 1)?.id).toBe('nothing');
  });
  it('capacity ends with the shift', () => {
    const hands = {
      ...mixer,
      when: [
        { fromS: 0, toS: 100, capacity: 2 },
        { fromS: 200, toS: 300, capacity: 1 },
      ],
    };
    expect(leastCapacity(hands, 0, 100)).toBe(2);
    expect(leastCapacity(hands, 200, 300)).toBe(1);
    expect(leastCapacity(hands, 50, 150)).toBe(0);
    expect(leastAvailable([], 0, 1)).toBe(0);
  });
});

describe('shifts', () => {
  const when = [
    { fromS: 0, toS: 100, capacity: 2 },
    { fromS: 60, toS: 160, capacity: 1 },
    { fromS: 160, toS: 200, capacity: 3 },
  ];
  it.each([
    [0, 60, 2, 'one shift'],
    [60, 100, 3, 'two at the same time are three people'],
    [0, 100, 2, 'over the first one there are at least two'],
    [60, 160, 1, 'the second one goes on alone'],
    [100, 200, 1, 'one that follows goes on from it'],
    [150, 201, 0, 'after the last nobody is there'],
  ])('from %d to %d: %d hands (%s)', (startS, endS, hands) => {
    expect(leastAvailable(when, startS, endS)).toBe(hands);
  });
});

describe('the latest start of a load', () => {
  const problem = smallProblem();
  const [oven] = problem.ovens;
  if (!oven) throw new Error('no oven');
  const bake = { ovenId: 'oven', setC: 170, pullS: 720 };
  const load = (startS: number, setC = 170): Load => ({
    id: String(startS),
    batchId: 'B',
    ovenId: 'oven',
    setC,
    pullS: 720,
    startS,
    readyS: 0,
    dueS: 0,
    trays: [],
  });
  it('ends by the time it must, on the whole minute', () => {
    expect(new Floor(problem).latestStart(oven, bake, 10_000, 0)).toBe(9240);
  });
  it('goes before a load that is in the way, with the gap between', () => {
    const floor = new Floor(problem);
    floor.addLoad(load(9000));
    const start = floor.latestStart(oven, bake, 9900, 0) ?? 0;
    expect(9000 - (start + 720)).toBeGreaterThanOrEqual(problem.loadGapS);
  });
  it('leaves time for the oven to change its temperature', () => {
    const floor = new Floor(problem);
    floor.addLoad(load(9000, 220));
    const start = floor.latestStart(oven, bake, 9900, 0) ?? 0;
    // 50 K at 5 K a minute are ten minutes.
    expect(9000 - (start + 720)).toBeGreaterThanOrEqual(problem.loadGapS + 600);
  });
  it('is none before the earliest moment, or when the ovens are cold', () => {
    expect(new Floor(problem).latestStart(oven, bake, 10_000, 9500)).toBeNull();
    expect(new Floor(smallProblem({ ovenHours: [] })).latestStart(oven, bake, 10_000, 0)).toBeNull();
  });
  it('falls back into the hours of the ovens', () => {
    const floor = new Floor(smallProblem({ ovenHours: [{ fromS: 0, toS: 5000, capacity: 1 }] }));
    expect((floor.latestStart(oven, bake, 10_000, 0) ?? 9e9) + 720).toBeLessThanOrEqual(5000);
  });
  it('a load that is taken back leaves its time free', () => {
    const floor = new Floor(problem);
    floor.addLoad(load(9240));
    floor.removeLoad(load(9240));
    expect(floor.latestStart(oven, bake, 10_000, 0)).toBe(9240);
  });
});

describe('the bound', () => {
  it('of one product is its longest chain', () => {
    // mix 1200, portion 120 + 5 × 44, rest 1800, bake 720, tray 300, rack 1800, pack 600.
    expect(lowerBoundS(smallProblem())).toBe(1200 + 340 + 1800 + 720 + 300 + 1800 + 600);
  });
  it('of very many trays is the work of the ovens', () => {
    const products = smallProblem().products.map((p) => ({
      ...p,
      batches: Array.from({ length: 20 }, (_, i) => ({
        id: `B${i}`,
        mixerId: 'mixer',
        massG: 1,
        pieces: 44,
      })),
    }));
    // 20 batches of 4 trays of 720 s over 2 places.
    expect(lowerBoundS(smallProblem({ products }))).toBe((20 * 4 * 720) / 2);
  });
  it('of nothing is nothing', () => expect(lowerBoundS(smallProblem({ products: [], ovens: [] }))).toBe(0));
});
