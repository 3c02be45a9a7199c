import { describe, expect, it } from '@jest/globals';
import { demoDay, demoEquipment, demoFormulas, demoRules } from '../demo/index.js';
import type { Formula } from '../formula/index.js';
import {
  isStockBegun,
  isTakenOut,
  openActions,
  reduceLedger,
  type DraftEntry,
  type EntryKind,
  type Payloads,
} from '../ledger/index.js';
import { lotRecord } from '../lot/index.js';
import {
  checkPlan,
  dayHorizon,
  dayProblem,
  lotsNeeded,
  solvePlan,
  type BatchPlan,
  type StockItem,
} from '../planning/index.js';
import { at, dayInput } from '../planning/problem/problem.testkit.js';
import { forecastDay } from '../slip/index.js';
import { partOff } from './part.js';
import { stockInTheCold, type StockQuestion } from './stock.js';
import { kindOfPlace, oldestAge } from './window.js';

const formulas = new Map(demoFormulas.map((formula) => [formula.code, formula]));
const of = (code: string): Formula => formulas.get(code) as Formula;
const nowS = at('12:00', -3);

let count = 0;
const entry = <K extends EntryKind>(lot: string, atS: number, kind: K, payload: Payloads[K]): DraftEntry =>
  ({
    id: `entry-${(count += 1)}`,
    atMs: atS * 1000,
    who: 'Mix hand',
    device: 'test',
    lot,
    kind,
    payload,
  }) as DraftEntry;

interface Lying {
  readonly lot?: string;
  readonly code?: string;
  readonly daysAgo?: number;
  readonly pieces?: number;
  readonly placeId?: string;
  readonly form?: 'pieces' | 'tub' | 'bag';
  readonly formula?: Formula;
}
/** A lot that was mixed, portioned unless it is a tub, and lies in a place since. */
const lying = ({
  code = 'RYE',
  lot = `${code}-26-7-X`,
  daysAgo = 10,
  pieces = 100,
  placeId = 'freezer',
  form = 'bag',
  formula = of(code),
}: Lying = {}): readonly DraftEntry[] => {
  const atS = nowS - daysAgo * 86_400;
  const massG = pieces * formula.piece.massG;
  return [
    entry(lot, atS - 3600, 'begun', lotRecord(formula, { massG, pieces, day: null, mixerId: null })),
    entry(lot, atS - 2400, 'mixed', { doughC: 21, massG, missing: [] }),
    ...(form === 'tub'
      ? []
      : [
          entry(lot, atS - 300, 'portioned', {
            pieces,
            scoop: 0,
            samplesG: [],
            targetG: formula.piece.massG,
            remainderG: 0,
          }),
        ]),
    entry(lot, atS, 'rest-in', {
      placeId,
      form,
      cover: 'covered',
      startC: 20,
      massG,
      pieces: form === 'tub' ? 0 : pieces,
    }),
  ];
};

const stockOf = (entries: readonly DraftEntry[], change: Partial<StockQuestion> = {}): readonly StockItem[] =>
  stockInTheCold({
    lots: reduceLedger(entries).lots,
    places: demoEquipment.places,
    rules: demoRules,
    formulas,
    planned: [],
    partNames: new Set(),
    parts: 2,
    nowMs: nowS * 1000,
    ...change,
  });

const order = (code: string, pieces: number, readyBy = '09:00', date?: string) => ({
  id: `${code} ${pieces} ${readyBy} ${date ?? ''}`,
  customer: 'Farm shop',
  productCode: code,
  pieces,
  readyBy,
  ...(date !== undefined && { date }),
});
const planOf = (change: Parameters<typeof dayInput>[0]) => {
  const { problem } = dayProblem(dayInput(change));
  const plan = solvePlan(problem, { tries: 20, seconds: 60 });
  return { problem, plan, faults: checkPlan(problem, plan) };
};
const loadIds = (batches: readonly BatchPlan[]) => batches.flatMap(({ loads }) => loads.map(({ id }) => id));

