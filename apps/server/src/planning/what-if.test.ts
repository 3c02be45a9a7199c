import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { atWallClock, type Load } from '@jokul/core';
import type {
  BakeryView,
  DayView,
  PlanView,
  TakenView,
  WhatIfInput,
  WhatIfSide,
  WhatIfView,
} from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

/* A copy of the day in which something is otherwise, beside the real one. */

let app: TestApp;
const date = '2026-11-27';
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date, time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const ask = (input: WhatIfInput | object) => app.post<WhatIfView>(`days/${date}/plan/what-if`, input);
const supposed = async (input: WhatIfInput) => {
  const { status, body } = await ask(input);
  if (status !== 201) throw new Error(JSON.stringify(body));
  return body;
};
const take = (id: string) => app.post<TakenView>(`days/${date}/plan/what-if/${id}`, {});
const day = async () => (await app.get<DayView>(`days/${date}`)).body;
const bakery = async () => (await app.get<BakeryView>('bakery')).body;
const everything = async () => {
  const [{ orders, plan }, { equipment }] = await Promise.all([day(), bakery()]);
  return JSON.stringify({ orders, equipment, batches: plan?.plan.batches, stale: plan?.stale });
};
const busyIn = ({ work }: WhatIfSide, placeId: string) =>
  work.filter((own) => own.kind === 'bake' && own.placeId === placeId);
const order = { customer: 'Corner House', productCode: 'GNG', pieces: 96, readyBy: '11:30' };

