import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../demo/index.js';
import { emptyLot, reduceLedger, type DraftEntry, type InTheCold, type LotState } from '../ledger/index.js';
import { lotRecord, noAge } from '../lot/index.js';
import type { BatchPlan } from '../planning/index.js';
import { alongWay, type Place } from '../thermal/index.js';
import { coldLabels, placesTaken, shelfCounts } from './places.js';
import { simulateAir, type PlaceFault } from './simulated-probe.js';
import { coldAlarm } from './alarm.js';
import { followed, measuredSince } from './followed.js';
import { leftOut } from './left-out.js';
import { lotWay } from './lot-way.js';
import { placeAirNow } from './place-air-now.js';
import { inOrderOfUse, olderThan } from './use-first.js';
import { ageLimits, clocksOf, kindOfPlace, oldestAge, overWindow } from './window.js';

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

/** The lot of something in the cold, with nothing before. */
const lotFor = ({ batchId, inMs, ...rest }: InTheCold): LotState => ({
  ...emptyLot(batchId),
  stays: [{ ...rest, atMs: inMs, who: 'Mix hand', entryId: 'e', outMs: null, out: null, taken: [] }],
});
const lotsOf = (items: readonly InTheCold[]) => ({
  lotOf: (id: string) => {
    const found = items.find(({ batchId }) => batchId === id);
    return found && lotFor(found);
  },
  formulaOf,
  places: demoEquipment.places,
  rules: demoRules,
});

describe('use first', () => {
  const items = [
    item('GNG-1-A', { inMs: nowMs - 2 * hour }),
    item('GNG-0-A', { inMs: nowMs - 25 * hour }),
    item('CRD-1-F', { form: 'bag', placeId: 'freezer' }),
    item('ZZZ-1-A'),
  ];
  const entries = inOrderOfUse(items, lotsOf(items), nowMs);
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
    const bag = item('GNG-1-A', { form: 'bag', pieces: 205 });
    const labels = coldLabels(bag, lotFor(bag), ginger, demoEquipment, demoRules);
    expect(labels.map(({ number }) => number)).toEqual(['1 of 3', '2 of 3', '3 of 3']);
    const pieces = labels.map(({ what }) => Number(/(\d+) pieces/.exec(what)?.[1]));
    expect(pieces.reduce((a, b) => a + b, 0)).toBe(205);
    expect(labels[0]?.notAfterMs).toBe(nowMs - 5 * hour + ginger.rest.maxS * 1000);
  });
});

const ageRules = (formula: typeof ginger = ginger) => ({
  kindOf: kindOfPlace(demoEquipment.places),
  limits: ageLimits(formula, demoRules),
});

