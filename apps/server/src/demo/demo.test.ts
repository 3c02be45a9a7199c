import 'reflect-metadata';
import { describe, expect, it } from '@jest/globals';
import {
  atWallClock,
  chance,
  demoDay,
  demoEquipment,
  demoFormulas,
  demoRules,
  inTheCold,
  lotId,
  predictIn,
  reduceLedger,
} from '@jokul/core';
import type { ProductBakes } from '../computation/predictions.js';
import { checkedEntry } from '../journal/payload-check.js';
import { writeFrozen } from './past-frozen.js';
import { pastLots, writePast } from './past.js';

import { DemoWriter } from './writer.js';

const nowMs = atWallClock(demoDay.date, demoDay.time, demoRules.timeZone) * 1000;
const few = demoFormulas.filter((f) => ['GNG', 'PNT', 'MLT', 'LEM', 'CRD'].includes(f.code));
const bakes = new Map<string, ProductBakes>(
  few.map((f) => [f.code, { port: predictIn(f, { id: 'port', fan: true }, demoEquipment, demoRules) }]),
);
const past = (seed: number) => {
  const random = chance(seed);
  const writer = new DemoWriter(random);
  writeFrozen(writer, demoFormulas, [lotId('CRD', 2026, 1), lotId('CRD', 2026, 2)]);
  // Only a few are baked for the test; the others pass without a lot.
  const lots = pastLots(demoFormulas).map((own, i) => ({ ...own, id: lotId(own.code, 2026, i + 3) }));
  writePast(writer, random, demoFormulas, bakes, lots);
  return [...writer.entries].sort((a, b) => a.atMs - b.atMs);
};

describe('a made-up chance', () => {
  it('is the same for the same seed, and another for another', () => {
    const [a, b, c] = [chance(1), chance(1), chance(2)];
    expect([a.uuid(), a.between(0, 1)]).toEqual([b.uuid(), b.between(0, 1)]);
    expect(chance(1).uuid()).not.toBe(c.uuid());
  });
  it('stays in its range and about its mean', () => {
    const random = chance(7);
    const values = Array.from({ length: 4000 }, () => random.around(10, 2));
    const mean = values.reduce((x, y) => x + y, 0) / values.length;
    const deviation = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / values.length);
    expect(Math.abs(mean - 10)).toBeLessThan(0.15);
    expect(Math.abs(deviation - 2)).toBeLessThan(0.15);
    for (let i = 0; i < 500; i++) {
      const value = random.between(3, 5);
      expect(value >= 3 && value < 5).toBe(true);
    }
  });
  it('makes UUIDs of the fourth kind', () => {
    expect(chance(3).uuid()).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });
});

describe('the two weeks before the demo day', () => {
  const entries = past(20_26_11_27);
  const state = reduceLedger(entries);
  const trays = [...state.trays.values()];

  it('are entries that the journal would take from anybody', () => {
    for (const entry of entries) expect(() => checkedEntry(entry)).not.toThrow();
  });
  it('make sense one after the other', () => {
    expect(state.notices).toEqual([]);
    expect(entries.every((entry) => entry.atMs < nowMs)).toBe(true);
    expect(new Set(entries.map((entry) => entry.id)).size).toBe(entries.length);
  });
  it('are the same every time', () => expect(past(20_26_11_27)).toEqual(entries));
  it('hold some late pulls', () => {
    const late = trays.filter((t) => (t.pulled?.atMs ?? 0) - t.loaded.atMs - t.pullS * 1000 > 60_000);
    expect(late.length).toBeGreaterThan(2);
    expect(late.length).toBeLessThan(trays.length / 4);
  });
  it('hold one lot without its salt, with the reason', () => {
    const forgot = [...state.lots.values()].filter((b) => (b.mixed?.missing.length ?? 0) > 0);
    expect(forgot).toHaveLength(1);
    expect(forgot[0]?.lot).toMatch(/^MLT-/);
    expect(forgot[0]?.mixed?.reason).toContain('Salt was still on the bench');
  });
  it('show one oven drifting hot: its trays darken, the other’s do not', () => {
    const colour = (ovenId: string, from: number, to: number) => {
      const scores = trays
        .filter((t) => t.ovenId === ovenId && t.inspected?.colourScore !== undefined)
        .filter((t) => t.loaded.atMs >= nowMs - from * 86_400e3 && t.loaded.atMs < nowMs - to * 86_400e3)
        .map((t) => {
          const expected = bakes.get(t.batchId.slice(0, 3))?.fan?.cooled?.colour.edge ?? 0;
          return (t.inspected?.colourScore ?? 0) - expected;
        });
      return scores.reduce((a, b) => a + b, 0) / Math.max(1, scores.length);
    };
    expect(colour('starboard', 5, 0) - colour('starboard', 15, 9)).toBeGreaterThan(3);
  });
  it('leave old bags in the freezer, one near the end of its time', () => {
    const cold = inTheCold(state);
    expect(cold.map((item) => item.batchId)).toEqual([lotId('CRD', 2026, 1), lotId('CRD', 2026, 2)]);
    const days = (nowMs - (cold[0]?.inMs ?? 0)) / 86_400e3;
    expect(days).toBeGreaterThan(50);
    expect(days).toBeLessThan(56);
  });
});
