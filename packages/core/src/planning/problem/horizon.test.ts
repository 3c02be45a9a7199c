import { describe, expect, it } from '@jest/globals';
import { howMany } from '../../how-many.testkit.js';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { chance, shiftDate } from '../../quantity/index.js';
import { weekdayOf, whyClosed } from '../../bakery/index.js';
import { checkPlan } from '../check/check.js';
import { everyDay } from './floor-resources.js';
import { costOf } from '../bound/cost.js';
import type { StockItem } from './deal-stock.js';
import type { HorizonInput, HorizonOrder } from './horizon-input.js';
import { horizonProblem } from './horizon.js';
import { leastCost } from '../bound/least-cost.js';
import { solveLinear } from '../solve/linear.testkit.js';
import { planHorizon } from '../solve/plan-horizon.js';
import { at, demoLines, demoPredictions } from './problem.testkit.js';
import { solvePlan } from '../solve/solve.js';
import { servedBy, undonePieces } from './served.js';
import { leastUndone } from '../bound/undone-bound.js';
import { demoDay } from '../../demo/index.js';

/** The bake list of the demo Friday on so many days in a row, from it on. */
const days = (count: number, times = 1): HorizonOrder[] =>
  Array.from({ length: count }, (_, d) =>
    demoLines.map((line) => ({
      id: `${shiftDate(demoDay.date, d)} ${line.id}`,
      customer: line.customer,
      productCode: line.productCode,
      pieces: line.pieces * times,
      readyByS: at(line.readyBy, d),
    })),
  ).flat();

const asked = (change: Partial<HorizonInput> = {}): HorizonInput => ({
  nowS: at('12:00', -3),
  orders: days(1),
  formulas: new Map(demoFormulas.map((f) => [f.code, f])),
  equipment: demoEquipment,
  rules: demoRules,
  predictions: demoPredictions(),
  fixed: [],
  ...change,
});
const plan = (change: Partial<HorizonInput> = {}, options = {}) =>
  planHorizon(asked(change), { solveLinear, waysSeconds: 0, tries: 40, seconds: 600, ...options });

/** A second count of every resource, from tasks and resources alone. */
const overbooked = ({ tasks, resources }: Pick<ReturnType<typeof plan>, 'tasks' | 'resources'>): string[] =>
  resources.flatMap((resource) => {
    const changes = tasks.flatMap(({ startS, endS, uses }) =>
      uses
        .filter(({ resourceId, amount }) => resourceId === resource.id && amount > 0 && endS > startS)
        .flatMap(({ amount }) => [
          { atS: startS, by: amount },
          { atS: endS, by: -amount },
        ]),
    );
    const there = (s: number) =>
      resource.when
        ? resource.when.filter((a) => a.fromS <= s && s < a.toS).reduce((sum, a) => sum + a.capacity, 0)
        : resource.capacity;
    const moments = [
      ...new Set([
        ...changes.map(({ atS }) => atS),
        ...(resource.when ?? []).flatMap(({ fromS, toS }) => [fromS, toS]),
      ]),
    ].sort((a, b) => a - b);
    return moments
      .filter(
        (s) => changes.filter(({ atS }) => atS <= s).reduce((sum, { by }) => sum + by, 0) > there(s) + 1e-9,
      )
      .map((s) => `${resource.id} at ${s}`);
  });

