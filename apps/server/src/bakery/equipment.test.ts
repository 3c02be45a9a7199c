import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BakeryView, DayView, PlanView, ProbesView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const bakery = async () => (await app.get<BakeryView>('bakery')).body;
const oven = { id: 'attic', name: 'Attic deck', fan: false, places: 3, degreesPerMin: 3 };
/** As the server takes it. */
const input = ({ equipment, equipmentVersion }: BakeryView) => ({
  ...equipment,
  places: equipment.places.map(({ learned: _learned, ...place }) => place),
  version: equipmentVersion,
});

describe('the equipment of a bakery', () => {
  it('takes a new oven, and the next plan can use it', async () => {
    const before = input(await bakery());
    const answer = await app.put<BakeryView>('equipment', { ...before, ovens: [...before.ovens, oven] });
    expect(answer.status).toBe(200);
    expect(answer.body.equipment.ovens.map(({ id }) => id)).toContain('attic');
    const { body: day } = await app.get<DayView>('days/2026-11-27');
    expect(day.plan?.stale).toBe(true);
    const { status, body } = await app.post<PlanView>('days/2026-11-27/plan', {});
    expect(status).toBe(201);
    expect(JSON.stringify(body.forecasts)).toContain('attic');
  }, 120_000);
  it('retired, it stays named and is planned on no more', async () => {
    const before = input(await bakery());
    const ovens = before.ovens.map((o) => (o.id === 'attic' ? { ...o, retired: true } : o));
    expect((await app.put('equipment', { ...before, ovens })).status).toBe(200);
    expect((await bakery()).equipment.ovens.find(({ id }) => id === 'attic')?.retired).toBe(true);
    const { body } = await app.post<PlanView>('days/2026-11-27/plan', {});
    const used = body.plan.batches.flatMap(({ loads }) => loads.map(({ ovenId }) => ovenId));
    expect(used).not.toContain('attic');
  }, 120_000);
  it('lets nothing be taken out that records may name', async () => {
    const before = input(await bakery());
    const answer = await app.put('equipment', { ...before, ovens: before.ovens.slice(1) });
    expect(answer.status).toBe(422);
    expect(answer.body).toMatchObject({ code: 'in-records' });
    expect(answer.body.message).toContain('Retire it instead');
  });
  it('of two who change it at once, one is told', async () => {
    const before = input(await bakery());
    const [a, b] = await Promise.all([app.put('equipment', before), app.put('equipment', before)]);
    expect([a.status, b.status].sort((x, y) => x - y)).toEqual([200, 409]);
  });
  it.each<[string, (e: ReturnType<typeof input>) => object, number]>([
    ['an oven of no trays', (e) => ({ ...e, ovens: [{ ...oven, places: 0 }, ...e.ovens] }), 400],
    [
      'a tray of paper',
      (e) => ({ ...e, trays: [{ ...e.trays[0], id: 'p', name: 'p', material: 'paper' }, ...e.trays] }),
      400,
    ],
    ['a time that is none', (e) => ({ ...e, ovenHours: { from: '25:00', to: '11:00' } }), 400],
    ['every oven retired', (e) => ({ ...e, ovens: e.ovens.map((o) => ({ ...o, retired: true })) }), 422],
    ['a list in place of an oven', (e) => ({ ...e, ovens: [[oven]] }), 400],
    [
      'a thing called constructor',
      (e) => ({ ...e, ovens: [{ ...oven, id: 'constructor' }, ...e.ovens] }),
      400,
    ],
    ['what it does not know', (e) => ({ ...e, colour: 'red' }), 400],
  ])('refuses %s with a sentence', async (_, change, status) => {
    const answer = await app.put('equipment', change(input(await bakery())));
    expect(answer.status).toBe(status);
    expect(answer.body.message.length).toBeGreaterThan(10);
  });
});

