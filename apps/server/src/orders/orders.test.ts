import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { DayView, OrderView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(() => app.stop());

const day = '2026-12-04';
const line = { customer: 'Pier kiosk', productCode: 'LEM', pieces: 90, readyBy: '09:00' };

describe('the bake list', () => {
  it('of the demo Friday has its customers in the order of their ready-by', async () => {
    const { body } = await app.get<DayView>('days/2026-11-27');
    expect(body.orders[0]).toMatchObject({ customer: 'Ferry galley', readyBy: '05:40' });
    expect(body.orders.reduce((sum, o) => sum + o.pieces, 0)).toBe(1470);
  });

  it('asks for another time in the hour that a clock change skips or doubles', async () => {
    const at = (date: string, readyBy: string) => app.post(`days/${date}/orders`, { ...line, readyBy });
    const skipped = await at('2026-03-29', '01:30');
    expect([skipped.status, skipped.body.code]).toEqual([422, 'clock-change']);
    expect(skipped.body.message).toContain('there is no 01:30');
    expect((await at('2026-10-25', '01:30')).body.message).toContain('comes twice');
    expect((await at('2026-10-25', '02:30')).status).toBe(201);
  });

  it('of a day without orders is empty, and there is no plan', async () => {
    expect((await app.get<DayView>('days/2027-01-04')).body).toEqual({
      date: '2027-01-04',
      orders: [],
      leftOut: [],
      plan: null,
    });
  });

  it('takes a line, changes it, and gives it back', async () => {
    const added = await app.post<OrderView>(`days/${day}/orders`, line);
    expect(added.status).toBe(201);
    const changed = await app.put<OrderView>(`orders/${added.body.id}`, { ...line, pieces: 120, version: 1 });
    expect(changed.body).toMatchObject({ pieces: 120, version: 2 });
    const { body } = await app.get<DayView>(`days/${day}`);
    expect(body.orders).toEqual([{ ...line, id: added.body.id, pieces: 120, version: 2 }]);
    expect((await app.call('DELETE', `orders/${added.body.id}`)).status).toBe(204);
    expect((await app.get<DayView>(`days/${day}`)).body.orders).toEqual([]);
  });

  it('refuses the same product for the same customer and time twice', async () => {
    const first = await app.post<OrderView>(`days/${day}/orders`, line);
    const { status, body } = await app.post(`days/${day}/orders`, line);
    expect(status).toBe(422);
    expect(body.message).toBe('Pier kiosk already has LEM at 09:00 on the list; change that line instead.');
    await app.call('DELETE', `orders/${first.body.id}`);
  });

  it('two people changing one line: the second is told what it says now', async () => {
    const { body } = await app.post<OrderView>(`days/${day}/orders`, line);
    await app.put(`orders/${body.id}`, { ...line, pieces: 100, version: 1 });
    const second = await app.put(`orders/${body.id}`, { ...line, pieces: 80, version: 1 });
    expect(second.status).toBe(409);
    expect(second.body.message).toContain('it now says 100 pieces by 09:00');
    await app.call('DELETE', `orders/${body.id}`);
    const gone = await app.put(`orders/${body.id}`, { ...line, version: 2 });
    expect(gone.status).toBe(404);
    expect(gone.body.message).toContain('took this line off the list meanwhile');
  });

  it.each([
    [{ ...line, pieces: 0 }, 'At least one piece'],
    [{ ...line, pieces: -4 }, 'At least one piece'],
    [{ ...line, pieces: 1e6 }, 'more than 20,000 pieces'],
    [{ ...line, pieces: 2.5 }, 'whole number'],
    [{ ...line, pieces: 'many' }, 'whole number'],
    [{ ...line, readyBy: '25:00' }, 'time of day such as 05:40'],
    [{ ...line, customer: '' }, 'Say who it is for'],
    [{ ...line, productCode: '' }, 'Choose a product'],
    [{ customer: 'Kiosk' }, 'Choose a product'],
    [{ ...line, colour: 'red' }, '"colour" is not known here.'],
  ])('refuses %j with a sentence', async (bad, sentence) => {
    const { status, body, type } = await app.post(`days/${day}/orders`, bad);
    expect(status).toBe(400);
    expect(type).toContain('application/problem+json');
    expect(body.message).toContain(sentence);
  });

  it('refuses an unknown product and a day that is none', async () => {
    expect((await app.post(`days/${day}/orders`, { ...line, productCode: 'XYZ' })).body.message).toBe(
      'There is no formula "XYZ".',
    );
    expect((await app.get<{ message: string }>('days/2026-02-31')).body.message).toContain(
      'not in the calendar',
    );
    expect((await app.get<{ message: string }>('days/friday')).body.message).toContain('no date and time');
  });
});

describe('two people at one list', () => {
  it('what somebody changed meanwhile is not taken off unseen', async () => {
    const { body } = await app.post<OrderView>(`days/${day}/orders`, line);
    await app.put(`orders/${body.id}`, { ...line, pieces: 100, version: 1 });
    const stale = await app.call('DELETE', `orders/${body.id}?version=1`);
    expect([stale.status, stale.body.code]).toEqual([409, 'changed-meanwhile']);
    expect(stale.body.message).toContain('it now says 100 pieces');
    expect((await app.call('DELETE', `orders/${body.id}?version=x`)).status).toBe(400);
    expect((await app.call('DELETE', `orders/${body.id}?version=2`)).status).toBe(204);
    // Gone already: there is nothing to say.
    expect((await app.call('DELETE', `orders/${body.id}?version=2`)).status).toBe(204);
  });

  it('a line cannot be changed to a product that does not exist', async () => {
    const { body } = await app.post<OrderView>(`days/${day}/orders`, line);
    const bad = await app.put(`orders/${body.id}`, { ...line, productCode: 'XYZ', version: 1 });
    expect([bad.status, bad.body.code]).toEqual([404, 'unknown-formula']);
    await app.call('DELETE', `orders/${body.id}`);
  });

  it('the same line sent by many at once is on the list once', async () => {
    const answers = await Promise.all(
      Array.from({ length: 12 }, () => app.post(`days/${day}/orders`, { ...line, customer: 'Twelve' })),
    );
    const count = (status: number) => answers.filter((a) => a.status === status).length;
    expect([count(201), count(422)]).toEqual([1, 11]);
    const { body } = await app.get<DayView>(`days/${day}`);
    const mine = body.orders.filter(({ customer }) => customer === 'Twelve');
    expect(mine).toHaveLength(1);
    await app.call('DELETE', `orders/${mine[0]?.id}`);
  });
});

describe('many lines at once', () => {
  const many = '2026-12-11';
  const id = (n: number) => `00000000-0000-4000-8000-0000000000${String(n).padStart(2, '0')}`;
  const lines = [
    { id: id(1), customer: 'Ferry galley', productCode: 'GNG', pieces: 96, readyBy: '05:40' },
    { id: id(2), customer: 'Ferry galley', productCode: 'SES', pieces: 48, readyBy: '05:40' },
    { id: id(3), customer: 'Pier kiosk', productCode: 'LEM', pieces: 48, readyBy: '06:30' },
  ];
  const post = (own: object[], date = many) =>
    app.post<{ added: OrderView[]; already: number; code?: string; path?: string; message?: string }>(
      `days/${date}/orders/many`,
      { lines: own },
    );
  const listed = async () => (await app.get<DayView>(`days/${many}`)).body.orders.length;

  it('come on the list once, however often and by however many they are sent', async () => {
    const answers = await Promise.all(Array.from({ length: 6 }, () => post(lines)));
    expect(answers.map(({ status }) => status)).toEqual(Array.from({ length: 6 }, () => 201));
    expect(answers.reduce((sum, { body }) => sum + body.added.length, 0)).toBe(3);
    expect(await listed()).toBe(3);
  });

  it('what the customer has already stays as it is, the rest is added', async () => {
    const again = [
      { ...lines[0], id: id(4), pieces: 500 },
      { ...lines[2], id: id(5), readyBy: '07:00' },
    ];
    const { body } = await post(again);
    expect([body.added.length, body.already]).toEqual([1, 1]);
    expect((await app.get<DayView>(`days/${many}`)).body.orders.map(({ pieces }) => pieces)).not.toContain(
      500,
    );
  });

  it.each([
    [{ productCode: 'XYZ' }, 404, 'There is no formula "XYZ".', 'lines.1.productCode'],
    [{ pieces: 0 }, 400, 'At least one piece', 'lines.1.pieces'],
    [{ id: 'no key' }, 400, 'id must be a UUID', 'lines.1.id'],
  ])('one that is wrong (%j) keeps all from the list, and is named', async (change, status, why, path) => {
    const before = await listed();
    const wrong = [
      { ...lines[0], id: id(10), readyBy: '08:00' },
      { ...lines[1], id: id(11), readyBy: '08:00', ...change },
    ];
    const answer = await post(wrong);
    expect(answer.status).toBe(status);
    expect(answer.body.message).toContain(why);
    expect(answer.body.path).toBe(path);
    expect(await listed()).toBe(before);
  });

  it('a key of a line of another day moves nothing', async () => {
    const before = await listed();
    const { body } = await post([{ ...lines[0], readyBy: '11:00' }], '2026-12-12');
    expect([body.added.length, body.already]).toEqual([0, 1]);
    expect(await listed()).toBe(before);
  });

  it('a ready-by that a clock change skips is named by its line', async () => {
    const answer = await post([{ ...lines[0], id: id(20), readyBy: '01:30' }], '2026-03-29');
    expect([answer.status, answer.body.code, answer.body.path]).toEqual([
      422,
      'clock-change',
      'lines.0.readyBy',
    ]);
  });
});