describe('several days in one horizon', () => {
  it('three days of the demo are planned whole, and two counts find nothing', () => {
    const found = plan({ orders: days(3) });
    expect(found.objective.undonePieces).toBe(0);
    expect(found.unserved).toEqual([]);
    expect(found.violations).toEqual([]);
    expect(overbooked(found)).toEqual([]);
    expect(found.bound.undonePieces).toBe(0);
    expect(found.bound.cost).toBeLessThanOrEqual(found.objective.cost);
  });

  it('every order has its pieces before its ready-by, none twice', () => {
    const found = plan({ orders: days(2) });
    const baked = new Map<string, number>();
    for (const batch of found.batches)
      for (const load of batch.loads)
        for (const tray of load.trays)
          baked.set(batch.productCode, (baked.get(batch.productCode) ?? 0) + tray.pieces);
    for (const { order, pieces, readyS } of found.served) {
      expect(pieces).toBe(order.pieces);
      expect(readyS).toBeLessThanOrEqual(order.readyByS);
    }
    for (const [code, count] of baked)
      expect(count).toBeGreaterThanOrEqual(
        found.served.filter(({ order }) => order.productCode === code).reduce((n, s) => n + s.pieces, 0),
      );
  });

  it('the demo day is within a tenth of the least that any plan costs', () => {
    const found = plan({}, { tries: 300, seconds: 60 });
    expect(found.objective.cost / found.bound.cost).toBeLessThan(1.1);
  });

  it('what two days ask of one oven hour is promised once', () => {
    // Two bake days whose dough is mixed in the same afternoon, by one pair of hands.
    const found = plan({ orders: days(2, 2) });
    expect(overbooked(found)).toEqual([]);
    expect(found.objective.undonePieces).toBe(0);
  });

  it('ovens are cold in the morning: the first load waits until its chamber is hot', () => {
    const found = plan();
    const opens = at('03:30');
    for (const load of found.batches.flatMap(({ loads }) => loads)) {
      const oven = demoEquipment.ovens.find(({ id }) => id === load.ovenId);
      const heats = (60 * (load.setC - 22)) / (oven?.degreesPerMin ?? 1);
      if (load.startS >= opens) expect(load.startS).toBeGreaterThanOrEqual(opens + heats - 1);
    }
    expect(found.tasks.some(({ kind }) => kind === 'oven-on')).toBe(true);
  });

  it('trays under resting dough count: with few of them less is baked, never more than there are', () => {
    const trays = demoEquipment.trays.map((tray) => ({ ...tray, count: 6 }));
    const found = plan({ equipment: { ...demoEquipment, trays } }, { tries: 4 });
    expect(overbooked(found)).toEqual([]);
    for (const task of found.tasks)
      if (task.kind === 'rest' && task.uses.some(({ resourceId }) => resourceId.endsWith('/trays')))
        expect(task.uses.map(({ resourceId }) => resourceId)).toContain('trays');
  });

  it('mixers that are alike share the work', () => {
    const [small] = demoEquipment.mixers;
    if (!small) throw new Error('no mixer');
    const twins = { ...demoEquipment, mixers: [small, { ...small, id: 'twin', name: 'Twin' }] };
    const orders = days(1).filter(({ productCode }) => ['LEM', 'PNT', 'CLM'].includes(productCode));
    const found = plan({ equipment: twins, orders, nowS: at('03:30') }, { tries: 120 });
    expect(new Set(found.batches.map(({ mixerId }) => mixerId)).size).toBe(2);
  });
});