describe('dough in the cold that a plan may use', () => {
  it('is a lot with all that lies there, in its form and place, good until its clock runs out', () => {
    const [item] = stockOf(lying());
    expect(item).toMatchObject({
      id: 'RYE-26-7-X',
      productCode: 'RYE',
      pieces: 100,
      form: 'bag',
      placeKind: 'freezer',
      placeId: 'freezer',
      loadsBefore: 0,
      inPart: false,
      partIds: ['RYE-26-7-X.101', 'RYE-26-7-X.102'],
    });
    expect((item?.goodUntilS ?? 0) / 86_400).toBeCloseTo(nowS / 86_400 + 46, 1);
  });

  it.each([
    ['past its window', lying({ daysAgo: 60 })],
    ['past its window in the walk-in', lying({ daysAgo: 5, placeId: 'walk-in', form: 'pieces' })],
    ['on the bench', lying({ daysAgo: 0.01, placeId: 'bench', form: 'pieces' })],
    [
      'of another formula than today’s',
      lying({ formula: { ...of('RYE'), version: 9, piece: { ...of('RYE').piece, massG: 55 } } }),
    ],
    ['of a product that nobody wants', lying({ code: 'ODD', formula: { ...of('RYE'), code: 'ODD' } })],
    [
      'all thrown away',
      [
        ...lying(),
        entry('RYE-26-7-X', nowS - 60, 'discarded', { massG: 7000, pieces: 100, reason: 'dropped' }),
      ],
    ],
    ['taken out', [...lying(), entry('RYE-26-7-X', nowS - 60, 'rest-out', { placeId: 'freezer' })]],
  ])('is none that is %s', (_, entries) => {
    expect(stockOf(entries)).toEqual([]);
  });

  it('is none that is kept for something else', () => {
    expect(stockOf(lying(), { leave: new Set(['RYE-26-7-X']) })).toEqual([]);
  });

  it('is also made by a formula of which only the number is another', () => {
    expect(stockOf(lying({ formula: { ...of('RYE'), version: 3 } }))).toHaveLength(1);
  });

  it('was chilled so long that it would be past its window before it is thawed: it stays where it is', () => {
    // Three days in the walk-in first, of the three that it may have, then into the freezer.
    const lot = 'RYE-26-7-X';
    const chilled = lying({ daysAgo: 6, placeId: 'walk-in', form: 'pieces' });
    const frozen = (afterH: number) => [
      ...chilled,
      entry(lot, nowS - 6 * 86_400 + afterH * 3600, 'rest-out', { placeId: 'walk-in' }),
      entry(lot, nowS - 6 * 86_400 + afterH * 3600 + 60, 'rest-in', {
        placeId: 'freezer',
        form: 'pieces',
        cover: 'covered',
        startC: 4,
        massG: 7000,
        pieces: 100,
      }),
    ];
    expect(stockOf(frozen(20))).toHaveLength(1);
    expect(stockOf(frozen(66))).toEqual([]);
  });

  it('of a tub is as many pieces as it gives', () => {
    const [item] = stockOf(lying({ code: 'SES', placeId: 'walk-in', form: 'tub', daysAgo: 0.6 }));
    expect(item?.form).toBe('tub');
    expect(item?.pieces).toBeGreaterThan(90);
    expect(item?.pieces).toBeLessThanOrEqual(100);
  });

  describe('that other plans reckon with is theirs', () => {
    const load = (id: string, pieces: number) =>
      ({
        id,
        trays: [{ id: `${id}-T1`, position: 1, pieces }],
      }) as unknown as BatchPlan['loads'][number];
    const batch = (change: Partial<BatchPlan>): BatchPlan => ({
      batchId: 'RYE-26-7-X',
      productCode: 'RYE',
      mixerId: '',
      massG: 0,
      pieces: 40,
      loads: [load('RYE-26-7-X-L1', 40)],
      tasks: [],
      ...change,
    });
    it('but for what is in an oven already; what is left is a part, and its loads are numbered on', () => {
      const planned = [batch({})];
      expect(stockOf(lying(), { planned })[0]).toMatchObject({ pieces: 60, inPart: true, loadsBefore: 1 });
      const loaded = entry('RYE-26-7-X', nowS - 60, 'loaded', {
        loadId: 'RYE-26-7-X-L1',
        trayIds: ['RYE-26-7-X-L1-T1'],
        ovenId: 'port',
        setC: 165,
        pullS: 800,
        trayRestS: 300,
        pieces: [40],
      });
      expect(stockOf([...lying(), loaded], { planned })[0]?.pieces).toBe(100);
    });
    it('also as a part that nobody took yet; one that was taken lies there no more', () => {
      const rule = { form: 'bag', placeKind: 'freezer', temperS: 0, fromS: 0, toS: 1e10 } as const;
      const planned = [batch({ batchId: 'RYE-26-7-X.101', stock: { ...rule, from: 'RYE-26-7-X' } })];
      const [item] = stockOf(lying(), { planned });
      expect(item).toMatchObject({ pieces: 60, inPart: true, partIds: ['RYE-26-7-X.102', 'RYE-26-7-X.103'] });
      const lot = reduceLedger(lying()).lots.get('RYE-26-7-X');
      if (!lot) throw new Error('no lot');
      const taken = partOff(
        lot,
        { into: 'RYE-26-7-X.101', massG: 2800, pieces: 40, doughC: -18.5 },
        of('RYE'),
        kindOfPlace(demoEquipment.places),
        nowS * 1000,
      ).map(({ lot: own, kind, payload }) => entry(own, nowS, kind, payload));
      expect(taken.find(({ kind }) => kind === 'rest-in')?.payload).toMatchObject({ startC: -18.5 });
      const after = stockOf([...lying(), ...taken], { planned, partNames: new Set(['RYE-26-7-X.101']) });
      expect(after.find(({ id }) => id === 'RYE-26-7-X')?.pieces).toBe(60);
      expect(after.find(({ id }) => id === 'RYE-26-7-X.101')).toBeUndefined();
    });
  });
});

