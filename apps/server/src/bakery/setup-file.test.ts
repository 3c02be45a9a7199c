import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BakeryView, DayView, PlanView, SetupChanges, SetupFile } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let demo: TestApp;
let empty: TestApp;
beforeAll(async () => {
  demo = await TestApp.start();
  empty = await TestApp.start('own');
}, 90_000);
afterAll(async () => {
  await demo.stop();
  await empty.stop();
});

const fileOf = async (app: TestApp) => (await app.get<SetupFile>('setup/file')).body;
const look = (app: TestApp, file: unknown, withBakery = false) =>
  app.post<SetupChanges>('setup/file/look', { file, withBakery });
const take = async (app: TestApp, file: SetupFile, withBakery = false) => {
  const { body } = await look(app, file, withBakery);
  return app.put<SetupChanges>('setup/file', { file, withBakery, versions: body.versions });
};
const bakery = async (app: TestApp) => (await app.get<BakeryView>('bakery')).body;
const nothing = { things: [], lists: [], rules: [], ingredients: [], formulas: [] };

const own = {
  id: 'own-spelt',
  name: 'Spelt flour',
  kind: 'flour',
  analysis: {
    water: 0.13,
    fat: 0.02,
    protein: 0.13,
    starch: 0.6,
    sugars: 0.02,
    fibre: 0.09,
    ash: 0.01,
    salt: 0,
    alcohol: 0,
  },
  densityGPerMl: { spooned: 0.5 },
  allergens: ['gluten'],
  leavening: { baseMmolPerG: 0, acidMmolPerG: 0, gasMlPerG: 0 },
  pieceG: {},
  source: 'the label',
};