describe('what lies in the cold', () => {
  const rye = (pieces: number, made: number, change: Partial<StockItem> = {}): StockItem => ({
    id: `RYE-old-${made}`,
    productCode: 'RYE',
    pieces,
    form: 'bag',
    placeKind: 'freezer',
    madeAtS: at('12:00', made),
    ...change,
  });
  const orders = days(1).filter(({ productCode }) => productCode === 'RYE');

  it('is used before anything is mixed, the oldest first, a part of it if that is enough', () => {
    const found = plan({ orders, stock: [rye(400, -10), rye(60, -30)] });
    expect(found.batches.map(({ batchId, pieces }) => [batchId, pieces])).toEqual([
      ['RYE-old--30', 60],
      ['RYE-old--10', 54],
    ]);
    expect(found.tasks.some(({ kind }) => kind === 'mix')).toBe(false);
    expect(found.violations).toEqual([]);
    expect(overbooked(found)).toEqual([]);
  });

  it('makes an order possible that no dough could be mixed for any more', () => {
    const late = { orders, nowS: at('14:00', -1) };
    expect(plan(late).objective.undonePieces).toBe(114);
    expect(plan({ ...late, stock: [rye(114, -5)] }).objective.undonePieces).toBe(0);
  });

  it.each([
    ['too old', rye(200, -80)],
    ['chilled too long', rye(200, -5, { placeKind: 'walk-in', form: 'pieces' })],
  ])('%s is left where it is', (_, item) => {
    const found = plan({ orders, stock: [item] });
    expect(found.batches.some(({ batchId }) => batchId === item.id)).toBe(false);
    expect(found.objective.undonePieces).toBe(0);
  });

  it('frozen too late to thaw is left where it is', () => {
    const item = rye(200, 0, { madeAtS: at('02:00') });
    expect(plan({ orders, nowS: at('03:30'), stock: [item] }).batches).toEqual([]);
  });

  it('that thaws until nobody is at the ovens is left, and fresh dough is mixed', () => {
    const kiosk = { id: 'a', customer: 'Kiosk', productCode: 'PNT', pieces: 100, readyByS: at('19:10') };
    const bag: StockItem = {
      id: 'PNT-bag',
      productCode: 'PNT',
      pieces: 200,
      form: 'bag',
      placeKind: 'freezer',
      madeAtS: at('12:00', -1),
    };
    const found = plan({ orders: [kiosk], nowS: at('04:10'), stock: [bag] });
    expect(found.objective.undonePieces).toBe(0);
    expect(found.tasks.map(({ kind }) => kind)).toContain('mix');
  });

  it('too late for the first order is used for those after it', () => {
    const order = (id: string, pieces: number, time: string) => ({
      id,
      customer: 'Kiosk',
      productCode: 'RYE',
      pieces,
      readyByS: at(time),
    });
    const found = plan({
      orders: [order('a', 1, '05:00'), order('b', 60, '10:30')],
      nowS: at('20:00', -1),
      stock: [rye(61, -5)],
    });
    expect(found.unserved.map(({ order: { id }, pieces }) => [id, pieces])).toEqual([['a', 1]]);
    expect(found.violations).toEqual([]);
  });

  it('a tub is portioned, not mixed', () => {
    const tub: StockItem = {
      id: 'SES-tub',
      productCode: 'SES',
      pieces: 124,
      form: 'tub',
      placeKind: 'walk-in',
      madeAtS: at('13:00', -1),
    };
    const ses = days(1).filter(({ productCode }) => productCode === 'SES');
    const found = plan({ orders: ses, nowS: at('22:00', -1), stock: [tub] });
    expect(found.objective.undonePieces).toBe(0);
    expect(found.tasks.map(({ kind }) => kind)).toContain('portion');
    expect(found.tasks.map(({ kind }) => kind)).not.toContain('mix');
    expect(found.violations).toEqual([]);
  });
});