describe('a day that is planned with dough in the cold', () => {
  const rye = order('RYE', 60);
  it('takes a part of a lot, under a name of its own, and mixes nothing', () => {
    const stock = stockOf(lying());
    const { plan, faults } = planOf({ orders: [rye], stock });
    expect(plan.batches.map(({ batchId, pieces, stock: from }) => [batchId, pieces, from?.from])).toEqual([
      ['RYE-26-7-X.101', 60, 'RYE-26-7-X'],
    ]);
    expect(plan.batches.flatMap(({ tasks }) => tasks.map(({ kind }) => kind))).not.toContain('mix');
    expect(faults).toEqual([]);
  });

  it('takes a whole lot under its own name, and numbers its loads on', () => {
    const [item] = stockOf(lying({ pieces: 60 }));
    const { plan } = planOf({ orders: [rye], stock: [{ ...(item as StockItem), loadsBefore: 3 }] });
    expect(plan.batches.map(({ batchId }) => batchId)).toEqual(['RYE-26-7-X']);
    expect(loadIds(plan.batches)[0]).toBe('RYE-26-7-X-L4');
  });

  it('leaves a few pieces that are not worth a tray, but takes them when they are all that is wanted', () => {
    const stock = stockOf(lying({ pieces: 9 }));
    expect(planOf({ orders: [rye], stock }).plan.batches.some((batch) => batch.stock)).toBe(false);
    expect(planOf({ orders: [order('RYE', 8)], stock }).plan.batches.map((batch) => batch.pieces)).toEqual([
      8,
    ]);
  });

  it('leaves so much in the cold that a mixer takes what is still to be mixed', () => {
    const wanted = order('CRD', 240);
    const stock = stockOf(lying({ code: 'CRD', pieces: 200 }));
    const { plan, faults } = planOf({ orders: [wanted], stock });
    expect(plan.unplaced).toEqual([]);
    expect(faults).toEqual([]);
    const fresh = plan.batches.filter((batch) => !batch.stock);
    expect(fresh).toHaveLength(1);
    expect(plan.batches.reduce((sum, { pieces }) => sum + pieces, 0)).toBeGreaterThanOrEqual(240);
    expect(plan.batches.find((batch) => batch.stock)?.pieces).toBeLessThan(200);
  });

  it('takes so much of a tub that its pieces are there after portioning', () => {
    const stock = stockOf(lying({ code: 'SES', placeId: 'walk-in', form: 'tub', daysAgo: 0.6 }));
    const { plan, faults } = planOf({
      date: '2026-11-25',
      orders: [order('SES', 40, '06:30')],
      stock,
    });
    const part = plan.batches.find((batch) => batch.stock);
    expect(faults).toEqual([]);
    expect(part?.stock).toMatchObject({ form: 'tub', from: 'SES-26-7-X' });
    const { portionLossShare } = demoRules;
    expect((part?.massG ?? 0) * (1 - portionLossShare)).toBeCloseTo(40 * of('SES').piece.massG, 6);
  });

  it('asks for names of new lots only for what is mixed', () => {
    const input = dayHorizon(dayInput({ orders: [rye, order('GNG', 100)], stock: stockOf(lying()) }));
    const needed = new Map(lotsNeeded(input).map(({ productCode, count: n }) => [productCode, n]));
    expect(needed.get('RYE')).toBe(0);
    expect(needed.get('GNG')).toBe(1);
  });

  it('keeps what was taken out in place when it is planned again, and says so if it is past its time', () => {
    const { plan } = planOf({ orders: [rye], stock: stockOf(lying()) });
    const again = dayProblem(dayInput({ orders: [rye], fixed: plan.batches, nowS: at('03:00') })).problem;
    expect(checkPlan(again, { batches: plan.batches, unplaced: [], boundS: 0 })).toEqual([]);
    const stale = plan.batches.map((batch) => ({
      ...batch,
      stock: batch.stock && { ...batch.stock, toS: at('03:00') },
    }));
    expect(
      checkPlan({ ...again, fixed: stale }, { batches: stale, unplaced: [], boundS: 0 }).map(
        ({ code }) => code,
      ),
    ).toEqual(['rest-window']);
  });
});

