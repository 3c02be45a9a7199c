import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BakeryView, SetupChanges, SetupChangeView, SetupFile } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 120_000);
afterAll(() => app.stop());

const bakery = async () => (await app.get<BakeryView>('bakery')).body;
const save = async (perKg: object, currency = 'EUR', version?: number) =>
  app.put<BakeryView>('prices', { currency, perKg, version: version ?? (await bakery()).pricesVersion });

describe('what ingredients cost', () => {
  it('is nothing at first, and then what was saved', async () => {
    expect(await bakery()).toMatchObject({ prices: { currency: '', perKg: {} }, pricesVersion: 0 });
    const { status, body } = await save({ butter: 8.4, salt: 0 });
    expect([status, body.prices]).toEqual([200, { currency: 'EUR', perKg: { butter: 8.4, salt: 0 } }]);
  });

  it('of two first and later saves one is kept, and the other says so', async () => {
    const { pricesVersion: version } = await bakery();
    const answers = await Promise.all([9, 10, 11].map((butter) => save({ butter }, 'EUR', version)));
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([200, 409, 409]);
    expect((await bakery()).pricesVersion).toBe(version + 1);
  });

  it('makes no plan stale: it bakes as it did', async () => {
    const plan = async () =>
      (await app.get<{ plan: { stale: boolean } | null }>('days/2026-11-27')).body.plan?.stale;
    const before = await plan();
    expect((await save({ butter: 12 })).status).toBe(200);
    expect(await plan()).toBe(before);
  });

  it.each<[string, object]>([
    ['a negative price', { perKg: { butter: -1 } }],
    ['a price in words', { perKg: { butter: 'much' } }],
    ['no end of a price', { perKg: { butter: 1e9 } }],
    ['a list', { perKg: [[1]] }],
    ['an empty list', { perKg: [] }],
    ['packs in a list', { packG: [] }],
    ['a pack that weighs less than nothing', { packG: { butter: -1 } }],
    ['no currency', { currency: 7 }],
    ['a currency of two letters', { currency: 'EU' }],
    ['a version that is none', { version: 'x' }],
    ['more than is asked for', { more: 1 }],
  ])('%s is refused, and nothing is changed', async (_, wrong) => {
    const before = await bakery();
    const { status } = await app.put('prices', {
      currency: 'EUR',
      perKg: {},
      version: before.pricesVersion,
      ...wrong,
    });
    expect(status).toBe(400);
    expect((await bakery()).prices).toEqual(before.prices);
  });

  it('takes what is named like a thing of the language for what it is: no price of anything', async () => {
    const odd = JSON.parse('{"__proto__": 3, "constructor": 4}') as object;
    expect((await save(odd)).status).toBeLessThan(500);
    expect((await app.get('bakery')).status).toBe(200);
  });

  it('is in the history, in the setup file, and goes back with it', async () => {
    await save({ butter: 5 });
    await save({ butter: 6 });
    const [latest] = (await app.get<readonly SetupChangeView[]>('setup/changes')).body;
    expect(latest).toMatchObject({
      key: 'prices',
      what: { lists: [], rules: [{ key: 'price/butter', from: 5, to: 6 }] },
    });
    const { body: file } = await app.get<SetupFile>(`setup/changes/${latest?.id}/before`);
    expect(file.prices).toEqual({ currency: 'EUR', perKg: { butter: 5 } });
    const looked = await app.post<SetupChanges>('setup/file/look', { file, withBakery: false });
    expect(looked.body).toMatchObject({ lists: ['prices'], rules: [], things: [] });
    const { versions } = looked.body;
    expect((await app.put('setup/file', { file, withBakery: false, versions })).status).toBe(200);
    expect((await bakery()).prices.perKg).toEqual({ butter: 5 });
    // A file of an older Jokul has none: those that are there stay.
    const { prices: _p, ...older } = file;
    const again = await app.post<SetupChanges>('setup/file/look', { file: older, withBakery: false });
    expect(again.body.lists).toEqual([]);
  });

  it('keeps packs and the price of energy for a page that does not know of them', async () => {
    const { pricesVersion } = await bakery();
    const whole = { currency: 'EUR', perKg: { butter: 5 }, packG: { butter: 250 }, perKWh: 0.3 };
    const put = (body: object) => app.put<BakeryView>('prices', body);
    expect((await put({ ...whole, version: pricesVersion })).body.prices).toEqual(whole);
    const { body } = await put({ currency: 'EUR', perKg: { butter: 6 }, version: pricesVersion + 1 });
    expect(body.prices).toEqual({ ...whole, perKg: { butter: 6 } });
    const { body: gone } = await put({
      currency: 'EUR',
      perKg: { butter: 5 },
      packG: {},
      perKWh: 0,
      version: pricesVersion + 2,
    });
    expect(gone.prices).toEqual({ currency: 'EUR', perKg: { butter: 5 }, packG: {}, perKWh: 0 });
    const bad = await put({ ...whole, packG: { butter: -1 }, version: pricesVersion + 3 });
    expect(bad.status).toBe(400);
  });
});
