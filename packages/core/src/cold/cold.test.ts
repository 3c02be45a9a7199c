import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../demo/index.js';
import { emptyBatch, reduceJournal, type DraftEntry, type InTheCold } from '../journal/index.js';
import type { BatchPlan } from '../schedule/index.js';
import type { Place } from '../thermal/index.js';
import { coldLabels, placesTaken, shelfCounts } from './places.js';
import { simulateAir, type PlaceFault } from './simulated-probe.js';
import { coldAlarm, followed, inOrderOfUse, measuredSince, olderThan, placeAirNow } from './watch.js';
import { overWindow } from './window.js';

const place = (id: string): Place => {
  const found = demoEquipment.places.find((p) => p.id === id);
  if (!found) throw new Error(id);
  return found;
};
const walkIn = place('walk-in');
const formulaOf = (lot: string) => demoFormulas.find(({ code }) => code === lot.split('-')[0]);
const ginger = demoFormulas.find(({ code }) => code === 'GNG');
if (!ginger) throw new Error('GNG');
const hour = 3600e3;
const nowMs = 1000 * hour;
const air = (faults: readonly PlaceFault[], fromMs = nowMs - 6 * hour) =>
  simulateAir(walkIn, faults, fromMs, nowMs);
const off = (fromMs: number, toMs: number | null = null): PlaceFault => ({
  placeId: 'walk-in',
  kind: 'machine-off',
  fromMs,
  toMs,
});
const item = (batchId: string, change: Partial<InTheCold> = {}): InTheCold => ({
  batchId,
  placeId: 'walk-in',
  form: 'pieces',
  cover: 'open',
  startC: 22,
  massG: 6000,
  pieces: 180,
  inMs: nowMs - 5 * hour,
  cores: [],
  ...change,
});

describe('the simulated probe', () => {
  it('reads every minute, about its setting, and the same whenever it is asked', () => {
    const readings = air([]);
    expect(readings).toHaveLength(361);
    for (const { airC } of readings) expect(Math.abs(airC - 4)).toBeLessThan(1.6);
    expect(simulateAir(walkIn, [], nowMs - hour, nowMs)).toEqual(readings.slice(-61));
  });
  it('a machine that is off lets it warm, put right it comes back', () => {
    const readings = air([off(nowMs - 4 * hour, nowMs - 2 * hour)]);
    const at = (h: number) => readings.find(({ atMs }) => atMs >= nowMs - h * hour)?.airC ?? 0;
    expect(at(5)).toBeLessThan(5.2);
    expect(at(2)).toBeGreaterThan(9);
    expect(at(1)).toBeLessThan(5.5);
  });
  it('an open door is faster than a machine that is off, and other places do not care', () => {
    const door = simulateAir(walkIn, [{ ...off(nowMs - hour / 2), kind: 'door-open' }], nowMs - hour, nowMs);
    const machine = simulateAir(walkIn, [off(nowMs - hour / 2)], nowMs - hour, nowMs);
    expect(door.at(-1)?.airC).toBeGreaterThan((machine.at(-1)?.airC ?? 0) + 1);
    expect(simulateAir(place('freezer'), [off(nowMs - hour)], nowMs - hour, nowMs).at(-1)?.airC).toBeLessThan(
      -18,
    );
  });
});

describe('the air of a place now', () => {
  it('is in order with its cycle and its defrost', () => {
    for (let h = 0; h < 12; h += 0.25) {
      const at = nowMs + h * hour;
      expect(placeAirNow(walkIn, simulateAir(walkIn, [], at - hour, at), at).drifting).toBe(false);
    }
  });
  it('drifts when the machine fails: since when, how fast', () => {
    const now = placeAirNow(walkIn, air([off(nowMs - 2 * hour)]), nowMs);
    expect(now.drifting).toBe(true);
    expect(now.perHourK).toBeGreaterThan(1);
    expect(nowMs - (now.sinceMs ?? 0)).toBeGreaterThan(hour);
    expect(nowMs - (now.sinceMs ?? 0)).toBeLessThan(2 * hour);
  });
  it('without a reading nothing is claimed', () => {
    expect(placeAirNow(walkIn, [], nowMs)).toMatchObject({ airC: null, drifting: false, lastOffMs: null });
  });
});

