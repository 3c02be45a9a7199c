import { describe, expect, it } from '@jest/globals';
import { reduceLedger, type JournalEntry } from '../ledger/index.js';
import { usualSpreads, type BatchPlan, type Load } from '../planning/index.js';
import { chance } from '../quantity/index.js';
import { workedOff } from './day.testkit.js';
import { learnSpreads } from './learn-spreads.js';

const gapS = 150;
const day = 86_400;

/** One batch a day, with loads in one oven every half hour. */
const batchOn = (n: number, loads = 10): BatchPlan => {
  const batchId = `ONE-26-${n}-A`;
  const fromS = n * day;
  const mix = {
    id: `${batchId}/mix`,
    kind: 'mix' as const,
    batchId,
    startS: fromS - 7200,
    endS: fromS - 6000,
    uses: [],
  };
  const load = (i: number): Load => ({
    id: `${batchId}-L${i + 1}`,
    batchId,
    ovenId: 'port',
    setC: 165,
    pullS: 720,
    startS: fromS + i * 1800,
    readyS: fromS + i * 1800 + 4000,
    dueS: fromS + day,
    trays: [{ id: `${batchId}-L${i + 1}-T1`, position: 1, pieces: 24 }],
  });
  return {
    batchId,
    productCode: 'ONE',
    mixerId: 'm',
    massG: 5000,
    pieces: 24 * loads,
    loads: Array.from({ length: loads }, (_, i) => load(i)),
    tasks: [mix],
  };
};
const ever = 1e9;
const floorOf = (entries: readonly object[]) =>
  reduceLedger(
    [...entries].map((entry, i) => ({
      ...entry,
      seq: i + 1,
      prevHash: '',
      hash: '',
    })) as unknown as JournalEntry[],
  );
const begun = (batch: BatchPlan, atS: number) => ({
  id: `begun-${batch.batchId}`,
  atMs: atS * 1000,
  who: 'w',
  device: 'd',
  lot: batch.batchId,
  kind: 'begun',
  payload: { ingredients: [], formula: { stages: [], toppings: [] } },
});

describe('how far people stray from the plan, by the log', () => {
  it('is the usual while nothing is written down', () => {
    expect(learnSpreads([], floorOf([]), gapS)).toEqual({ ...usualSpreads, loads: 0, pulls: 0, works: 0 });
    expect(learnSpreads([batchOn(1)], floorOf([]), gapS)).toMatchObject({ ...usualSpreads, loads: 0 });
  });

  it('comes near to what people do, the more of it is written down', () => {
    const random = chance(7);
    const batches = Array.from({ length: 40 }, (_, n) => batchOn(n + 1));
    const late = new Map(
      batches.flatMap(({ loads }) => loads.map(({ id }) => [id, -240 * Math.log(1 - random.between(0, 1))])),
    );
    const entries = workedOff(batches, ever, (id) => Math.min(1500, late.get(id) ?? 0));
    const seen = (count: number) =>
      learnSpreads(
        batches.slice(0, count),
        floorOf(entries.filter(({ lot }) => batches.slice(0, count).some(({ batchId }) => batchId === lot))),
        gapS,
      );
    const [few, many] = [seen(1), seen(40)];
    expect(few.loads).toBe(10);
    expect(many.loads).toBe(400);
    // Four minutes late on average; a handful of records moves the usual minute and a half only a little.
    expect(few.lateS).toBeLessThan(usualSpreads.lateS + 70);
    expect(many.lateS).toBeGreaterThan(200);
    expect(many.lateS).toBeLessThan(260);
    // They were pulled just when they were due.
    expect(many.pullShare).toBeLessThan(0.3 * usualSpreads.pullShare);
    expect(many.coolShare).toBe(usualSpreads.coolShare);
  });

  it('blames a load only for what it is late by itself', () => {
    const batch = batchOn(1, 4);
    const close = {
      ...batch,
      loads: batch.loads.map((load, i) => ({ ...load, startS: day + i * (720 + gapS) })),
    };
    // The first one goes in ten minutes late; the others at once when the oven is free.
    const learned = learnSpreads([close], floorOf(workedOff([close], ever, () => 600)), gapS);
    expect(learned.loads).toBe(4);
    expect(learned.lateS).toBeCloseTo((30 * usualSpreads.lateS + 600) / 34, 6);
  });

  it('leaves out what is no spread: another oven, a forgotten pull, hours of delay, and what was struck', () => {
    const batch = batchOn(1, 3);
    const [first, second, third] = batch.loads;
    if (!first || !second || !third) throw new Error('three loads');
    const entries = workedOff([batch], ever, (id) => (id === second.id ? 8 * 3600 : 0)).map((entry) =>
      entry.kind === 'loaded' && (entry.payload as { loadId: string }).loadId === first.id
        ? { ...entry, payload: { ...entry.payload, ovenId: 'keel' } }
        : entry.kind === 'pulled' && (entry.payload as { loadId: string }).loadId === third.id
          ? { ...entry, atMs: entry.atMs + 4 * 3600_000 }
          : entry,
    );
    const learned = learnSpreads([batch], floorOf(entries), gapS);
    expect([learned.loads, learned.pulls]).toEqual([1, 1]);
    const loaded = entries.filter(({ kind }) => kind === 'loaded');
    const strikes = loaded.map(({ id, lot }, i) => ({
      id: `strike-${i}`,
      atMs: ever * 1000,
      who: 'w',
      device: 'd',
      lot,
      kind: 'struck',
      payload: { entryId: id, reason: 'Pressed by mistake' },
    }));
    expect(learnSpreads([batch], floorOf([...entries, ...strikes]), gapS)).toMatchObject({
      loads: 0,
      pulls: 0,
    });
  });

  it('sees how long mixing takes beside its time', () => {
    const batches = Array.from({ length: 60 }, (_, n) => batchOn(n + 1, 1));
    const random = chance(3);
    const begins = batches.flatMap((batch) =>
      batch.tasks.map(({ startS, endS }) =>
        begun(batch, endS - (endS - startS) * Math.exp(random.around(0, 0.3))),
      ),
    );
    const entries = [...begins, ...workedOff(batches, ever).filter(({ kind }) => kind !== 'weighed')];
    const learned = learnSpreads(batches, floorOf(entries), gapS);
    expect(learned.works).toBeGreaterThan(50);
    expect(learned.workShare).toBeGreaterThan(0.2);
    expect(learned.workShare).toBeLessThan(0.32);
  });
});
