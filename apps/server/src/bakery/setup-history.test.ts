import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BakeryView, SetupChanges, SetupChangeView, SetupFile } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { whoOf } from '../common/who.js';
import { DemoSeed } from '../demo/seed.js';
import { ruleKeys } from '../settings/setup-diff.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const bakery = async () => (await app.get<BakeryView>('bakery')).body;
const history = async () => (await app.get<readonly SetupChangeView[]>('setup/changes')).body;
const by = (who: string) => ({ 'x-jokul-who': encodeURIComponent(who) });
const equipmentOf = ({ equipment, equipmentVersion }: BakeryView) => ({
  ...equipment,
  places: equipment.places.map(({ learned: _learned, ...place }) => place),
  version: equipmentVersion,
});
/** All house rules of Setup, with a change. */
const rulesWith = ({ rules, rulesVersion }: BakeryView, change: object) => ({
  ...Object.fromEntries(ruleKeys.map((key) => [key, rules[key]])),
  ...change,
  version: rulesVersion,
});
/** As a screen does it: look at what the file of before changes, then take it in. */
const putBack = async (id: number, who = '') => {
  const { body: file } = await app.get<SetupFile>(`setup/changes/${id}/before`);
  const { body: looked } = await app.post<SetupChanges>('setup/file/look', { file, withBakery: true });
  const taken = await app.call<SetupChanges>(
    'PUT',
    'setup/file',
    { file, withBakery: true, versions: looked.versions },
    by(who),
  );
  return { looked, status: taken.status };
};

describe('what was changed in Setup', () => {
  it('is nothing at first', async () => expect(await history()).toEqual([]));

  it('is kept with who, when, and what', async () => {
    const before = await bakery();
    const coolS = before.rules.coolS + 300;
    await app.call('PUT', 'rules', rulesWith(before, { coolS }), by('Bäcker-in (früh)'));
    expect(await history()).toEqual([
      {
        id: expect.any(Number),
        key: 'rules',
        atMs: Date.parse('2026-11-27T04:10Z'),
        who: 'Bäcker-in (früh)',
        what: {
          things: [],
          lists: [],
          rules: [{ key: 'coolS', from: before.rules.coolS, to: coolS }],
          ingredients: [],
        },
      },
    ]);
  });

  it('of equipment by its names; saving what is there is no change', async () => {
    const before = equipmentOf(await bakery());
    const attic = { id: 'attic', name: 'Attic deck', fan: false, places: 3, degreesPerMin: 3 };
    const ovens = [
      ...before.ovens.map((oven) => (oven.id === 'port' ? { ...oven, degreesPerMin: 4 } : oven)),
      attic,
    ];
    expect((await app.put('equipment', { ...before, ovens, crew: [...before.crew, 'Packer'] })).status).toBe(
      200,
    );
    const [latest] = await history();
    expect(latest?.what.things).toEqual([
      { kind: 'ovens', name: 'Port', what: 'changed' },
      { kind: 'ovens', name: 'Attic deck', what: 'new' },
    ]);
    expect(latest?.what.lists).toEqual(['crew']);
    const count = (await history()).length;
    expect((await app.put('equipment', equipmentOf(await bakery()))).status).toBe(200);
    expect((await history()).length).toBe(count);
  });

  it('goes back part by part: what came since is retired, other parts stay', async () => {
    const [ofEquipment, ofRules] = await history();
    const changed = await bakery();
    const { looked, status } = await putBack(ofEquipment?.id ?? 0, 'Lead');
    expect(status).toBe(200);
    expect(looked.rules).toEqual([]);
    expect(looked.things).toContainEqual({ kind: 'ovens', name: 'Attic deck', what: 'retired' });
    const now = await bakery();
    expect(now.equipment.crew).not.toContain('Packer');
    expect(now.equipment.ovens.find(({ id }) => id === 'attic')?.retired).toBe(true);
    expect(now.equipment.ovens.find(({ id }) => id === 'port')).toEqual(
      expect.objectContaining({ degreesPerMin: expect.any(Number) }),
    );
    expect(now.rules.coolS).toBe(changed.rules.coolS);
    // Putting back is a change like any other, and can be put back itself.
    expect((await history())[0]).toMatchObject({ key: 'equipment', who: 'Lead' });
    await putBack(ofRules?.id ?? 0);
    expect((await bakery()).rules.coolS).toBe(changed.rules.coolS - 300);
  });

  it('of the name and the zone, each by itself', async () => {
    const before = await bakery();
    await app.put('bakery', {
      name: 'Pier Ovens',
      timeZone: 'Europe/Lisbon',
      rulesVersion: before.rulesVersion,
    });
    const changes = (await history()).slice(0, 2);
    expect(changes.flatMap(({ what }) => what.rules.map(({ key, to }) => [key, to]))).toEqual([
      ['name', 'Pier Ovens'],
      ['timeZone', 'Europe/Lisbon'],
    ]);
    await putBack(changes[0]?.id ?? 0);
    expect(await bakery()).toMatchObject({ name: before.name, rules: { timeZone: 'Europe/Lisbon' } });
    await putBack(changes[1]?.id ?? 0);
    expect((await bakery()).rules.timeZone).toBe(before.rules.timeZone);
  });

  it('a save that is refused leaves nothing behind, and of two at once one is kept', async () => {
    const count = (await history()).length;
    const before = await bakery();
    expect((await app.put('rules', rulesWith(before, { coolS: -1 }))).status).toBe(400);
    expect((await history()).length).toBe(count);
    const answers = await Promise.all(
      [60, 120, 180].map((more) => app.put('rules', rulesWith(before, { coolS: before.rules.coolS + more }))),
    );
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([200, 409, 409]);
    expect((await history()).length).toBe(count + 1);
  });

  it('goes with the demo when that begins anew', async () => {
    expect((await history()).length).toBeGreaterThan(0);
    await app.app.get(DemoSeed).reset();
    expect(await history()).toEqual([]);
  }, 60_000);

  it.each(['0', '4294967296', '99999999999999999999', 'x', '-1'])('no change "%s" is said so', async (id) => {
    const { status, body } = await app.get<{ message: string }>(`setup/changes/${id}/before`);
    expect([400, 404, 422]).toContain(status);
    expect(body.message).toBeTruthy();
  });
});