describe('a dough that is followed', () => {
  const question = {
    formula: ginger,
    form: 'pieces' as const,
    tubMassG: 6000,
    place: walkIn,
    cover: 'open' as const,
    startC: 22,
    targetC: 8,
    durationS: 6 * 3600,
  };
  it('begins as it went in, reaches beyond now, and holds still between two means', () => {
    const one = followed(question, nowMs - 4.9 * hour, air([]), nowMs);
    expect(one.beginsMs).toBe(nowMs - 4.9 * hour);
    expect(one.question.durationS).toBeGreaterThanOrEqual(8.9 * 3600);
    expect(followed(question, nowMs - 4.9 * hour, air([]), nowMs + 30_000)).toEqual(one);
  });
  it('that lies there for days begins from its air', () => {
    const old = followed(question, nowMs - 90 * hour, air([], nowMs - 40 * hour), nowMs);
    expect(old.beginsMs).toBeGreaterThan(nowMs - 26 * hour);
    expect(Math.abs(old.question.startC - 4)).toBeLessThan(1.5);
  });
  it('means are of whole ten minutes, then what is seen now', () => {
    const means = measuredSince(air([]), nowMs - 35 * 60_000, nowMs);
    expect(means.map(({ afterS }) => afterS)).toEqual([0, 600, 1200, 1800]);
    expect(means.at(-1)?.airC).toBe(4);
  });
});

describe('use first', () => {
  const items = [
    item('GNG-1-A', { inMs: nowMs - 2 * hour }),
    item('GNG-0-A', { inMs: nowMs - 25 * hour }),
    item('CRD-1-F', { form: 'bag', placeId: 'freezer' }),
    item('ZZZ-1-A'),
  ];
  const entries = inOrderOfUse(items, formulaOf, nowMs);
  it('what runs out first comes first, and unknown formulas are left out', () => {
    expect(entries.map((e) => e.item.batchId)).toEqual(['GNG-0-A', 'GNG-1-A', 'CRD-1-F']);
    expect(entries[0]).toMatchObject({ over: true, soon: false });
    expect(entries[1]?.over).toBe(false);
  });
  it('names older dough of the same formula', () => {
    expect(olderThan(entries, 'GNG-1-A')?.item.batchId).toBe('GNG-0-A');
    expect(olderThan(entries, 'GNG-0-A')).toBeNull();
    expect(olderThan(entries, 'nowhere')).toBeNull();
  });
});

describe('places and labels', () => {
  it('counts trays, tubs and bags', () => {
    expect(placesTaken(item('GNG-1-A'), ginger, demoEquipment, demoRules).shelf).toBe('trays');
    expect(
      placesTaken(item('GNG-1-A', { form: 'tub', massG: 17_000 }), ginger, demoEquipment, demoRules),
    ).toEqual({
      shelf: 'tubs',
      count: 3,
    });
    const bags = shelfCounts(
      'freezer',
      [item('CRD-1-F', { form: 'bag', placeId: 'freezer', pieces: 250 })],
      formulaOf,
      demoEquipment,
      demoRules,
    );
    expect(bags.find(({ shelf }) => shelf === 'bags')).toEqual({ shelf: 'bags', used: 3, all: 40 });
    expect(shelfCounts('cellar', [], formulaOf, demoEquipment, demoRules)).toEqual([]);
  });
  it('one label for each, all pieces on them, with the end of its window', () => {
    const labels = coldLabels(
      item('GNG-1-A', { form: 'bag', pieces: 205 }),
      ginger,
      demoEquipment,
      demoRules,
    );
    expect(labels.map(({ number }) => number)).toEqual(['1 of 3', '2 of 3', '3 of 3']);
    const pieces = labels.map(({ what }) => Number(/(\d+) pieces/.exec(what)?.[1]));
    expect(pieces.reduce((a, b) => a + b, 0)).toBe(205);
    expect(labels[0]?.notAfterMs).toBe(nowMs - 5 * hour + ginger.rest.maxS * 1000);
  });
});

