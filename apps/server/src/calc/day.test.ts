import { beforeAll, describe, expect, it } from '@jest/globals';
import { allergensOf, demoFormulas } from '@jokul/core';
import { calculate, readyFor } from './calculate.js';

interface DayAnswer {
  nowS: number;
  resources: { id: string; capacity: number; when?: { fromS: number; toS: number; capacity: number }[] }[];
  tasks: {
    id: string;
    kind: string;
    batchId: string;
    loadId?: string;
    productCode: string;
    startS: number;
    endS: number;
    uses: { resourceId: string; amount: number }[];
  }[];
  loads: { readyS: number; trays: { pieces: number }[] }[];
  served: { order: number; pieces: number; readyS: number }[];
  unserved: { order: number; pieces: number; reason: string; ways: { say: string; kind: string }[] }[];
  objective: { undonePieces: number; cost: number };
  bound: { undonePieces: number; cost: number };
  chance: { order: number; probability: number }[];
  violations: unknown[];
}

beforeAll(() => readyFor('day'));
const day = (json: object) => calculate('day', json) as DayAnswer;
const order = (productCode: string, pieces: number, readyBy: string, customer?: string) => ({
  productCode,
  pieces,
  readyBy,
  ...(customer && { customer }),
});
const refusal = (json: object) => {
  try {
    day(json);
  } catch (error) {
    return error as { code: string; message: string; path: string };
  }
  throw new Error('it was not refused');
};