describe('several days with dough in the cold', () => {
  const dates = [demoDay.date, '2026-11-28', '2026-11-29'];
  const orders = dates.map((date) => order('RYE', 50, '09:00', date));
  it('deal it out day by day, each under another name, and mix the rest', () => {
    const { plan, faults, problem } = planOf({ orders, stock: stockOf(lying({ pieces: 120 })) });
    expect(faults).toEqual([]);
    expect(plan.unplaced).toEqual([]);
    const used = plan.batches.filter((batch) => batch.stock);
    expect(used.map(({ batchId }) => batchId).sort()).toEqual(['RYE-26-7-X.101', 'RYE-26-7-X.102']);
    expect(used.reduce((sum, { pieces }) => sum + pieces, 0)).toBe(100);
    expect(problem.products[0]?.batches.filter(({ stock }) => !stock)).toHaveLength(1);
  });

  it('hold by themselves too, also where dough was mixed long before its day', () => {
    const week = [27, 28, 29, 30].map((d) => order('CRD', 200, '09:00', `2026-11-${d}`));
    const { plan, faults } = planOf({ orders: week });
    expect(faults).toEqual([]);
    const last = plan.batches.filter(({ loads }) => loads.some(({ dueS }) => dueS > at('00:00', 3)));
    expect(last).toHaveLength(1);
    // As if its bags had been filled on the very first afternoon.
    const early = last.map((batch) => {
      const byS = Math.min(...batch.tasks.map(({ startS }) => startS)) - at('13:30', -3);
      const tasks = batch.tasks.map((task) =>
        task.kind === 'mix' || task.kind === 'portion'
          ? { ...task, startS: task.startS - byS, endS: task.endS - byS }
          : task.kind === 'rest'
            ? { ...task, startS: task.startS - byS }
            : task,
      );
      return { ...batch, tasks };
    });
    const own = week.slice(3);
    const { problem } = dayProblem(dayInput({ date: '2026-11-30', orders: own, fixed: early }));
    expect(checkPlan(problem, { batches: early, unplaced: [], boundS: 0 })).toEqual([]);
  });

  it('cover only the day that a batch is for which somebody works on', () => {
    // The second day's dough is mixed; the first day's is not.
    const { plan } = planOf({ orders: [orders[1] as (typeof orders)[number]] });
    const { problem } = dayProblem(dayInput({ orders, fixed: plan.batches }));
    const serves = problem.products[0]?.batches.map((batch) => batch.serves);
    expect(serves).toEqual([[0], [2]]);
    const all = solvePlan(problem, { tries: 20, seconds: 60 });
    expect(all.unplaced).toEqual([]);
    expect(checkPlan(problem, all)).toEqual([]);
  });
});

