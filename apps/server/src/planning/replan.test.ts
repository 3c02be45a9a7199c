import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { atWallClock, type BatchPlan, type Load } from '@jokul/core';
import type { BakeryView, DayView, MoveView, PlanView, ReplanView, TakenView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

/* A morning on which an oven fails at 05:10, and what becomes of it. */

let app: TestApp;
const date = '2026-11-27';
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date, time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const plan = async () => {
  const found = (await app.get<DayView>(`days/${date}`)).body.plan;
  if (!found) throw new Error('the demo is planned');
  return found;
};
const loadsOf = (batches: readonly BatchPlan[]) => batches.flatMap(({ loads }) => loads);
const offer = async () => (await app.post<ReplanView>(`days/${date}/plan/replan`, {})).body;
const take = (id: string) => app.post<TakenView>(`days/${date}/plan/replan/${id}`, {});

const entry = (atS: number, lot: string, kind: string, payload: object) => ({
  id: randomUUID(),
  atMs: Math.round(atS * 1000),
  who: 'Oven hand',
  device: 'test',
  lot,
  kind,
  payload,
});
const loading = (load: Load) =>
  entry(load.startS, load.batchId, 'loaded', {
    loadId: load.id,
    trayIds: load.trays.map(({ id }) => id),
    ovenId: load.ovenId,
    setC: load.setC,
    pullS: load.pullS,
    trayRestS: 300,
    pieces: load.trays.map(({ pieces }) => pieces),
  });
/** All that the plan asks for between two moments, as written down. */
const worked = async (fromS: number, toS: number) => {
  const due = (s: number | undefined): s is number => s !== undefined && s > fromS && s <= toS;
  const entries = (await plan()).plan.batches.flatMap(({ batchId, massG, pieces, tasks, loads }) => {
    const end = (kind: string) => tasks.find((task) => task.kind === kind)?.endS;
    const [mixS, portionS] = [end('mix'), end('portion')];
    return [
      ...(due(mixS) ? [entry(mixS, batchId, 'mixed', { doughC: 22, massG, missing: [] })] : []),
      ...(due(portionS)
        ? [
            entry(portionS, batchId, 'portioned', {
              pieces,
              scoop: 30,
              samplesG: [],
              targetG: 30,
              remainderG: 0,
            }),
          ]
        : []),
      ...loads.filter(({ startS }) => due(startS)).map(loading),
      ...loads
        .filter(({ startS, pullS }) => due(startS + pullS))
        .map((load) =>
          entry(load.startS + load.pullS, batchId, 'pulled', {
            loadId: load.id,
            trayIds: load.trays.map(({ id }) => id),
          }),
        ),
    ];
  });
  for (const one of entries.sort((a, b) => a.atMs - b.atMs))
    expect((await app.post('journal', { entries: [one] })).status).toBe(201);
};
const zone = async () => (await app.get<BakeryView>('bakery')).body.rules.timeZone;

describe('a day that slips', () => {
  it('is left alone while nothing is in trouble', async () => {
    const found = await offer();
    expect(found).toMatchObject({ changes: [], before: [], after: [], left: [] });
  });

  it('an oven fails: who is late is named, the way out moves its loads, and facts stay', async () => {
    const timeZone = await zone();
    const nowS = atWallClock(date, '05:10', timeZone);
    await worked(atWallClock(date, '04:10', timeZone), nowS);
    await app.put('clock', { mode: 'frozen', date, time: '05:10' });
    const before = await plan();
    expect((await offer()).before).toEqual([]);

    const { equipment, equipmentVersion } = (await app.get<BakeryView>('bakery')).body;
    const ovens = equipment.ovens.map((oven) => (oven.id === 'port' ? { ...oven, retired: true } : oven));
    expect((await app.put('equipment', { ...equipment, ovens, version: equipmentVersion })).status).toBe(200);

    const [found, same] = await Promise.all([offer(), offer()]);
    // Two who look at once are shown one way out, worked out once.
    expect(same).toEqual(found);
    expect(found.planVersion).toBe(before.version);
    expect(found.before.length).toBeGreaterThan(0);
    const pieces = (late: ReplanView['before']) => late.reduce((sum, { latePieces }) => sum + latePieces, 0);
    expect(pieces(found.after)).toBeLessThan(pieces(found.before));
    // Looking changes nothing.
    expect(await plan()).toEqual({ ...before, stale: true });

    const taken = await take(found.id);
    expect(taken.status).toBe(201);
    const body = taken.body.plan;
    expect(body.version).toBe(before.version + 1);
    expect(body.violations.filter(({ code }) => code !== 'late')).toEqual([]);
    // Nothing else changed: the plan fits what it is made from.
    expect(body.stale).toBe(false);
    const old = new Map(loadsOf(before.plan.batches).map((load) => [load.id, load]));
    for (const load of loadsOf(body.plan.batches)) {
      if ((old.get(load.id)?.startS ?? 0) <= nowS && old.get(load.id)?.ovenId === 'port') continue;
      expect(load.ovenId).not.toBe('port');
      const change = found.changes.find(({ loadId }) => loadId === load.id);
      if (change) expect([load.ovenId, load.startS]).toEqual([change.to?.ovenId, change.to?.startS]);
      else expect(load.ovenId).toBe(old.get(load.id)?.ovenId);
    }
    expect(new Set(body.plan.batches.map(({ batchId }) => batchId))).toEqual(
      new Set(before.plan.batches.map(({ batchId }) => batchId)),
    );
    // Ribbons and forecasts are those of the changed day.
    expect(body.ribbons.some(({ endS }) => endS > nowS)).toBe(true);
    // It is taken once.
    expect((await take(found.id)).status).toBe(409);
    // The way back is whole: that an oven is gone is said again, and nothing is called left out that is not.
    const back = (await take(taken.body.back)).body.plan;
    expect(back.stale).toBe(true);
    expect(back.plan.unplaced).toEqual(before.plan.unplaced);
    expect(loadsOf(back.plan.batches)).toEqual(loadsOf(before.plan.batches));
    const again = (await take((await offer()).id)).body.plan;
    expect(again.stale).toBe(false);
    // Two presses at once: one takes it.
    const next = await offer();
    const both = await Promise.all([take(next.id), take(next.id)]);
    expect(both.map((one) => one.status).sort((a, b) => a - b)).toEqual([201, 409]);
  }, 60_000);

  it('is not taken when the floor went on otherwise meanwhile', async () => {
    // The next load is delayed by a quarter of an hour, so that others are in trouble.
    await app.put('clock', { mode: 'frozen', date, time: '06:05' });
    const found = await offer();
    expect(found.changes.length).toBeGreaterThan(0);
    const [first] = found.changes;
    const load = loadsOf((await plan()).plan.batches).find(({ id }) => id === first?.loadId);
    if (!load) throw new Error('the change is of a load');
    await app.post('journal', {
      entries: [loading({ ...load, startS: atWallClock(date, '06:04', await zone()) })],
    });
    const { status, body } = await app.post(`days/${date}/plan/replan/${found.id}`, {});
    expect([status, body.code]).toEqual([409, 'changed-meanwhile']);
    // Asked again, it is.
    const next = await offer();
    expect(next.changes.some(({ loadId }) => loadId === load.id)).toBe(false);
    expect((await take(next.id)).status).toBe(201);
  }, 60_000);

  it('refuses what was never offered', async () => {
    expect((await take(randomUUID())).status).toBe(409);
    expect((await take('nonsense')).status).toBe(400);
    expect((await app.post('days/2026-12-24/plan/replan', {})).body.code).toBe('no-plan');
    expect((await app.post(`days/2026-12-24/plan/replan/${randomUUID()}`, {})).body.code).toBe('no-plan');
  });
});

describe('a load that is moved by hand', () => {
  const ask = (change: object) => app.post<MoveView>(`days/${date}/plan/move`, change);
  const nextLoad = async () => {
    const { plan: stored, held } = await plan();
    const nowS = atWallClock(date, '06:05', await zone());
    const batch = stored.batches.find(
      ({ loads, batchId }) => !held.includes(batchId) && loads.some(({ startS }) => startS > nowS + 2400),
    );
    const load = batch?.loads.find(({ startS }) => startS > nowS + 2400);
    if (!batch || !load) throw new Error('something is left to bake');
    return { batch, load };
  };

  it('shows what follows, is moved and held, and taken back', async () => {
    const before = await plan();
    // The first that may wait four minutes: some doughs are at the end of their window.
    const nowS = atWallClock(date, '06:05', await zone());
    let found: { load: Load; seen: MoveView } | null = null;
    for (const load of loadsOf(before.plan.batches).filter(({ startS }) => startS > nowS + 600)) {
      const { body } = await ask({ loadId: load.id, ovenId: load.ovenId, startS: load.startS + 240 });
      // What breaks a rule, such as two ovens that want one person at once, asks for a reason.
      if (!body.id || body.faults.length > 0) continue;
      // No more are asked about: an offer is kept only for a while.
      found = { load, seen: body };
      break;
    }
    if (!found?.seen.id) throw new Error('some load may wait');
    const { load, seen } = found;
    expect(await plan()).toEqual(before);
    const own = seen.changes.find(({ loadId }) => loadId === load.id);
    expect(own?.from).toEqual({ ovenId: load.ovenId, startS: load.startS });
    expect(own?.to).toEqual({ ovenId: load.ovenId, startS: load.startS + 240 });
    const { body } = await take(found.seen.id);
    expect(body.plan.held).toContain(load.batchId);
    expect(loadsOf(body.plan.plan.batches).find(({ id }) => id === load.id)?.startS).toBe(own?.to?.startS);

    const back = await take(body.back);
    expect(back.status).toBe(201);
    expect(back.body.plan.held).toEqual(before.held);
    expect(loadsOf(back.body.plan.plan.batches)).toEqual(loadsOf(before.plan.batches));
  }, 60_000);

  it('into an oven that is too small for it is not offered, and says why', async () => {
    const timeZone = await zone();
    const nowS = atWallClock(date, '06:05', timeZone);
    const wide = loadsOf((await plan()).plan.batches).find(
      ({ startS, trays }) => startS > nowS && trays.length > 2,
    );
    if (!wide) throw new Error('some load has more than two trays');
    const { body } = await ask({ loadId: wide.id, ovenId: 'keel-upper', startS: wide.startS });
    expect(body.id).toBeNull();
    expect(body.faults.map(({ code }) => code)).toContain('oven');
  });

  it('some of its trays go as a load of their own, and come back', async () => {
    const before = await plan();
    const nowS = atWallClock(date, '06:05', await zone());
    let found: { load: Load; seen: MoveView } | null = null;
    for (const load of loadsOf(before.plan.batches).filter(
      ({ startS, trays }) => startS > nowS + 600 && trays.length > 1,
    )) {
      const startS = load.startS + 900;
      const { body } = await ask({ loadId: load.id, ovenId: load.ovenId, startS, trays: 1 });
      if (!body.id || body.faults.length > 0) continue;
      found = { load, seen: body };
      break;
    }
    if (!found?.seen.id) throw new Error('some load may be split');
    const { load, seen } = found;
    expect(seen.loadId).not.toBe(load.id);
    const { body } = await take(seen.id ?? '');
    const after = loadsOf(body.plan.plan.batches);
    expect(after.find(({ id }) => id === seen.loadId)?.trays).toHaveLength(1);
    expect(after.find(({ id }) => id === load.id)?.trays).toHaveLength(load.trays.length - 1);
    const pieces = (loads: readonly Load[]) =>
      loads.flatMap(({ trays }) => trays).reduce((sum, tray) => sum + tray.pieces, 0);
    expect(pieces(after)).toBe(pieces(loadsOf(before.plan.batches)));
    const back = await take(body.back);
    expect(loadsOf(back.body.plan.plan.batches)).toEqual(loadsOf(before.plan.batches));
    const all = await ask({
      loadId: load.id,
      ovenId: load.ovenId,
      startS: load.startS,
      trays: load.trays.length,
    });
    expect([all.status, (all.body as unknown as { code: string }).code]).toEqual([422, 'bad-split']);
  }, 60_000);

  it('against a rule of the floor is taken only with a reason', async () => {
    const before = await plan();
    const nowS = atWallClock(date, '06:05', await zone());
    const load = loadsOf(before.plan.batches).findLast(({ startS }) => startS > nowS + 600);
    if (!load) throw new Error('something is left to bake');
    const { body: seen } = await ask({
      loadId: load.id,
      ovenId: load.ovenId,
      // In the evening nobody is at the ovens, and some doughs are too old.
      startS: atWallClock(date, '21:00', await zone()),
    });
    expect(seen.faults.length).toBeGreaterThan(0);
    if (!seen.id) throw new Error(`it may be done knowingly: ${JSON.stringify(seen.faults)}`);
    const path = `days/${date}/plan/replan/${seen.id}`;
    for (const reason of [undefined, '   '])
      expect((await app.post(path, { reason })).body.code).toBe('no-reason');
    expect((await plan()).version).toBe(before.version);
    const taken = await app.post<TakenView>(path, { reason: 'A guest comes late' });
    expect(taken.status).toBe(201);
    expect(taken.body.plan.violations.length).toBeGreaterThan(0);
    const life = await app.get<{ entries: { kind: string; lot: string; payload: { text?: string } }[] }>(
      'journal?since=0',
    );
    const notes = life.body.entries.filter(({ kind, lot }) => kind === 'note' && lot === load.batchId);
    expect(notes.at(-1)?.payload.text).toMatch(
      new RegExp(`^Planned against a rule of the floor. Why: A guest comes late. ${load.id}: `),
    );
    await take(taken.body.back);
  }, 60_000);

  it('a batch that is held stays where it is when the day is planned again, until it is let go', async () => {
    const batch = (await plan()).plan.batches.find(({ batchId }) => batchId.startsWith('CLM'));
    if (!batch) throw new Error('the demo bakes CLM');
    const hold = (held: boolean) =>
      app.post<PlanView>(`days/${date}/plan/held`, { batchId: batch.batchId, held });
    expect((await hold(true)).body.held).toContain(batch.batchId);
    const again = (await app.post<PlanView>(`days/${date}/plan`, {})).body;
    expect(again.held).toContain(batch.batchId);
    expect(again.plan.batches.find(({ batchId }) => batchId === batch.batchId)).toEqual(batch);
    expect((await hold(false)).body.held).not.toContain(batch.batchId);
    expect((await app.post(`days/${date}/plan/held`, { batchId: 'x', held: true })).body.code).toBe(
      'unknown-batch',
    );
  }, 60_000);

  it('refuses what cannot be', async () => {
    const { load } = await nextLoad();
    const { startS, id: loadId, ovenId } = load;
    const code = async (change: object) => (await app.post(`days/${date}/plan/move`, change)).body.code;
    expect(await code({ loadId: 'x', ovenId, startS })).toBe('unknown-load');
    expect(await code({ loadId, ovenId: 'port', startS })).toBe('unknown-oven');
    expect(await code({ loadId, ovenId, startS: startS - 86_400 })).toBe('past');
    const started = await app.post(`days/${date}/plan/move`, { loadId, ovenId, startS: 'soon' });
    expect(started.status).toBe(400);
    const inOven = loadsOf((await plan()).plan.batches).find(
      ({ startS: s }) => s <= atWallClock(date, '05:05', 'Atlantic/Faroe'),
    );
    expect(await code({ loadId: inOven?.id, ovenId, startS })).toBe('has-begun');
  });
});