describe('calc day', () => {
  const answer = () =>
    day({
      now: '2026-11-25T12:00',
      orders: [
        order('GNG', 196, '2026-11-27T05:40', 'Ferry galley'),
        order('LEM', 120, '2026-11-27T07:00'),
        order('GNG', 96, '2026-11-28T05:40'),
        order('RYE', 114, '2026-11-27T09:00', 'Farm shop'),
        order('NIB', 136, '2026-11-28T10:15'),
      ],
    });

  it('plans the orders of two days together, all in time, and says when each is ready', () => {
    const found = answer();
    expect(found.unserved).toEqual([]);
    expect(
      found.served.map(({ order: at, pieces }) => [at, pieces]).sort(([a = 0], [b = 0]) => a - b),
    ).toEqual([
      [0, 196],
      [1, 120],
      [2, 96],
      [3, 114],
      [4, 136],
    ]);
    expect(found.violations).toEqual([]);
    expect(found.objective.undonePieces).toBe(0);
    expect(found.bound.undonePieces).toBe(0);
    expect(found.bound.cost).toBeLessThanOrEqual(found.objective.cost);
    expect(found.chance).toHaveLength(5);
  });

  it('names every use of every resource, and no resource is used beyond what is there', () => {
    const { tasks, resources, nowS } = answer();
    const known = new Map(resources.map((resource) => [resource.id, resource]));
    expect(new Set(tasks.map(({ id }) => id)).size).toBe(tasks.length);
    for (const { startS, endS, uses } of tasks) {
      expect(endS).toBeGreaterThanOrEqual(startS);
      expect(startS).toBeGreaterThanOrEqual(nowS);
      for (const { resourceId } of uses) expect([...known.keys()]).toContain(resourceId);
    }
    for (const resource of resources)
      for (const { startS: at } of tasks) {
        const there = resource.when
          ? resource.when.filter((a) => a.fromS <= at && at < a.toS).reduce((n, a) => n + a.capacity, 0)
          : resource.capacity;
        const used = tasks
          .filter((task) => task.startS <= at && at < task.endS)
          .flatMap(({ uses }) => uses)
          .filter(({ resourceId }) => resourceId === resource.id)
          .reduce((n, { amount }) => n + amount, 0);
        expect(used).toBeLessThanOrEqual(there);
      }
    // A chamber bakes one load at a time, heats before it and is filled between.
    expect(tasks.filter(({ kind }) => kind === 'bake').every(({ uses }) => uses.length === 2)).toBe(true);
    expect(tasks.some(({ kind }) => kind === 'oven-on')).toBe(true);
  });

  it('names what is done before the mixing', () => {
    const kinds = new Set(answer().tasks.map(({ kind }) => kind));
    for (const kind of ['butter-out', 'butter-brown', 'eggs-out']) expect(kinds).toContain(kind);
  });

  it('keeps the time to clean a bowl of an allergen, and names it', () => {
    const found = day({
      now: '2026-11-25T12:00',
      orders: ['PNT', 'LEM', 'SES', 'CRD', 'NIB', 'GNG'].flatMap((code) => [
        order(code, 100, '2026-11-27T08:00'),
        order(code, 100, '2026-11-27T08:30'),
      ]),
    });
    expect(found.unserved).toEqual([]);
    const declared = new Map(demoFormulas.map((formula) => [formula.code, allergensOf(formula)]));
    const mixes = found.tasks.filter(({ kind }) => kind === 'mix').sort((a, b) => a.startS - b.startS);
    let dirty = 0;
    for (const [i, mix] of mixes.entries()) {
      const mixer = mix.uses.find(({ resourceId }) => resourceId !== 'hands')?.resourceId ?? '';
      const before = mixes
        .slice(0, i)
        .findLast(({ uses }) => uses.some(({ resourceId }) => resourceId === mixer));
      const left = declared
        .get(before?.productCode ?? '')
        ?.filter((allergen) => !declared.get(mix.productCode)?.includes(allergen));
      if (!before || !left?.length || mix.startS - before.endS > 6 * 3600) continue;
      dirty += 1;
      expect(mix.startS - before.endS).toBeGreaterThanOrEqual(600);
      const clean = found.tasks.find(({ kind, batchId }) => kind === 'clean' && batchId === mix.batchId);
      expect(clean?.uses).toEqual([
        { resourceId: 'hands', amount: 1 },
        { resourceId: mixer, amount: 1 },
      ]);
      expect(clean && clean.startS >= before.endS && clean.endS <= mix.startS).toBe(true);
    }
    expect(dirty).toBeGreaterThan(0);
    expect(found.violations).toEqual([]);
  });

  it('asked twice answers the same', () => expect(answer()).toEqual(answer()));

  it('says at its line what cannot be planned, and plans the rest', () => {
    const found = day({
      now: '2026-11-26T12:00',
      orders: [
        order('GNG', 96, '2026-11-27T07:00'),
        order('GNG', 0, '2026-11-27T07:00'),
        order('GNG', 100_000, '2026-11-27T07:00'),
        order('ABC', 10, '2026-11-27T07:00'),
        order('LEM', 40, '2026-11-26T11:59'),
        order('LEM', 40, '2027-02-26T11:59'),
        order('RYE', 40, '2026-11-27T07:00'),
      ],
    });
    expect(found.served).toMatchObject([{ order: 0, pieces: 96 }]);
    expect(found.unserved.map(({ order: at, reason }) => [at, reason.split(/[.:]/)[0]])).toEqual([
      [1, 'There is nothing to bake on this line'],
      [2, '100000 pieces are more than one order takes (20000)'],
      [3, 'There is no formula "ABC"'],
      [4, 'Its ready-by is past'],
      [5, 'Its ready-by is more than 14 days ahead'],
      [6, 'There is not enough time before its ready-by'],
    ]);
    expect(found.objective.undonePieces).toBe(100_000 + 10 + 40 + 40 + 40);
    expect(found.bound.undonePieces).toBe(found.objective.undonePieces);
  });

  it('takes frozen rye from the cold where none can be mixed any more', () => {
    const asked = { now: '2026-11-26T18:00', orders: [order('RYE', 60, '2026-11-27T09:00')] };
    expect(day(asked).objective.undonePieces).toBe(60);
    const stock = [
      { productCode: 'RYE', pieces: 60, form: 'bag', placeId: 'freezer', madeAt: '2026-11-12T15:00' },
    ];
    const found = day({ ...asked, stock });
    expect(found.objective.undonePieces).toBe(0);
    expect(found.tasks.map(({ kind }) => kind)).not.toContain('mix');
  });

  it('a plan that shall be safe is safe', () => {
    const asked = {
      now: '2026-11-26T12:00',
      orders: [order('GNG', 196, '2026-11-27T05:40'), order('LEM', 120, '2026-11-27T07:00')],
    };
    for (const { probability } of day({ ...asked, chance: 0.9 }).chance)
      expect(probability).toBeGreaterThanOrEqual(0.85);
  });

  it('the night of a clock change keeps its hours', () => {
    const found = day({
      now: '2026-03-28T12:00',
      orders: [order('GNG', 196, '2026-03-29T05:40'), order('LEM', 120, '2026-03-29T07:00')],
    });
    expect(found.objective.undonePieces).toBe(0);
    // 05:40 of the summer time is 04:40 UTC.
    expect(found.served.find(({ order: at }) => at === 0)?.readyS).toBeLessThanOrEqual(
      Date.UTC(2026, 2, 29, 4, 40) / 1000,
    );
    const hands = found.resources.find(({ id }) => id === 'hands');
    expect(hands?.when?.some(({ fromS }) => fromS === Date.UTC(2026, 2, 29, 2, 30) / 1000)).toBe(true);
  });

  it('no orders: an empty plan', () => {
    expect(day({ orders: [] })).toMatchObject({
      tasks: [],
      served: [],
      unserved: [],
      objective: { undonePieces: 0, cost: 0 },
      bound: { undonePieces: 0, cost: 0 },
    });
  });

  it.each([
    [{ orders: [order('GNG', 20, 'tomorrow')] }, 'bad-request', 'orders.0.readyBy'],
    [{ orders: [order('GNG', 1.5, '2026-11-27T07:00')] }, 'bad-request', 'orders.0.pieces'],
    [{ orders: [order('GNG', 20, '2026-02-30T07:00')] }, 'bad-time', 'date'],
    [{ orders: [], now: '2026-11-27T07:00', nowS: 5 }, 'bad-request', 'now'],
    [{ orders: [], extra: 1 }, 'bad-request', 'extra'],
    [{ orders: [], chance: 2 }, 'bad-request', 'chance'],
    [
      {
        orders: [],
        stock: [
          { productCode: 'RYE', pieces: 5, form: 'bag', placeId: 'cellar', madeAt: '2026-11-20T07:00' },
        ],
      },
      'unknown-place',
      'stock.0.placeId',
    ],
    [
      {
        orders: [],
        stock: [
          { productCode: 'RYE', pieces: 5, form: 'bag', placeId: 'freezer', madeAt: '2026-12-20T07:00' },
        ],
      },
      'not-made-yet',
      'stock.0.madeAt',
    ],
  ])('%j is refused', (json, code, path) => {
    expect(refusal(json)).toMatchObject({ code, path });
  });

  it('an array is answered by an array', () => {
    const [one, two] = calculate('day', [{ orders: [] }, { orders: 5 }]) as [object, object];
    expect(one).toMatchObject({ tasks: [] });
    expect(two).toMatchObject({ error: { code: 'bad-request', path: 'orders' } });
  });
});