describe('past its window', () => {
  const stay = (hours: number, outMs: number | null) => ({
    ...emptyLot('GNG-1-A'),
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
        out: null,
        taken: [],
      },
    ],
  });
  it('is asked about until somebody decided', () => {
    expect(overWindow(stay(10, null), ageRules(), nowMs)).toBeNull();
    const over = overWindow(stay(30, null), ageRules(), nowMs);
    expect(over).toEqual({ clock: 'chilled', ageS: 30 * 3600, limitS: ginger.rest.maxS });
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
    expect(overWindow(released, ageRules(), nowMs)).toBeNull();
  });
  it('a dough just taken out is judged by all of its time; one with no rest by the rules of the house', () => {
    expect(overWindow(stay(22, nowMs - hour), ageRules(), nowMs)).toBeNull();
    expect(overWindow(stay(25, nowMs - hour), ageRules(), nowMs)?.clock).toBe('chilled');
    const none = { ...ginger, rest: { ...ginger.rest, form: 'none' as const } };
    expect(overWindow(stay(40, null), ageRules(none), nowMs)).toBeNull();
    expect(overWindow(stay(50, null), ageRules(none), nowMs)?.limitS).toBe(48 * 3600);
    expect(overWindow(undefined, ageRules(), nowMs)).toBeNull();
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
    expect(reduceLedger([entry]).lots.get('GNG-1-A')?.released[0]).toMatchObject({
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

describe('a dough that was out and goes back', () => {
  const stayOf = (placeId: string, fromH: number, toH: number | null) => ({
    placeId,
    form: 'tub' as const,
    cover: 'covered' as const,
    startC: 22,
    massG: 6000,
    pieces: 0,
    atMs: nowMs + fromH * hour,
    outMs: toH === null ? null : nowMs + toH * hour,
    who: 'Mix hand',
    entryId: 'e',
    out: null,
    taken: [],
    cores: [],
  });
  const twice: LotState = {
    ...emptyLot('GNG-1-A'),
    stays: [stayOf('walk-in', -30, -16), stayOf('walk-in', -15, -5), stayOf('walk-in', -4, null)],
  };
  it('is as old as all its stays and the time out together', () => {
    const over = overWindow(twice, ageRules(), nowMs);
    expect(over).toEqual({ clock: 'chilled', ageS: 30 * 3600, limitS: 24 * 3600 });
    expect(overWindow(twice, ageRules(), nowMs - 7 * hour)).toBeNull();
  });
  it('has a label by what its age leaves', () => {
    const inside = item('GNG-1-A', { form: 'tub', inMs: nowMs - 4 * hour });
    const [label] = coldLabels(inside, twice, ginger, demoEquipment, demoRules);
    // 26 of its 24 hours were over when it went back.
    expect(label?.notAfterMs).toBe(nowMs - 6 * hour);
  });
  it('is as old as the oldest dough that was worked into it', () => {
    const fresh: LotState = {
      ...emptyLot('GNG-1-B'),
      stays: [stayOf('walk-in', -3, null)],
      merged: [
        {
          atMs: nowMs - 4 * hour,
          who: 'x',
          entryId: 'm',
          from: 'GNG-1-A',
          massG: 300,
          age: { chilledS: 18 * 3600, frozenS: 0, outS: 3600, stays: 1, byPlace: { 'walk-in': 18 * 3600 } },
        },
      ],
    };
    expect(overWindow(fresh, ageRules(), nowMs)).toBeNull();
    // 18 h and an hour out before, three hours here: 22 of 24, where the dough itself is three.
    const clocks = clocksOf(fresh, ageRules(), nowMs);
    expect(clocks[0]).toMatchObject({ clock: 'chilled', ageS: 22 * 3600 });
    expect(clocks.find(({ clock }) => clock === 'out')).toMatchObject({ ageS: 3600 });
    expect(oldestAge(fresh, kindOfPlace(demoEquipment.places), nowMs)).toMatchObject({
      chilledS: 21 * 3600,
      stays: 2,
      byPlace: { 'walk-in': 21 * 3600 },
    });
    expect(overWindow(fresh, ageRules(), nowMs + 3 * hour)?.clock).toBe('chilled');
    const inside = item('GNG-1-B', { form: 'tub', inMs: nowMs - 3 * hour });
    expect(coldLabels(inside, fresh, ginger, demoEquipment, demoRules)[0]?.notAfterMs).toBe(nowMs + 2 * hour);
    // Before it came in, the dough was its own; and an entry of an older Jokul says nothing of age.
    expect(clocksOf(fresh, ageRules(), nowMs - 5 * hour)).toEqual([]);
    const silent = { ...fresh, merged: fresh.merged.map(({ age: _age, ...other }) => other) };
    expect(clocksOf(silent, ageRules(), nowMs)[0]).toMatchObject({ clock: 'chilled', ageS: 3 * 3600 });
  });
  it('out past the limit it says so, by the clock of the bench', () => {
    const out: LotState = { ...emptyLot('GNG-1-A'), stays: [stayOf('walk-in', -7, -5)] };
    expect(overWindow(out, ageRules(), nowMs)).toEqual({ clock: 'out', ageS: 5 * 3600, limitS: 4 * 3600 });
    const decided = {
      ...out,
      released: [
        {
          atMs: nowMs,
          who: 'x',
          entryId: 'r',
          why: 'over-window' as const,
          clock: 'chilled' as const,
          ageS: 1,
          limitS: 1,
          reason: 'ok',
        },
      ],
    };
    // A decision on the chilled clock says nothing of the bench.
    expect(overWindow(decided, ageRules(), nowMs)?.clock).toBe('out');
  });
  it('frozen in between its chilled clock stands still, and the frozen one has a limit of its own', () => {
    const frozen: LotState = {
      ...emptyLot('GNG-1-A'),
      stays: [stayOf('walk-in', -1000, -990), stayOf('freezer', -990, null)],
    };
    expect(overWindow(frozen, ageRules(), nowMs)).toBeNull();
    const old: LotState = { ...frozen, stays: [stayOf('freezer', -24 * 60, null)] };
    expect(overWindow(old, ageRules(), nowMs)).toMatchObject({ clock: 'frozen', limitS: 8 * 7 * 86_400 });
  });
  it('says the truth that the lot pinned on its label, whatever the formula is now', () => {
    const record = lotRecord(ginger, { massG: 6000, pieces: 180, day: null, mixerId: null });
    const pinned = {
      ...twice,
      begun: { ...record, allergens: ['sesame' as const], atMs: 0, who: 'x', entryId: 'b' },
    };
    const [label] = coldLabels(item('GNG-1-A'), pinned, ginger, demoEquipment, demoRules);
    expect(label?.allergens).toEqual(['sesame']);
  });
});

describe('no data is not good news', () => {
  const upTo = (ms: number) => air([]).filter(({ atMs }) => atMs <= ms);
  const readingsAt = (airC: number, minutes: number) =>
    Array.from({ length: minutes + 1 }, (_, i) => ({ atMs: nowMs - (minutes - i) * 60_000, airC }));
  it('a silent probe is a state of its own, and an alarm after the set time', () => {
    const soon = placeAirNow(walkIn, upTo(nowMs - 10 * 60_000), nowMs);
    expect(soon).toMatchObject({ probe: 'silent', probeAlarm: false });
    const later = placeAirNow(walkIn, upTo(nowMs - 20 * 60_000), nowMs);
    expect(later).toMatchObject({ probe: 'silent', probeAlarm: true, airC: null, drifting: false });
    expect(placeAirNow(walkIn, upTo(nowMs - 20 * 60_000), nowMs, 3600).probeAlarm).toBe(false);
    expect(placeAirNow(walkIn, [], nowMs)).toMatchObject({ probe: 'silent', probeAlarm: true });
  });
  it('where there is no probe nothing is known, and nothing is silent', () => {
    const unread = { ...walkIn, probe: false };
    expect(placeAirNow(unread, [], nowMs)).toMatchObject({ probe: 'none', probeAlarm: false, airC: null });
    // What lies about from before it was taken out is not believed either.
    expect(placeAirNow(unread, readingsAt(12, 30), nowMs)).toMatchObject({ probe: 'none', drifting: false });
    expect(
      coldAlarm([placeAirNow(unread, [], nowMs)], [item('GNG-1-A')], [], [], demoRules, nowMs),
    ).toBeNull();
  });
  it.each([
    ['a short', 85],
    ['a cut lead', -55],
    ['no number', Number.NaN],
  ])('%s cannot be right', (_, airC) => {
    const broken = [...upTo(nowMs - 30 * 60_000), ...readingsAt(airC, 29)];
    expect(placeAirNow(walkIn, broken, nowMs)).toMatchObject({
      probe: 'implausible',
      probeAlarm: true,
      airC: null,
      drifting: false,
    });
  });
  it('a figure that never moves is no reading', () => {
    expect(placeAirNow(walkIn, readingsAt(4, 240), nowMs)).toMatchObject({
      probe: 'implausible',
      probeAlarm: true,
    });
    // The bench has no compressor that moves it.
    expect(placeAirNow(place('bench'), readingsAt(24, 240), nowMs).probe).toBe('reads');
  });
  it('raises the alarm with what must be done by hand; a warm place is worse and comes first', () => {
    const alarmOf = (airs: ReturnType<typeof placeAirNow>[]) =>
      coldAlarm(airs, [item('GNG-1-A')], [], [], demoRules, nowMs);
    const silent = placeAirNow(walkIn, upTo(nowMs - 40 * 60_000), nowMs);
    expect(alarmOf([silent])).toMatchObject({ placeId: 'walk-in', title: 'Walk-in: the probe is silent' });
    expect(alarmOf([silent])?.message).toContain('Hang a thermometer in there');
    const warm = placeAirNow(place('freezer'), readingsAt(-9, 30), nowMs);
    expect(alarmOf([silent, warm])?.placeId).toBe('freezer');
    expect(alarmOf([placeAirNow(walkIn, air([]), nowMs)])).toBeNull();
  });
  it('a dough is then followed by the warmer of what was last seen and the setting, and says since when', () => {
    const question = {
      formula: ginger,
      form: 'pieces' as const,
      tubMassG: 6000,
      place: walkIn,
      cover: 'open' as const,
      startC: 22,
      targetC: 8,
      durationS: 3600,
    };
    const warm = air([off(nowMs - 4 * hour)]).filter(({ atMs }) => atMs <= nowMs - hour);
    const { assumed, question: asked } = followed(question, nowMs - 3 * hour, warm, nowMs);
    expect(assumed?.sinceMs).toBe(nowMs - hour);
    expect(assumed?.airC).toBeGreaterThan(8);
    expect(asked.measured?.at(-1)?.airC).toBe(assumed?.airC);
    const never = followed(question, nowMs - 3 * hour, [], nowMs);
    expect(never.assumed).toEqual({ sinceMs: nowMs - 3 * hour, airC: 4 });
    expect(followed(question, nowMs - 3 * hour, air([]), nowMs).assumed).toBeNull();
  });
});

describe('dough that was left out', () => {
  const lot = (change: Partial<LotState> = {}): LotState => ({
    ...emptyLot('GNG-1-A'),
    mixed: { atMs: nowMs - 6 * hour, who: 'x', entryId: 'm', doughC: 22, massG: 6000, missing: [] },
    portioned: {
      atMs: nowMs - 5.5 * hour,
      who: 'x',
      entryId: 'p',
      pieces: 100,
      scoop: 30,
      samplesG: [],
      targetG: 32,
      remainderG: 0,
    },
    ...change,
  });
  const tray = (pieces: number) => ({
    trayId: `T${pieces}`,
    loadId: 'L',
    batchId: 'GNG-1-A',
    ovenId: 'port',
    setC: 165,
    pullS: 700,
    trayRestS: 300,
    pieces,
    test: false,
    loaded: { atMs: nowMs - hour, who: 'x', entryId: 'l' },
    turned: null,
    pulled: null,
    flattened: null,
    racked: null,
    iced: null,
    packed: null,
    inspected: null,
  });
  const found = (of: LotState) => leftOut([of], () => ageRules(), nowMs);
  it('is named, with how long it has been out', () =>
    expect(found(lot())).toEqual([{ lot: 'GNG-1-A', clock: 'out', ageS: 6 * 3600, limitS: 4 * 3600 }]));
  it('a part of a tub too, of which nobody mixed anything, from when it was split off', () => {
    const begun = {
      atMs: nowMs - 2 * hour,
      massG: 2000,
      pieces: 0,
      parents: [{ lot: 'GNG-1-A', massG: 2000 }],
      age: { ...noAge, outS: 3 * 3600 },
    } as unknown as LotState['begun'];
    const part = { ...emptyLot('GNG-1-A.2'), begun };
    expect(found(part)).toEqual([{ lot: 'GNG-1-A.2', clock: 'out', ageS: 5 * 3600, limitS: 4 * 3600 }]);
    // What is only planned is no dough.
    expect(found(emptyLot('GNG-1-A.3'))).toEqual([]);
  });
  it('not once it is all in the oven; a part that waits is', () => {
    expect(found(lot({ trays: new Map([['T98', tray(98)]]) }))).toEqual([]);
    expect(found(lot({ trays: new Map([['T50', tray(50)]]) }))).toHaveLength(1);
  });
  it('not once it is thrown away, released or in the cold', () => {
    const away = { atMs: nowMs, who: 'x', entryId: 'd', massG: 3200, pieces: 100, reason: 'warm' };
    expect(found(lot({ discarded: [away], trays: new Map([['T1', tray(1)]]) }))).toEqual([]);
    const decided = {
      atMs: nowMs,
      who: 'x',
      entryId: 'r',
      why: 'over-window' as const,
      ageS: 1,
      limitS: 1,
      reason: 'ok',
    };
    expect(found(lot({ released: [decided] }))).toEqual([]);
  });
});

describe('a lot that is about to be loaded', () => {
  const at = (h: number) => nowMs - h * hour;
  const stamp = (h: number) => ({ atMs: at(h), who: 'x', entryId: `e${h}` });
  const stayed = (placeId: string, fromH: number, toH: number | null, form: 'pieces' | 'tub' = 'pieces') => ({
    ...stamp(fromH),
    placeId,
    form,
    cover: 'open' as const,
    startC: 22,
    massG: 6000,
    pieces: 180,
    outMs: toH === null ? null : at(toH),
    out: null,
    taken: [],
    cores: [],
  });
  const ready: LotState = {
    ...emptyLot('GNG-1-A'),
    mixed: { ...stamp(6), doughC: 23, massG: 6000, missing: [] },
    portioned: { ...stamp(5), pieces: 180, scoop: 30, samplesG: [], targetG: 32, remainderG: 0 },
    stays: [stayed('walk-in', 4.5, 1), stayed('walk-in', 0.75, null)],
  };
  const wayOf = (lot: LotState, readings = air([], nowMs - 8 * hour)) => {
    const found = lotWay(lot, demoEquipment.places, (id) => (id === 'walk-in' ? readings : []), nowMs);
    if (!found) throw new Error('no way');
    return found;
  };
  it('comes from the mixer through every place it was in, in the form it had', () => {
    const { startC, way, from, assumed } = wayOf(ready);
    expect([startC, from, assumed]).toEqual([23, 'mixed', false]);
    expect(way.map(({ form, place: p, durationS }) => [form, p.id, Math.round(durationS / 60)])).toEqual([
      ['tub', 'bench', 60],
      ['pieces', 'bench', 30],
      ['pieces', 'walk-in', 210],
      ['pieces', 'bench', 15],
      ['pieces', 'walk-in', 45],
    ]);
    const core = alongWay(ginger, startC, way).coreC;
    expect(core).toBeGreaterThan(3.5);
    expect(core).toBeLessThan(8);
  });
  it('in a failed walk-in it is as warm as its air was, not as the setting says', () => {
    const failed = air([off(nowMs - 5 * hour)], nowMs - 8 * hour);
    const warm = wayOf(ready, failed);
    expect(alongWay(ginger, warm.startC, warm.way).coreC).toBeGreaterThan(9);
  });
  it('a tub that is not portioned yet stands on the bench as a tub', () => {
    const tub = {
      ...ready,
      portioned: null,
      stays: [stayed('walk-in', 5, 0.5, 'tub')],
    };
    expect(wayOf(tub).way.map(({ form, place: p }) => [form, p.id])).toEqual([
      ['tub', 'bench'],
      ['tub', 'walk-in'],
      ['tub', 'bench'],
    ]);
  });
  it('begins anew from a core that was measured', () => {
    const core = { ...stamp(0.25), temperatureC: 11 };
    const stays = ready.stays.map((s, i) => (i === 1 ? { ...s, cores: [core] } : s));
    const { startC, way, from } = wayOf({ ...ready, stays });
    expect([startC, from]).toEqual([11, 'measured']);
    expect(way.map(({ durationS }) => Math.round(durationS / 60))).toEqual([15]);
  });
  it('goes on from what it was when it was put away again, and not from the mixer', () => {
    const stays = ready.stays.map((s, i) => (i === 1 ? { ...s, startC: 7.5 } : s));
    const { startC, way, from } = wayOf({ ...ready, stays });
    expect([startC, from]).toEqual([7.5, 'mixed']);
    expect(way.map(({ form, place: p, durationS }) => [form, p.id, Math.round(durationS / 60)])).toEqual([
      ['pieces', 'walk-in', 45],
    ]);
    // A core that is measured later counts for more.
    const core = { ...stamp(0.25), temperatureC: 11 };
    const measured = stays.map((s, i) => (i === 1 ? { ...s, cores: [core] } : s));
    expect(wayOf({ ...ready, stays: measured })).toMatchObject({ startC: 11, from: 'measured' });
  });
  it('says that its air was assumed where no probe told it', () =>
    expect(
      wayOf(
        ready,
        air([], nowMs - 8 * hour).filter(({ atMs }) => atMs < nowMs - 2 * hour),
      ).assumed,
    ).toBe(true));
  it('nobody mixed has no way', () =>
    expect(lotWay(emptyLot('X'), demoEquipment.places, () => [], nowMs)).toBeNull());
});