describe('what the floor has to do with dough from the cold', () => {
  const plan = (pieces: number, lies: Lying = {}) =>
    planOf({ orders: [order('RYE', 60)], stock: stockOf(lying({ pieces, ...lies })) }).plan.batches;
  const temperS = (batch: BatchPlan) => batch.tasks.find(({ kind }) => kind === 'temper')?.startS ?? 0;
  const actions = (batches: readonly BatchPlan[], entries: readonly DraftEntry[]) =>
    openActions(batches, reduceLedger(entries))
      .filter(({ load }) => !load)
      .map(({ kind, batchId, dueMs }) => [kind, batchId, dueMs / 1000]);

  it('a part of a tub goes on as another product of the same dough, with its own toppings, age and orders', () => {
    const rye = of('RYE');
    const mini: Formula = {
      ...rye,
      code: 'RYM',
      name: 'Rye Mini',
      piece: { ...rye.piece, massG: 20 },
      toppings: [{ ingredientId: 'sesame', percent: 5, on: 'top' }],
    };
    const made = lying({ form: 'tub', placeId: 'walk-in', daysAgo: 1, pieces: 100 });
    const lot = reduceLedger(made).lots.get('RYE-26-7-X');
    const writes = partOff(
      lot as never,
      { into: 'RYE-26-7-X.2', massG: 2000, pieces: 0, as: mini },
      rye,
      kindOfPlace(demoEquipment.places),
      nowS * 1000,
    );
    const entries = [...made, ...writes.map((w) => entry(w.lot, nowS, w.kind, w.payload))];
    const begun = reduceLedger(entries).lots.get('RYE-26-7-X.2')?.begun;
    expect(begun).toMatchObject({ productCode: 'RYM', formula: { code: 'RYM', piece: { massG: 20 } } });
    expect(begun?.parents).toEqual([{ lot: 'RYE-26-7-X', massG: 2000 }]);
    expect(begun?.allergens).toEqual(expect.arrayContaining(['sesame', 'milk', 'nuts']));
    expect(begun?.which).toContain('walnut');
    expect(begun?.age?.chilledS).toBeCloseTo(86_400, -1);
    const both = new Map([...formulas, ['RYM', mini]]);
    const stock = stockOf(entries, { formulas: both });
    expect(stock.map(({ id, productCode }) => [id, productCode])).toEqual([
      ['RYE-26-7-X', 'RYE'],
      ['RYE-26-7-X.2', 'RYM'],
    ]);
    // 7 kg less 2 kg, and 2 kg in pieces of 20 g, each less what the scoop loses.
    expect(stock[0]?.pieces).toBeLessThanOrEqual(71);
    expect(stock[1]?.pieces).toBeGreaterThan(95);
    // It has rested as long as the rest of it.
    expect(Math.abs((stock[1]?.madeAtS ?? 0) - (stock[0]?.madeAtS ?? 0))).toBeLessThan(3600);
    // Nobody wants the other product: it is none of this one's.
    expect(stockOf(entries).map(({ id }) => id)).toEqual(['RYE-26-7-X']);
  });

  it('a part is taken out when its time comes, and then only baked', () => {
    const batches = plan(100);
    const [batch] = batches;
    if (!batch) throw new Error('no batch');
    expect(actions(batches, lying())).toEqual([['rest-out', 'RYE-26-7-X.101', temperS(batch)]]);
    const lot = reduceLedger(lying()).lots.get('RYE-26-7-X');
    const writes = partOff(
      lot as never,
      { into: batch.batchId, massG: 60 * 70, pieces: 60, day: demoDay.date },
      of('RYE'),
      kindOfPlace(demoEquipment.places),
      temperS(batch) * 1000,
    );
    const after = [...lying(), ...writes.map((w) => entry(w.lot, temperS(batch), w.kind, w.payload))];
    expect(actions(batches, after)).toEqual([]);
    const floor = reduceLedger(after);
    expect(floor.lots.get('RYE-26-7-X')?.stays[0]?.pieces).toBe(40);
    const part = floor.lots.get(batch.batchId);
    expect(part?.begun).toMatchObject({ day: demoDay.date, pieces: 60, productCode: 'RYE' });
    expect(part?.begun?.age?.frozenS).toBeGreaterThan(9 * 86_400);
    // It lay in one stay all the while: nobody put it away again.
    const kindOf = kindOfPlace(demoEquipment.places);
    expect(part && oldestAge(part, kindOf, (temperS(batch) + 60) * 1000).stays).toBe(1);
    expect(isStockBegun(batch, floor)).toBe(true);
    expect(part && isTakenOut(batch, part)).toBe(true);
  });

  it('a whole lot that was mixed long ago is not begun until it is taken out', () => {
    const batches = plan(60);
    const [batch] = batches;
    if (!batch) throw new Error('no batch');
    expect(batch.stock?.from).toBeUndefined();
    const before = lying({ pieces: 60 });
    expect(isStockBegun(batch, reduceLedger(before))).toBe(false);
    expect(actions(batches, before)).toEqual([['rest-out', 'RYE-26-7-X', temperS(batch)]]);
    const out = [...before, entry('RYE-26-7-X', temperS(batch) + 60, 'rest-out', { placeId: 'freezer' })];
    expect(isStockBegun(batch, reduceLedger(out))).toBe(true);
    expect(actions(batches, out)).toEqual([]);
  });

  it('the forecast lets it wait for nothing: it rested, and it is begun only when it is taken', () => {
    const batches = plan(60);
    const going = forecastDay({
      batches,
      floor: reduceLedger(lying({ pieces: 60 })),
      nowS: at('02:00'),
      ovens: demoEquipment.ovens,
      loadGapS: demoRules.loadGapS,
      restOf: () => of('RYE').rest,
    });
    expect(going.batches.flatMap(({ loads }) => loads.map(({ startS }) => startS))).toEqual(
      batches.flatMap(({ loads }) => loads.map(({ startS }) => startS)),
    );
    expect([...going.begun]).toEqual([]);
  });
});