describe('what is not ready in time', () => {
  it('is offered to the quarter of an hour, however long it takes', () => {
    const order = (id: string, productCode: string, readyByS: number): HorizonOrder => ({
      id,
      customer: 'Kiosk',
      productCode,
      pieces: 12,
      readyByS,
    });
    const orders = [order('a', 'NIB', at('05:10')), order('b', 'RYE', at('05:10'))];
    const { unserved } = plan({ orders, nowS: at('04:10') }, { waysSeconds: 60 });
    const later = unserved.map(({ ways }) => ways.find(({ kind }) => kind === 'later')?.amount ?? 0);
    // Its rest and the rest of its way take so long; rye rests a day, and by then the ovens are cold again.
    expect(later[0]).toBeGreaterThanOrEqual(4.5 * 3600);
    expect(later[0]).toBeLessThanOrEqual(5 * 3600);
    expect(later[1]).toBeGreaterThan(24 * 3600);
    expect(later[1]).toBeLessThanOrEqual(26 * 3600);
    expect(later.map((s) => s % 900)).toEqual([0, 0]);
  });

  it('is said at its order, with ways out that were tried and work', () => {
    const orders: HorizonOrder[] = [
      { id: 'a', customer: 'Farm shop', productCode: 'GNG', pieces: 200, readyByS: at('06:10') },
    ];
    const found = plan({ orders, nowS: at('03:30') }, { waysSeconds: 20 });
    const [line] = found.unserved;
    expect(line?.pieces).toBeGreaterThan(0);
    expect(line?.reason).toMatch(/^[A-Z].*\.$/s);
    const later = line?.ways.find(({ kind }) => kind === 'later');
    expect(later?.say).toContain('later.');
    const again = plan({
      orders: orders.map((order) => ({ ...order, readyByS: order.readyByS + (later?.amount ?? 0) })),
      nowS: at('03:30'),
    });
    expect(again.objective.undonePieces).toBe(0);
  });

  it('a batch of which not all finds room is baked in part', () => {
    // Twenty times the lemon drops in one morning: not one piece or nothing, but as many as the ovens take.
    const orders = days(1, 20).filter(({ productCode }) => productCode === 'LEM');
    const found = plan({ orders, nowS: at('03:30') });
    const done = found.served.reduce((sum, { pieces }) => sum + pieces, 0);
    expect(found.objective.undonePieces).toBeGreaterThan(0);
    expect(done).toBeGreaterThan(500);
    expect(done + found.objective.undonePieces).toBe(orders.reduce((sum, { pieces }) => sum + pieces, 0));
    expect(found.bound.undonePieces).toBeLessThanOrEqual(found.objective.undonePieces);
    expect(found.bound.cost).toBeLessThanOrEqual(found.objective.cost);
    expect(overbooked(found)).toEqual([]);
    expect(found.violations).toEqual([]);
  });

  it('of two customers the one that counts more is served', () => {
    const order = (id: string, weight: number): HorizonOrder => ({
      id,
      customer: id,
      productCode: 'GNG',
      pieces: 900,
      readyByS: at(id === 'heavy' ? '07:35' : '07:30'),
      weight,
    });
    const { problem } = horizonProblem(
      asked({ orders: [order('light', 1), order('heavy', 5)], nowS: at('03:30') }),
    );
    expect(undonePieces(problem, [])).toBe(900 + 4500);
  });
});

describe('how sure', () => {
  it('a plan that is asked to be safe is surer than one that is not, by a count of its own', () => {
    const plain = plan({}, { tries: 40 });
    const safe = plan({}, { tries: 40, chance: 0.9 });
    const least = (of: typeof plain) => Math.min(...of.chance.map(({ probability }) => probability));
    expect(least(safe)).toBeGreaterThan(least(plain));
    expect(least(safe)).toBeGreaterThanOrEqual(0.85);
    expect(safe.violations).toEqual([]);
  });
});

describe(`${howMany(20, 6) * 10} days of nobody’s making`, () => {
  const codes = demoFormulas.map(({ code }) => code);
  it.each(Array.from({ length: howMany(20, 6) }, (_, seed) => seed))(
    'ten with seed %d: no plan fails two counts, and none is better than its bound',
    (seed) => {
      const random = chance(1000 + seed);
      const whole = (from: number, to: number) => Math.floor(random.between(from, to + 1));
      for (let day = 0; day < 10; day++) {
        const nowS = at('00:00', -whole(0, 3)) + whole(0, 86_400);
        const orders = Array.from({ length: whole(1, 6) }, (_, i): HorizonOrder => ({
          id: String(i),
          customer: `Customer ${i}`,
          productCode: codes[whole(0, codes.length - 1)] as string,
          pieces: whole(1, 300),
          readyByS: Math.max(nowS + 600, at('04:00', whole(0, 1)) + whole(0, 8 * 3600)),
        }));
        const trays = demoEquipment.trays.map((tray) => ({ ...tray, count: whole(8, 36) }));
        const shifts = demoEquipment.shifts.map((shift) => ({ ...shift, hands: whole(1, 2) }));
        const input = asked({ nowS, orders, equipment: { ...demoEquipment, trays, shifts } });
        const { problem } = horizonProblem(input);
        const { batches, unplaced } = solvePlan(problem, { tries: 8, seconds: 60 });
        expect(checkPlan(problem, { batches, unplaced, boundS: 0 })).toEqual([]);
        const tasks = batches.flatMap((batch) => batch.tasks);
        expect(overbooked({ tasks, resources: problem.resources })).toEqual([]);
        const undone = undonePieces(problem, batches);
        const least = leastUndone(problem, solveLinear);
        expect(least).toBeLessThanOrEqual(undone);
        // Also where it is not proved that no more could be done.
        expect(leastCost(problem, undone)).toBeLessThanOrEqual(costOf(problem, batches).minutes + 1e-6);
        const served = servedBy(problem, batches).reduce((sum, { pieces }) => sum + pieces, 0);
        const ordered = problem.products.flatMap(({ demands }) => demands).reduce((n, d) => n + d.pieces, 0);
        expect(served + undone).toBe(ordered);
      }
    },
  );
});

