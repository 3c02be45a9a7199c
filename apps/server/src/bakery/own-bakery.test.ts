import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import 'reflect-metadata';
import { demoFormulas } from '@jokul/core';
import type { BakeryView, DayView, JournalView, PlanView, ProblemView } from '@jokul/contracts';
import { testDatabase } from '../database/test-database.testkit.js';
import { makeApp } from '../make-app.js';
import { OwnBakery } from './own-bakery.service.js';
import { WhichBakery } from '../settings/which-bakery.js';

let app: NestExpressApplication;
let drop: () => Promise<void>;
beforeAll(async () => {
  const database = await testDatabase(false);
  ({ drop } = database);
  app = await makeApp({ ...database.config, seedDemo: false, seedOwn: true }, false);
  await app.listen(0, '127.0.0.1');
}, 60_000);
afterAll(async () => {
  await app.close();
  await drop();
});

interface Told<T> {
  readonly status: number;
  readonly body: T;
}
const call = async <T = ProblemView>(method: string, path: string, body?: object): Promise<Told<T>> => {
  const response = await fetch(`${await app.getUrl()}/api/${path}`, {
    method,
    ...(body && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
  return { status: response.status, body: (await response.json()) as T };
};
const bakery = async () => (await call<BakeryView>('GET', 'bakery')).body;

describe('a bakery of one’s own', () => {
  it('begins with an example of each thing and nothing of the demo', async () => {
    const { name, formulas, equipment, clock } = await bakery();
    expect([name, formulas, clock.mode]).toEqual(['My bakery', [], 'real']);
    expect(equipment.ovens).toHaveLength(1);
    expect((await call<JournalView>('GET', 'journal?since=0')).body.entries).toEqual([]);
    expect(JSON.stringify(await bakery())).not.toMatch(/Hollin|Port|Keel/);
    for (const path of ['days/2026-12-01', 'days/2026-12-01/calibration', 'probes?from=0', 'journal/verify'])
      expect([path, (await call('GET', path)).status]).toEqual([path, 200]);
  });
  it('says which it is; opening the other one is for the start command, and refused in words without it', async () => {
    const { kind, other } = await bakery();
    expect([kind, other]).toEqual(['own', false]);
    const refused = await call('POST', 'bakery/open', { kind: 'demo' });
    expect([refused.status, refused.body.message]).toEqual([422, expect.stringMatching(/npm start/)]);
    expect((await call('POST', 'bakery/open', { kind: 'own' })).status).toBe(202);
    expect((await call('POST', 'bakery/open', { kind: 'third' })).status).toBe(400);
    for (const id of ['new', 'own-2'])
      expect((await call('POST', 'bakery/open', { kind: 'own', id })).status).toBe(422);
    for (const id of ['own-1', '../db', 'own-100', 'demo', '', 7])
      expect([id, (await call('POST', 'bakery/open', { kind: 'own', id })).status]).toEqual([id, 400]);
    const { id, kind: still, ownBakeries } = await bakery();
    expect([id, still, ownBakeries]).toEqual(['own', 'own', [{ id: 'own', name: 'My bakery' }]]);
  });
  it('takes no entry that was written for another ledger', async () => {
    const note = (id: string, ledger?: string) =>
      call('POST', 'journal', {
        entries: [
          {
            id,
            atMs: Date.now(),
            who: 'Baker',
            device: 'x',
            lot: 'OAT-26-1-A',
            kind: 'note',
            payload: { text: 'a' },
          },
        ],
        ...(ledger !== undefined && { ledger }),
      });
    const refused = await note('7f3c1a52-6a0e-4a52-9d7e-0d6f4b1f0a01', 'the-demo');
    expect([refused.status, refused.body.code]).toEqual([409, 'other-ledger']);
    expect((await call<JournalView>('GET', 'journal?since=0')).body).toMatchObject({
      entries: [],
      ledger: 'own:',
    });
  });
  it('makes room for the other one after it has answered, where the start command waits for it', async () => {
    const which = new WhichBakery('own', true);
    const left = new Promise<string>((resolve) => which.onLeave(() => resolve('left')));
    which.open('own');
    expect(await Promise.race([left, new Promise((r) => setTimeout(() => r('stays'), 400))])).toBe('stays');
    which.open('demo');
    expect(await left).toBe('left');
  });
  it('is one of several: each is opened by its id, a new one gets the next that is free', () => {
    const news: unknown[] = [];
    const known = [
      { id: 'own', name: 'Kestrel Lane' },
      { id: 'own-2', name: 'as it was called' },
    ];
    const server = (id: string) => {
      const which = new WhichBakery(id, true, known, (said) => news.push(said));
      which.onLeave(() => undefined);
      return which;
    };
    expect(server('own-2').open('own')).toBe('own');
    expect(server('own-2').open('own', 'new')).toBe('own-3');
    expect(server('own-2').open('demo')).toBe('demo');
    expect(server('own-2').open('own', 'own-2')).toBe('own-2');
    expect(() => server('own-2').open('own', 'own-7')).toThrow('no bakery "own-7"');
    expect(news.splice(0)).toEqual([{ open: 'own' }, { open: 'own-3' }, { open: 'demo' }]);
    // Of two presses at once, or on two tablets, the first counts.
    const which = server('own-2');
    expect([which.open('own', 'new'), which.open('own', 'new'), which.open('demo')]).toEqual([
      'own-3',
      'own-3',
      'own-3',
    ]);
    expect(news.splice(0)).toEqual([{ open: 'own-3' }]);
  });
  it('says what it is called once, and again when it is called otherwise', () => {
    const news: unknown[] = [];
    const known = [{ id: 'own-2', name: 'Quay Lane' }];
    const which = new WhichBakery('own-2', true, known, (said) => news.push(said));
    for (const name of ['Quay Lane', 'Quay Lane', 'Hill End', 'Hill End'])
      expect(which.own(name)).toEqual([{ id: 'own-2', name }]);
    new WhichBakery('demo', true, known, (said) => news.push(said)).own('the demo');
    expect(news).toEqual([{ name: 'Hill End' }]);
  });
  it('is named, and its clock put where it is', async () => {
    const { rulesVersion } = await bakery();
    const named = await call<BakeryView>('PUT', 'bakery', {
      name: ' Hill End Bakery ',
      timeZone: 'America/New_York',
      rulesVersion,
    });
    expect([named.status, named.body.name, named.body.rules.timeZone]).toEqual([
      200,
      'Hill End Bakery',
      'America/New_York',
    ]);
    const stale = await call('PUT', 'bakery', { name: 'Another', timeZone: 'Asia/Tokyo', rulesVersion });
    expect([stale.status, (await bakery()).name]).toEqual([409, 'Hill End Bakery']);
    const wrong = await call('PUT', 'bakery', { name: 'x', timeZone: 'Mars/Olympus', rulesVersion: 2 });
    expect([wrong.status, wrong.body.message]).toEqual([422, 'There is no time zone "Mars/Olympus".']);
  });
  it('is not begun anew by the next start', async () => {
    await app.get(OwnBakery).beginIfEmpty();
    expect((await bakery()).name).toBe('Hill End Bakery');
  });
  it('takes its first formula and order, and plans its first day', async () => {
    const [ginger] = demoFormulas;
    if (!ginger) throw new Error('no formula');
    const { code: _code, version: _version, ...body } = ginger;
    expect((await call('POST', 'formulas', { ...body, code: 'OWN', name: 'First one' })).status).toBe(201);
    const line = { customer: 'Counter', productCode: 'OWN', pieces: 180, readyBy: '11:00' };
    expect((await call('POST', 'days/2026-12-01/orders', line)).status).toBe(201);
    const { status, body: made } = await call<PlanView>('POST', 'days/2026-12-01/plan', {});
    expect(status).toBe(201);
    expect(made.plan.unplaced).toEqual([]);
    expect(made.plan.batches.flatMap(({ loads }) => loads.map(({ ovenId }) => ovenId))).toContain('oven');
    expect((await call<DayView>('GET', 'days/2026-12-01')).body.plan?.plan.batches).toHaveLength(1);
  }, 60_000);
});