describe('past its window', () => {
  const stay = (hours: number, outMs: number | null) => ({
    ...emptyBatch('GNG-1-A'),
    stays: [
      {
        atMs: nowMs - hours * hour,
        who: 'Mix hand',
        entryId: 'e',
        placeId: 'walk-in',
        form: 'pieces' as const,
        cover: 'open' as const,
        startC: 22,
        massG: 6000,
        pieces: 180,
        outMs,
        cores: [],
      },
    ],
  });
  it('is asked about until somebody decided', () => {
    expect(overWindow(stay(10, null), ginger, nowMs)).toBeNull();
    const over = overWindow(stay(30, null), ginger, nowMs);
    expect(over).toEqual({ ageS: 30 * 3600, limitS: ginger.rest.maxS });
    const released = {
      ...stay(30, null),
      released: [
        {
          atMs: nowMs,
          who: 'Head baker',
          entryId: 'r',
          why: 'over-window' as const,
          ageS: 1,
          limitS: 1,
          reason: 'ok',
        },
      ],
    };
    expect(overWindow(released, ginger, nowMs)).toBeNull();
  });
  it('ends with the way out, and does not matter where there is no rest', () => {
    expect(overWindow(stay(30, nowMs - 20 * hour), ginger, nowMs)).toBeNull();
    const none = { ...ginger, rest: { ...ginger.rest, form: 'none' as const } };
    expect(overWindow(stay(300, null), none, nowMs)).toBeNull();
    expect(overWindow(undefined, ginger, nowMs)).toBeNull();
  });
  it('the decision is part of the lot’s life', () => {
    const entry = {
      id: 'r',
      atMs: nowMs,
      who: 'Head baker',
      device: 'd',
      lot: 'GNG-1-A',
      kind: 'released',
      payload: { why: 'over-window', ageS: 90_000, limitS: 86_400, reason: 'Smelled it.' },
    } as DraftEntry;
    expect(reduceJournal([entry]).batches['GNG-1-A']?.released[0]).toMatchObject({
      who: 'Head baker',
      reason: 'Smelled it.',
    });
  });
});

describe('the one alarm', () => {
  const batch = (batchId: string, inHours: number): BatchPlan =>
    ({
      batchId,
      loads: [{ id: `${batchId}-L1`, startS: (nowMs + inHours * hour) / 1000 }],
    }) as unknown as BatchPlan;
  const items = [item('GNG-1-A'), item('NIB-1-A'), item('CRD-1-F', { placeId: 'freezer' })];
  const ready = (batchId: string, measured: number | null) => ({
    batchId,
    bySetMs: nowMs - 3 * hour,
    measuredMs: measured === null ? null : nowMs + measured * hour,
  });
  const alarm = (faults: readonly PlaceFault[], readiness: ReturnType<typeof ready>[]) =>
    coldAlarm(
      [walkIn, place('freezer'), place('bench')].map((p) =>
        placeAirNow(p, simulateAir(p, faults, nowMs - 3 * hour, nowMs), nowMs),
      ),
      items,
      readiness,
      [batch('GNG-1-A', 0.5), batch('NIB-1-A', 4)],
      demoRules,
      nowMs,
    );
  it('is none when all is well', () => {
    expect(alarm([], [])).toBeNull();
  });
  it('says what is off, since when, which doughs it warms, and which load must wait how long', () => {
    const found = alarm([off(nowMs - 2 * hour)], [ready('GNG-1-A', 1), ready('NIB-1-A', 1)]);
    expect(found?.title).toBe('Walk-in is too warm');
    expect(found?.message).toMatch(/^Air at 1\d\.\d °C instead of 4 °C, rising, for 1 h \d+/);
    expect(found?.message).toContain('2 doughs are in there');
    expect(found?.message).toContain('limit of 5 °C');
    expect(found?.waits).toEqual([{ batchId: 'GNG-1-A', atS: nowMs / 1000 + 3600, byS: 1800 }]);
  });
  it('dough that is not cold while it lasts has no moment to wait for, but is named', () => {
    const found = alarm([off(nowMs - 2 * hour)], [ready('GNG-1-A', null)]);
    expect(found?.waits).toEqual([]);
    expect(found?.message).toContain('while this lasts: GNG-1-A');
  });
  it('stays while the air is right again but the dough is not', () => {
    const mended = [off(nowMs - 3 * hour, nowMs - hour / 2)];
    expect(alarm(mended, [ready('GNG-1-A', 1)])?.title).toBe('Walk-in was too warm');
    expect(alarm(mended, [ready('GNG-1-A', 0.2)])).toBeNull();
  });
  it('of two places the worse one is said', () => {
    const found = alarm([off(nowMs - 2 * hour), { ...off(nowMs - 2.9 * hour), placeId: 'freezer' }], []);
    expect(found?.placeId).toBe('freezer');
  });
});
