import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BakeryView, DayView, OrderView, PlanView, StandingOrderView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(() => app.stop());

/* 2027-03-01 is a Monday. */
const order = {
  customer: 'Pier kiosk',
  productCode: 'LEM',
  pieces: 90,
  readyBy: '09:00',
  weekdays: [1, 3, 5],
  from: '2027-03-01',
};
const dayOf = async (date: string) => (await app.get<DayView>(`days/${date}`)).body;
const piecesOn = async (date: string) => (await dayOf(date)).orders.map(({ pieces }) => pieces);
const add = (change: object = {}) => app.post<StandingOrderView>('standing', { ...order, ...change });
const lineOn = async (date: string): Promise<OrderView> => {
  const [line] = (await dayOf(date)).orders;
  if (!line) throw new Error(`nothing on ${date}`);
  return line;
};

describe('a standing order', () => {
  let standing: StandingOrderView;
  it('brings its line on its days, from its first day on', async () => {
    const { status, body } = await add();
    expect(status).toBe(201);
    standing = body;
    expect(await piecesOn('2027-02-26')).toEqual([]);
    expect(await piecesOn('2027-03-01')).toEqual([90]);
    expect(await piecesOn('2027-03-02')).toEqual([]);
    expect(await piecesOn('2027-03-03')).toEqual([90]);
    expect(await lineOn('2027-03-05')).toEqual({
      id: `${standing.id}~2027-03-05`,
      customer: 'Pier kiosk',
      productCode: 'LEM',
      pieces: 90,
      readyBy: '09:00',
      version: 0,
      standing: { id: standing.id, weekdays: [1, 3, 5] },
    });
  });

  it('is changed or left out for one day alone, and taken back', async () => {
    const line = await lineOn('2027-03-03');
    const body = { customer: line.customer, productCode: 'LEM', pieces: 40, readyBy: '08:30', version: 0 };
    const changed = await app.put<OrderView>(`orders/${line.id}`, body);
    expect(changed.body).toMatchObject({
      pieces: 40,
      readyBy: '08:30',
      version: 1,
      standing: { id: standing.id },
    });
    expect(await piecesOn('2027-03-03')).toEqual([40]);
    expect(await piecesOn('2027-03-05')).toEqual([90]);
    // Somebody else still saw the line as it stands.
    expect((await app.put(`orders/${line.id}`, body)).status).toBe(409);

    expect((await app.call('DELETE', `orders/${changed.body.id}?version=1`)).status).toBe(204);
    expect(await piecesOn('2027-03-03')).toEqual([]);
    expect((await dayOf('2027-03-03')).leftOut).toMatchObject([
      { pieces: 40, standing: { id: standing.id } },
    ]);
    // Twice is once; and what is left out cannot be changed unseen.
    expect((await app.call('DELETE', `orders/${line.id}`)).status).toBe(204);
    expect((await app.put(`orders/${line.id}`, body)).body).toMatchObject({ code: 'unknown-line' });

    expect((await app.call('DELETE', `days/2027-03-03/standing/${standing.id}`)).status).toBe(204);
    expect(await piecesOn('2027-03-03')).toEqual([90]);
    expect((await dayOf('2027-03-03')).leftOut).toEqual([]);
  });

  it('ten at once leave one line out once', async () => {
    const { id } = await lineOn('2027-03-10');
    const statuses = await Promise.all(
      Array.from({ length: 10 }, async () => (await app.call('DELETE', `orders/${id}?version=0`)).status),
    );
    expect(statuses.every((status) => status === 204)).toBe(true);
    expect((await dayOf('2027-03-10')).leftOut).toHaveLength(1);
    await app.call('DELETE', `days/2027-03-10/standing/${standing.id}`);
  });

  it('changed from a day on stays what it was before, with what was decided for single days', async () => {
    const line = await lineOn('2027-03-22');
    await app.call('DELETE', `orders/${line.id}`);
    const { status, body } = await app.put<StandingOrderView>(`standing/${standing.id}`, {
      ...order,
      pieces: 120,
      weekdays: [1, 5],
      from: '2027-03-15',
      version: standing.version,
    });
    expect(status).toBe(200);
    expect(body.id).not.toBe(standing.id);
    expect(await piecesOn('2027-03-12')).toEqual([90]);
    expect(await piecesOn('2027-03-15')).toEqual([120]);
    expect(await piecesOn('2027-03-17')).toEqual([]);
    expect(await piecesOn('2027-03-22')).toEqual([]);
    expect((await dayOf('2027-03-22')).leftOut).toMatchObject([{ pieces: 90, standing: { id: body.id } }]);
    // The one that ended is not changed by somebody who saw it before.
    expect((await app.put(`standing/${standing.id}`, { ...order, version: standing.version })).status).toBe(
      409,
    );
    const listed = (await app.get<StandingOrderView[]>('standing?from=2027-03-15')).body;
    expect(
      listed.filter(({ customer, productCode }) => customer === 'Pier kiosk' && productCode === 'LEM'),
    ).toEqual([body]);
    standing = body;
  });

  it('ended it brings nothing more; a single day that was changed stays', async () => {
    const line = await lineOn('2027-04-05');
    await app.put(`orders/${line.id}`, {
      customer: 'Pier kiosk',
      productCode: 'LEM',
      pieces: 10,
      readyBy: '09:00',
      version: 0,
    });
    const url = `standing/${standing.id}?from=2027-04-01&version=${standing.version}`;
    expect((await app.call('DELETE', url)).status).toBe(204);
    expect(await piecesOn('2027-03-29')).toEqual([120]);
    expect(await piecesOn('2027-04-02')).toEqual([]);
    expect(await piecesOn('2027-04-05')).toEqual([10]);
    expect((await lineOn('2027-04-05')).standing).toBeUndefined();
    expect((await app.call('DELETE', url)).status).toBe(409);
  });

  it('sent twice with one key is one; what would double its line is refused', async () => {
    const id = randomUUID();
    const send = () => add({ id, from: '2027-05-03', until: '2027-05-14' });
    expect((await Promise.all([send(), send(), send()])).map(({ status }) => status)).toEqual([
      201, 201, 201,
    ]);
    expect(await piecesOn('2027-05-05')).toEqual([90]);
    expect(await piecesOn('2027-05-17')).toEqual([]);
    const again = await app.post('standing', { ...order, customer: 'PIER kiosk', from: '2027-05-12' });
    expect([again.status, again.body.code]).toEqual([422, 'same-line']);
    const line = { customer: 'Pier kiosk', productCode: 'LEM', pieces: 5, readyBy: '09:00' };
    expect((await app.post(`days/2027-05-05/orders`, line)).body.code).toBe('same-line');
    const many = { lines: [{ ...line, id: randomUUID() }] };
    expect((await app.post('days/2027-05-05/orders/many', many)).body).toEqual({ added: [], already: 1 });
    // On another day of the week, or after it ended, both may stand.
    expect((await add({ weekdays: [2], from: '2027-05-03', until: '2027-05-31' })).status).toBe(201);
    expect((await add({ from: '2027-05-15', until: '2027-05-31' })).status).toBe(201);
  });

  it.each([
    [{ weekdays: [] }, 400],
    [{ weekdays: [1, 1] }, 400],
    [{ weekdays: [0] }, 400],
    [{ weekdays: [1.5] }, 400],
    [{ weekdays: 'daily' }, 400],
    [{ from: '2027-02-30' }, 400],
    [{ from: 'soon' }, 400],
    [{ pieces: 0 }, 400],
    [{ from: '2027-06-01', until: '2027-05-01' }, 422],
    [{ productCode: 'ZZZ' }, 404],
  ])('refuses %j', async (change, status) => {
    expect((await app.post('standing', { ...order, customer: 'Farm shop', ...change })).status).toBe(status);
  });
  it('days that are over stay as they were', async () => {
    await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
    const past = await app.post('standing', { ...order, customer: 'Farm shop', from: '2026-11-26' });
    expect([past.status, past.body.code]).toEqual([422, 'past-day']);
    const { body } = await add({
      customer: 'Farm shop',
      productCode: 'CLM',
      from: '2026-11-27',
      until: '2026-11-27',
    });
    const change = {
      ...order,
      customer: 'Farm shop',
      productCode: 'CLM',
      from: '2026-11-20',
      version: body.version,
    };
    expect((await app.put(`standing/${body.id}`, change)).body).toMatchObject({ code: 'past-day' });
    const end = await app.call('DELETE', `standing/${body.id}?from=2026-11-01&version=${body.version}`);
    expect(end.status).toBe(422);
    expect(
      (await app.call('DELETE', `standing/${body.id}?from=2026-11-27&version=${body.version}`)).status,
    ).toBe(204);
  });
  it('refuses names that are none', async () => {
    const line = { customer: 'x', productCode: 'LEM', pieces: 5, readyBy: '09:00', version: 0 };
    for (const id of ['x', `${standing.id}~`, `${standing.id}~2027-13-01`, `${standing.id}~2027-03-01~x`])
      expect([id, (await app.put(`orders/${id}`, line)).status]).toEqual([id, 400]);
    expect((await app.put(`orders/${randomUUID()}~2027-03-01`, line)).body.code).toBe('unknown-line');
    expect((await app.get('standing?from=x')).status).toBeLessThan(500);
    expect(
      (await app.call('DELETE', `standing/${randomUUID()}?from=2027-03-01&version=1`)).status,
    ).toBeLessThan(500);
  });
});