describe('days on which the bakery is closed', () => {
  const calendar = {
    closedWeekdays: [7],
    closedDays: [{ date: shiftDate(demoDay.date, 1), why: 'Harbour day' }],
  };
  it('knows why: a day of its own, or one of the week', () => {
    expect(whyClosed(calendar, '2026-11-28')).toBe('Harbour day');
    expect(whyClosed(calendar, '2026-11-29')).toBe('every Sunday');
    expect(whyClosed(calendar, '2026-11-27')).toBeNull();
    expect(whyClosed(undefined, '2026-11-29')).toBeNull();
    expect(['2026-11-23', '2026-11-29', '2028-02-29'].map(weekdayOf)).toEqual([1, 7, 2]);
  });
  it('nobody works on them, what is due then says so at its line, and the rest is planned', () => {
    const found = plan({ orders: days(4), equipment: { ...demoEquipment, calendar } });
    expect(found.violations).toEqual([]);
    const dates = found.unserved.map(({ order }) => order.id.slice(0, 10));
    expect(new Set(dates)).toEqual(new Set(['2026-11-28', '2026-11-29']));
    for (const { reason } of found.unserved) expect(reason).toContain('The bakery is closed that day');
    const [from, to] = [at('00:00', 1), at('00:00', 3)];
    for (const { kind, startS, endS } of found.tasks)
      if (kind === 'mix' || kind === 'portion' || kind === 'bake')
        expect([kind, startS >= to || endS <= from]).toEqual([kind, true]);
    // Monday's dough is mixed on Friday, or on Monday itself: it is whole all the same.
    expect(found.served.filter(({ order }) => order.id.startsWith('2026-11-30')).length).toBeGreaterThan(5);
  });
  it('a night shift that begins on an open evening goes on into a closed day', () => {
    const stretch = { fromS: at('00:00'), toS: at('00:00', 3) };
    const night = { from: '22:00', to: '06:00', capacity: 1 };
    expect(everyDay(stretch, demoRules.timeZone, night, calendar).map(({ fromS }) => fromS)).toEqual([
      at('22:00', -1),
      at('22:00'),
      at('22:00', 3),
    ]);
  });
});

describe('a mixer with more bowls', () => {
  const spareOf = (bowls: number | undefined, cleanS: number, mixS = 1500) =>
    horizonProblem({
      ...asked(),
      rules: { ...demoRules, cleanS, mixS },
      equipment: {
        ...demoEquipment,
        mixers: demoEquipment.mixers.map((mixer, i) =>
          i === 0 && bowls !== undefined ? { ...mixer, bowls } : mixer,
        ),
      },
    }).problem.bowls?.spare;
  const [first] = demoEquipment.mixers.map(({ id }) => id);
  it('goes on at once, where a bowl is clean again by the time that it comes round', () => {
    expect(spareOf(2, 600)).toEqual([first]);
    expect(spareOf(1, 600)).toBeUndefined();
    expect(spareOf(undefined, 600)).toBeUndefined();
  });
  it('waits where the other bowls are too few for that: dough never meets what was left in one', () => {
    expect(spareOf(2, 7200)).toBeUndefined();
    expect(spareOf(3, 2400)).toEqual([first]);
    expect(spareOf(2, 2400, 900)).toBeUndefined();
  });
});