describe('the probe of a cold place', () => {
  const readings = async () => {
    const { body } = await app.get<ProbesView>(`probes?from=${Date.parse('2026-11-27T03:00:00Z')}`);
    return new Map(body.places.map((place) => [place.placeId, place.readings.length]));
  };
  const withoutProbe = (before: ReturnType<typeof input>) => ({
    ...before,
    places: before.places.map((place) => (place.id === 'walk-in' ? { ...place, probe: false } : place)),
  });
  it('reads nothing where there is none, and has no faults', async () => {
    expect((await readings()).get('walk-in')).toBeGreaterThan(0);
    expect((await app.put('equipment', withoutProbe(input(await bakery())))).status).toBe(200);
    const now = await readings();
    expect([now.get('walk-in'), (now.get('freezer') ?? 0) > 0]).toEqual([0, true]);
    const { body } = await app.get<ProbesView>('probes');
    const answer = await app.put('probes/faults', {
      faults: [
        { placeId: 'walk-in', kind: 'door-open', fromMs: Date.parse('2026-11-27T04:00:00Z'), toMs: null },
      ],
      version: body.version,
    });
    expect([answer.status, answer.body.message]).toEqual([422, 'There is no probe in "walk-in".']);
  });
  it('stays away for who does not know probes yet, until somebody puts one in', async () => {
    const before = input(await bakery());
    const places = before.places.map(({ probe: _probe, ...place }) => place);
    await app.put('equipment', { ...before, places });
    expect((await readings()).get('walk-in')).toBe(0);
    const again = input(await bakery());
    await app.put('equipment', {
      ...again,
      places: again.places.map((place) => ({ ...place, probe: true, powerW: 2200 })),
    });
    expect((await readings()).get('walk-in')).toBeGreaterThan(0);
  });
});

describe('what pieces lie on', () => {
  const mats = { id: 'mats', name: 'Blue mats', kind: 'mat', count: 6, contactWPerM2K: 45 };
  it('is set up with its count, and a plan has no more of it at once', async () => {
    const before = input(await bakery());
    const answer = await app.put<BakeryView>('equipment', { ...before, liners: [...before.liners, mats] });
    expect(answer.status).toBe(200);
    expect(answer.body.equipment.liners.at(-1)).toEqual(mats);
  });
  it('stays as it is for who does not know liners yet', async () => {
    const { liners: _, ...before } = input(await bakery());
    const answer = await app.put<BakeryView>('equipment', before);
    expect(answer.body.equipment.liners.map(({ id }) => id)).toEqual(['paper', 'mats']);
  });
  it.each<[string, object, number, string]>([
    [
      'of one kind twice',
      { ...mats, id: 'more', name: 'Red mats' },
      422,
      'Red mats and Blue mats are of one kind',
    ],
    ['of no kind', { ...mats, id: 'sand', name: 'Sand', kind: 'sand' }, 400, 'Choose what lies on the tray.'],
    [
      'none of it',
      { ...mats, id: 'none', name: 'None', count: 0 },
      400,
      'The number of liners is a whole number',
    ],
    ['that lets no heat through', { ...mats, id: 'cold', name: 'Cold', contactWPerM2K: 1 }, 400, 'W/m²K'],
  ])('%s is refused with a sentence', async (_, more, status, sentence) => {
    const before = input(await bakery());
    const answer = await app.put('equipment', { ...before, liners: [...before.liners, more] });
    expect(answer.status).toBe(status);
    expect(answer.body.message).toContain(sentence);
  });
  it('may be there again in place of one that was given away', async () => {
    const before = input(await bakery());
    const liners = before.liners.map((own) => (own.id === 'mats' ? { ...own, retired: true } : own));
    const answer = await app.put<BakeryView>('equipment', {
      ...before,
      liners: [...liners, { ...mats, id: 'new-mats', name: 'New mats' }],
    });
    expect(answer.status).toBe(200);
  });
});

describe('the tray and the liner that are planned with', () => {
  const rulesInput = async () => {
    const { rules, rulesVersion } = await bakery();
    const { timeZone: _z, portionSetUpS: _p, loadGapS: _l, eggIntoButterC: _e, ...input } = rules;
    return { ...input, version: rulesVersion };
  };
  it('are chosen in the house rules', async () => {
    const answer = await app.put<BakeryView>('rules', {
      ...(await rulesInput()),
      trayId: 'dark',
      liner: 'mat',
    });
    expect([answer.status, answer.body.rules.trayId, answer.body.rules.liner]).toEqual([200, 'dark', 'mat']);
  });
  it('the tray cannot be retired while it is planned with', async () => {
    const before = input(await bakery());
    const trays = before.trays.map((t) => (t.id === 'dark' ? { ...t, retired: true } : t));
    const answer = await app.put('equipment', { ...before, trays });
    expect([answer.status, answer.body.code]).toEqual([422, 'planned-with']);
  });
  it('are ones that there are', async () => {
    expect((await app.put('rules', { ...(await rulesInput()), trayId: 'nowhere' })).status).toBe(422);
    expect((await app.put('rules', { ...(await rulesInput()), liner: 'sand' })).status).toBe(400);
  });
});