describe('who is at the device', () => {
  it.each<[string | string[] | undefined, string]>([
    ['Oven%20hand', 'Oven hand'],
    ['%E0%A4%A', ''],
    ['%00%0AMix%7F', 'Mix'],
    ['x'.repeat(200), 'x'.repeat(80)],
    [undefined, ''],
    [['a', 'b'], ''],
  ])('%j is %j', (header, who) => expect(whoOf(header)).toBe(who));

  it('makes a plan old where a bake changes by it, and by nothing else', async () => {
    const isOld = async () =>
      (await app.get<{ plan: { stale: boolean } | null }>('days/2026-11-27')).body.plan?.stale;
    expect((await app.post('days/2026-11-27/plan', {})).status).toBeLessThan(300);
    expect(await isOld()).toBe(false);
    const save = async (change: object) => app.put('rules', rulesWith(await bakery(), change));
    const equip = async (change: (of: ReturnType<typeof equipmentOf>) => object) => {
      const now = equipmentOf(await bakery());
      return app.put('equipment', { ...now, ...change(now) });
    };
    for (const harmless of [
      () => save({ labels: 'sources' }),
      () => save({ limits: { fatHigh: 120, darkRimChewy: 90 } }),
      () => equip(({ ovens }) => ({ ovens: ovens.map((oven) => ({ ...oven, powerW: 9000, acrossK: 4 })) })),
      () => equip(({ scales }) => ({ scales: scales.map((scale) => ({ ...scale, toleranceG: 1 })) })),
    ]) {
      expect((await harmless()).status).toBe(200);
      expect(await isOld()).toBe(false);
    }
    expect((await save({ limits: { longStiffness: 0.8 } })).status).toBe(200);
    expect(await isOld()).toBe(true);
    expect((await save({ limits: {} })).status).toBe(200);
    expect(await isOld()).toBe(false);
    expect(
      (await equip(({ ovens }) => ({ ovens: ovens.map((oven) => ({ ...oven, doorFallK: 40 })) }))).status,
    ).toBe(200);
    expect(await isOld()).toBe(true);
    await equip(({ ovens }) => ({ ovens: ovens.map(({ doorFallK: _fall, ...oven }) => oven) }));
  });

  it('of limits one by one, and back to the usual ones', async () => {
    const before = await bakery();
    expect(before.rules.limits).toEqual({});
    const limits = { fatHigh: 110, darkRimChewy: 85 };
    expect((await app.put('rules', rulesWith(before, { limits }))).status).toBe(200);
    const [change] = await history();
    expect(change?.what.rules).toEqual([
      { key: 'fatHigh', from: 90, to: 110 },
      { key: 'darkRimChewy', from: 80, to: 85 },
    ]);
    const { status } = await putBack(change?.id ?? 0);
    expect(status).toBe(200);
    expect((await bakery()).rules.limits).toEqual({});
    const crossed = await app.put<{ message: string }>(
      'rules',
      rulesWith(await bakery(), { limits: { fatLow: 95 } }),
    );
    expect([crossed.status, crossed.body.message]).toEqual([
      400,
      expect.stringContaining('The limit fatHigh must be above fatLow.'),
    ]);
  });
});