describe('closed days', () => {
  it('have no standing lines and take no order; what was ordered before says so, and the rest is planned', async () => {
    await add({ customer: 'Farm shop', productCode: 'PNT', weekdays: [1, 2, 3], from: '2027-07-05' });
    await app.post('days/2027-07-06/orders', {
      customer: 'Inn',
      productCode: 'RYE',
      pieces: 44,
      readyBy: '09:00',
    });
    expect(await piecesOn('2027-07-06')).toHaveLength(2);
    const { equipment, equipmentVersion } = (await app.get<BakeryView>('bakery')).body;
    const calendar = { closedWeekdays: [3], closedDays: [{ date: '2027-07-06', why: 'Harbour day' }] };
    const saved = await app.put<BakeryView>('equipment', {
      ...equipment,
      calendar,
      version: equipmentVersion,
    });
    expect(saved.body.equipment.calendar).toEqual(calendar);

    expect(await piecesOn('2027-07-05')).toEqual([90]);
    expect(await piecesOn('2027-07-06')).toEqual([44]);
    expect(await piecesOn('2027-07-07')).toEqual([]);
    const refused = await app.post('days/2027-07-06/orders', {
      customer: 'Inn',
      productCode: 'GNG',
      pieces: 10,
      readyBy: '09:00',
    });
    expect([refused.status, refused.body.code]).toEqual([422, 'closed-day']);
    expect(refused.body.message).toContain('Harbour day');
    const planned = await app.post<PlanView>('days/2027-07-06/plan', {});
    expect(planned.body.plan.batches).toEqual([]);
    expect(planned.body.plan.unplaced).toMatchObject([{ productCode: 'RYE', pieces: 44 }]);
    expect(planned.body.plan.unplaced[0]?.reason).toContain('Harbour day');
  }, 60_000);
  it.each([
    [{ closedWeekdays: [1, 2, 3, 4, 5, 6, 7], closedDays: [] }, 422],
    [
      {
        closedWeekdays: [],
        closedDays: [
          { date: '2027-07-06', why: 'a' },
          { date: '2027-07-06', why: 'b' },
        ],
      },
      422,
    ],
    [{ closedWeekdays: [8], closedDays: [] }, 400],
    [{ closedWeekdays: [], closedDays: [{ date: '2027-02-29', why: 'x' }] }, 400],
    [{ closedWeekdays: [], closedDays: [{ date: '2027-02-28', why: '' }] }, 400],
  ])('refuses %j', async (calendar, status) => {
    const { equipment, equipmentVersion } = (await app.get<BakeryView>('bakery')).body;
    expect((await app.put('equipment', { ...equipment, calendar, version: equipmentVersion })).status).toBe(
      status,
    );
  });
});