describe('what if', () => {
  it('changes nothing by asking', async () => {
    const before = await everything();
    const { ovens } = (await bakery()).equipment;
    await supposed({ ovensOut: [ovens[0]?.id ?? ''], orders: [order] });
    expect(await everything()).toBe(before);
  });

  it('is worked out once for several who suppose the same at once, and apart for whoever supposes something else', async () => {
    const other = { ...order, pieces: 48 };
    const [one, two, apart] = await Promise.all([
      supposed({ orders: [order] }),
      supposed({ orders: [order] }),
      supposed({ orders: [other] }),
    ]);
    expect(two).toEqual(one);
    expect(apart.id).not.toBe(one.id);
    expect(apart.after.orderedPieces).toBe(one.after.orderedPieces - 48);
    expect((await supposed({ orders: [order] })).id).not.toBe(one.id);
  });

  it('bakes nothing in an oven that would be out but what is in it already', async () => {
    const { equipment } = await bakery();
    const [oven] = equipment.ovens;
    if (!oven) throw new Error('no oven');
    const { before, after } = await supposed({ ovensOut: [oven.id] });
    expect(busyIn(before, oven.id).length).toBeGreaterThan(0);
    const { nowMs } = (await bakery()).clock;
    expect(busyIn(after, oven.id).filter(({ startS }) => startS > nowMs / 1000)).toEqual([]);
    expect(after.violations).toEqual([]);
    expect(after.orderedPieces).toBe(before.orderedPieces);
    expect(after.undonePieces).toBeGreaterThanOrEqual(before.undonePieces);
  });

  it('has more pieces on the list with one order more, and uses up no number of a lot', async () => {
    const { before, after } = await supposed({ orders: [order] });
    expect(after.orderedPieces).toBe(before.orderedPieces + 96);
    expect(after.loads + after.undonePieces).toBeGreaterThan(before.loads + before.undonePieces);
    const [first, second] = [await supposed({ orders: [order] }), await supposed({ orders: [order] })];
    expect(second.after.work).toEqual(first.after.work);
  });

  it('has nobody mix or portion while everybody would be away', async () => {
    const ahead = '2026-12-15';
    const { shifts } = (await bakery()).equipment;
    const away = ['2026-12-13', '2026-12-14', ahead].flatMap((own) =>
      shifts.map(({ name, hands }) => ({ date: own, shift: name, hands })),
    );
    const { status, body } = await app.post<WhatIfView>(`days/${ahead}/plan/what-if`, { away });
    expect(status).toBe(201);
    expect(body.after.violations).toEqual([]);
    const { timeZone } = (await bakery()).rules;
    const [fromS, toS] = [
      atWallClock('2026-12-13', '12:00', timeZone),
      atWallClock(ahead, '12:00', timeZone),
    ];
    const byHand = ({ work }: WhatIfSide) =>
      work.filter(({ kind, startS }) => kind !== 'bake' && startS >= fromS && startS < toS);
    expect(byHand(body.before).length).toBeGreaterThan(0);
    expect(byHand(body.after)).toEqual([]);
  });

  it.each<[string, object, number, string]>([
    ['nothing', {}, 422, 'nothing-supposed'],
    ['empty lists', { orders: [], ovensOut: [] }, 422, 'nothing-supposed'],
    ['an oven that is not there', { ovensOut: ['kiln'] }, 404, 'unknown-oven'],
    ['an oven like none', { ovensMore: [{ likeId: 'kiln', name: 'Second' }] }, 404, 'unknown-oven'],
    ['a shift that is not there', { away: [{ date, shift: 'Moon', hands: 1 }] }, 404, 'unknown-shift'],
    ['a formula that is not there', { orders: [{ ...order, productCode: 'NONE' }] }, 404, 'unknown-formula'],
  ])('says what is wrong with %s', async (_, input, status, code) => {
    const answer = await ask(input);
    expect([answer.status, (answer.body as unknown as { code: string }).code]).toEqual([status, code]);
  });

  it('refuses to leave no oven at all', async () => {
    const { equipment } = await bakery();
    const { status, body } = await ask({ ovensOut: equipment.ovens.map(({ id }) => id) });
    expect([status, (body as unknown as { code: string }).code]).toEqual([422, 'none-left']);
  });

  it('is taken whole, and back whole', async () => {
    const [{ orders: listBefore, plan: planBefore }, { equipment: setUpBefore }] = await Promise.all([
      day(),
      bakery(),
    ]);
    const [oven] = setUpBefore.ovens;
    if (!oven) throw new Error('no oven');
    const { id } = await supposed({
      orders: [order],
      ovensMore: [{ likeId: oven.id, name: 'The hired one' }],
      away: [{ date: '2026-12-24', shift: setUpBefore.shifts[0]?.name ?? '', hands: 1 }],
    });
    const taken = await take(id);
    expect(taken.status).toBe(201);
    expect(taken.body.plan.stale).toBe(false);
    const list = (await day()).orders;
    expect(list.filter(({ customer }) => customer === order.customer).map(({ pieces }) => pieces)).toContain(
      96,
    );
    const { equipment } = await bakery();
    expect(equipment.ovens.map(({ name }) => name)).toContain('The hired one');
    expect(equipment.calendar?.away).toEqual([
      { date: '2026-12-24', shift: setUpBefore.shifts[0]?.name, hands: 1, why: 'Away' },
    ]);
    // What was taken is taken once.
    expect((await take(id)).status).toBe(409);

    const undone = await app.post<PlanView>(`days/${date}/plan/what-if/${taken.body.back}/undo`, {});
    expect(undone.status).toBe(201);
    const after = await day();
    expect(after.orders).toEqual(listBefore);
    expect(after.plan?.plan.batches).toEqual(planBefore?.plan.batches);
    const { equipment: setUpAfter } = await bakery();
    expect(setUpAfter.ovens.filter(({ retired }) => !retired)).toEqual(setUpBefore.ovens);
    expect(setUpAfter.calendar).toEqual(setUpBefore.calendar);
  }, 60_000);

  it('of an oven that is out is taken as it was shown: what was begun for it bakes elsewhere', async () => {
    const { equipment } = await bakery();
    const [oven] = equipment.ovens;
    if (!oven) throw new Error('no oven');
    const { id, after } = await supposed({ ovensOut: [oven.id] });
    const taken = await take(id);
    expect(taken.status).toBe(201);
    const { plan, violations } = taken.body.plan;
    const loads = plan.batches.flatMap((batch) => batch.loads);
    const { nowMs } = (await bakery()).clock;
    const openIn = (of: readonly Load[]) =>
      of.filter(({ ovenId, startS }) => ovenId === oven.id && startS > nowMs / 1000);
    expect(openIn(loads)).toEqual([]);
    expect(violations).toEqual(after.violations);
    expect(taken.body.plan.quality?.undonePieces).toBe(after.undonePieces);
    // So does planning again by itself.
    const again = (await app.post<PlanView>(`days/${date}/plan`, {})).body;
    expect(openIn(again.plan.batches.flatMap((batch) => batch.loads))).toEqual([]);
    const { equipment: now, equipmentVersion: version } = await bakery();
    const ovens = now.ovens.map((own) => (own.id === oven.id ? { ...own, retired: false } : own));
    const places = now.places.map(({ learned: _learned, ...place }) => place);
    expect((await app.put('equipment', { ...now, places, ovens, version })).status).toBe(200);
    await app.post<PlanView>(`days/${date}/plan`, {});
  }, 60_000);

  it('of a day without a list is taken and back, and leaves no order behind', async () => {
    const empty = '2026-12-02';
    const path = `days/${empty}/plan/what-if`;
    // As much as a mixer takes at the least.
    const { body } = await app.post<WhatIfView>(path, { orders: [{ ...order, pieces: 300 }] });
    expect(body.before).toMatchObject({ orderedPieces: 0, loads: 0, cost: null });
    expect(body.after).toMatchObject({ orderedPieces: 300, undonePieces: 0 });
    const taken = await app.post<TakenView>(`${path}/${body.id}`, {});
    expect(taken.status).toBe(201);
    const undone = await app.post(`${path}/${taken.body.back}/undo`, {});
    expect(undone.status).toBe(201);
    expect((await app.get<DayView>(`days/${empty}`)).body.orders).toEqual([]);
  }, 60_000);

  it('changes nothing when the day cannot be planned by it', async () => {
    // Its only order is over before anybody could bake it.
    await app.put('clock', { mode: 'frozen', date: '2026-12-03', time: '23:00' });
    const path = 'days/2026-12-03/plan/what-if';
    const { status, body } = await app.post<WhatIfView>(path, {
      orders: [order],
      away: [{ date: '2026-12-24', shift: (await bakery()).equipment.shifts[0]?.name ?? '', hands: 1 }],
    });
    expect(status).toBe(201);
    const before = JSON.stringify((await bakery()).equipment);
    const taken = await app.post(`${path}/${body.id}`, {});
    expect([taken.status, (taken.body as { code: string }).code]).toEqual([422, 'day-over']);
    expect((await app.get<DayView>('days/2026-12-03')).body.orders).toEqual([]);
    expect(JSON.stringify((await bakery()).equipment)).toBe(before);
    await app.put('clock', { mode: 'frozen', date, time: '04:10' });
  }, 60_000);

  it('is not taken when the bakery changed meanwhile', async () => {
    const { id } = await supposed({ orders: [order] });
    await app.post<TakenView>(`days/${date}/plan`, {});
    expect((await take(id)).status).toBe(409);
    expect((await day()).orders.some(({ customer }) => customer === order.customer)).toBe(false);
  }, 60_000);

  it('changes nothing when one of its orders is on the list already', async () => {
    const [line] = (await day()).orders;
    if (!line) throw new Error('no line');
    const { customer, productCode, pieces, readyBy } = line;
    const { id } = await supposed({ orders: [order, { customer, productCode, pieces, readyBy }] });
    const before = await everything();
    expect((await take(id)).status).toBe(422);
    expect(await everything()).toBe(before);
  }, 60_000);
});