describe('a setup as a file', () => {
  it('has all that is set up, and nothing of people’s work', async () => {
    const file = await fileOf(demo);
    expect(file.format).toBe('jokul-setup');
    expect(file.formulas.map(({ code }) => code)).toHaveLength(9);
    expect(file.equipment.ovens.length).toBeGreaterThan(3);
    expect(file.equipment.calendar?.closedDays).toHaveLength(1);
    expect(file.bakery).toEqual({ name: 'Hollin Quay Bakehouse', timeZone: 'Atlantic/Faroe' });
    expect(JSON.stringify(file)).not.toContain('learned');
  });

  it('taken in where it comes from changes nothing', async () => {
    const { status, body } = await look(demo, await fileOf(demo), true);
    expect(status).toBe(201);
    expect(body).toMatchObject(nothing);
  });

  it('of before liners were set up leaves them as they are', async () => {
    const file = await fileOf(demo);
    const { liners: _, ...equipment } = file.equipment;
    const { body, status } = await look(demo, { ...file, equipment });
    expect([status, body.things]).toEqual([201, []]);
  });

  it('begins another bakery, which then plans a day with it', async () => {
    const file = await fileOf(demo);
    const before = await bakery(empty);
    const looked = await look(empty, file, true);
    expect(looked.body.formulas).toHaveLength(9);
    expect(looked.body.things.some(({ what }) => what === 'retired')).toBe(true);
    expect((await bakery(empty)).equipmentVersion).toBe(before.equipmentVersion);
    expect((await take(empty, file, true)).status).toBe(200);
    const after = await bakery(empty);
    // Its places have no probe until somebody says so, whatever reads those of the demo.
    expect(after.equipment.places.map(({ probe }) => probe)).not.toContain(undefined);
    expect(after.equipment.places.find(({ id }) => id === 'walk-in')?.probe).toBe(false);
    expect(after.name).toBe('Hollin Quay Bakehouse');
    expect(after.rules.timeZone).toBe('Atlantic/Faroe');
    expect(after.formulas).toHaveLength(9);
    // What was there is kept, out of use.
    for (const oven of before.equipment.ovens)
      if (!file.equipment.ovens.some(({ id }) => id === oven.id))
        expect(after.equipment.ovens.find(({ id }) => id === oven.id)?.retired).toBe(true);
    const day = (await bakery(empty)).today;
    const later = new Date(Date.parse(`${day}T12:00:00Z`) + 3 * 86_400_000).toISOString().slice(0, 10);
    await empty.post(`days/${later}/orders`, {
      customer: 'Farm shop',
      productCode: 'GNG',
      pieces: 100,
      readyBy: '09:00',
    });
    const { body } = await empty.post<PlanView>(`days/${later}/plan`, {});
    expect([body.plan.unplaced, body.violations]).toEqual([[], []]);
    expect((await look(empty, file, true)).body).toMatchObject(nothing);
  }, 60_000);

  it('brings its own ingredients with the formulas that are made of them, each formula as its next version', async () => {
    const file = await fileOf(demo);
    const [first] = file.formulas;
    if (!first) throw new Error('no formula');
    const swapped = JSON.parse(
      JSON.stringify(first).replaceAll('"wheat-flour"', '"own-spelt"'),
    ) as typeof first;
    const changed = {
      ...file,
      ingredients: [own],
      formulas: [swapped, ...file.formulas.slice(1)],
    } as unknown as SetupFile;
    const { status, body } = await take(demo, changed);
    expect(status).toBe(200);
    expect(body.ingredients).toEqual([{ name: 'Spelt flour', what: 'new' }]);
    expect(body.formulas).toEqual([{ code: first.code, name: first.name, what: 'changed' }]);
    const now = await bakery(demo);
    expect(now.formulas.find(({ code }) => code === first.code)?.version).toBe(2);
    expect(now.ownIngredients.map(({ id }) => id)).toEqual(['own-spelt']);
    // A plan made before is old now; nothing that was written down is another.
    expect((await demo.get<DayView>('days/2026-11-27')).body.plan?.stale).toBe(true);
    // Back again: a third version, and the ingredient stays, since a version is made of it.
    await take(demo, file);
    const back = await bakery(demo);
    expect(back.formulas.find(({ code }) => code === first.code)?.version).toBe(3);
    expect(back.ownIngredients.map(({ id }) => id)).toEqual(['own-spelt']);
  });

  it('says house rules and lists that differ, with what holds now', async () => {
    const file = await fileOf(demo);
    const changed = {
      ...file,
      rules: { ...file.rules, coolS: 2400 },
      equipment: { ...file.equipment, crew: [...file.equipment.crew, 'Packer'] },
    };
    const { body } = await look(demo, changed);
    expect(body.rules).toEqual([{ key: 'coolS', from: file.rules.coolS, to: 2400 }]);
    expect(body.lists).toEqual(['crew']);
  });

  it.each<[string, (file: SetupFile) => unknown, number, RegExp]>([
    ['of another format', (file) => ({ ...file, format: 'recipes' }), 400, /no setup file of Jokul/],
    ['of a newer Jokul', (file) => ({ ...file, version: 2 }), 400, /newer Jokul/],
    ['without ovens', (file) => ({ ...file, equipment: { ...file.equipment, ovens: [] } }), 422, /oven/],
    [
      'with two things of one id',
      (file) => ({
        ...file,
        equipment: { ...file.equipment, ovens: [...file.equipment.ovens, ...file.equipment.ovens] },
      }),
      422,
      /./,
    ],
    [
      'with a formula twice',
      (file) => ({ ...file, formulas: [...file.formulas, ...file.formulas] }),
      422,
      /twice/,
    ],
    [
      'with a formula of what nobody has',
      (file) => ({
        ...file,
        formulas: JSON.parse(JSON.stringify(file.formulas).replaceAll('"wheat-flour"', '"own-nothing"')),
      }),
      422,
      /^[A-Z]{3}: .*own-nothing/,
    ],
    [
      'planned on a tray that is not in it',
      (file) => ({ ...file, rules: { ...file.rules, trayId: 'gold' } }),
      422,
      /tray to plan with/,
    ],
    [
      'in no time zone',
      (file) => ({ ...file, bakery: { ...file.bakery, timeZone: 'Mars/North' } }),
      422,
      /no time zone "Mars\/North"/,
    ],
    ['that is a list', () => [], 400, /./],
    ['that is nothing', () => null, 400, /./],
    ['with more in it', (file) => ({ ...file, secret: 1 }), 400, /secret/],
  ])('%s is refused, and nothing is changed', async (_, change, status, sentence) => {
    const file = await fileOf(demo);
    const answer = await look(demo, change(file));
    expect([answer.status, (answer.body as unknown as { message: string }).message]).toEqual([
      status,
      expect.stringMatching(sentence),
    ]);
    expect(await fileOf(demo)).toMatchObject({ ...file, madeAt: expect.any(String) });
  });

  it('looked at before somebody else changed the setup is not taken in', async () => {
    const file = await fileOf(demo);
    const changed = { ...file, rules: { ...file.rules, coolS: 2000 } };
    const { body } = await look(demo, changed);
    const answers = await Promise.all(
      [1, 2, 3].map(() =>
        demo.put('setup/file', { file: changed, withBakery: false, versions: body.versions }),
      ),
    );
    expect(answers.map(({ status }) => status).toSorted((a, b) => a - b)).toEqual([200, 409, 409]);
    expect((await bakery(demo)).rules.coolS).toBe(2000);
  });
});
