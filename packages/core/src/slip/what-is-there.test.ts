import { describe, expect, it } from '@jest/globals';
import {
  emptyLot,
  reduceLedger,
  type DraftEntry,
  type EntryKind,
  type LotState,
  type Payloads,
} from '../ledger/index.js';
import { demoFormulas } from '../demo/index.js';
import { lateOrders, solvePlan, type BatchPlan } from '../planning/index.js';
import { at, calm, demoLines, demoProblem } from '../planning/problem/problem.testkit.js';
import { forecastDay, lateByForecast } from './forecast.js';
import { allAsThereIs, asThereIs, doughToPortion, piecesThere } from './what-is-there.js';

const stamp = (atMs: number) => ({ atMs, who: 'Mix hand', entryId: `${atMs}` });
const batch = { massG: 5000, pieces: 100 };
const lot = (change: object): LotState => ({ ...emptyLot('A'), ...change });
const mixed = (massG: number) => ({ mixed: { ...stamp(10), massG, doughC: 22, missing: [] } });
const portioned = (pieces: number) => ({
  portioned: { ...stamp(50), pieces, scoop: 0, samplesG: [], targetG: 50, remainderG: 0 },
});
const split = (atMs: number, massG: number, pieces = 0) => ({ ...stamp(atMs), into: 'A.2', massG, pieces });
const thrown = (atMs: number, massG: number, pieces = 0) => ({
  ...stamp(atMs),
  massG,
  pieces,
  reason: 'fell',
});
const workedIn = (atMs: number, massG: number) => ({ ...stamp(atMs), from: 'B', massG });

describe('what there is of a dough', () => {
  it('is what was planned while nothing else is known', () => {
    expect(doughToPortion(lot({}))).toBeNull();
    expect(piecesThere(batch, lot({}))).toBe(100);
    // A scale and a bowl are never exact.
    expect(piecesThere(batch, lot(mixed(4900)))).toBe(100);
    expect(piecesThere(batch, lot(mixed(6000)))).toBe(100);
  });
  it('is less when less was mixed, part of it was split off or thrown away', () => {
    expect(piecesThere(batch, lot(mixed(4000)))).toBe(80);
    const less = lot({ ...mixed(5000), splits: [split(20, 2000)], discarded: [thrown(30, 500)] });
    expect(doughToPortion(less)).toBe(2500);
    expect(piecesThere(batch, less)).toBe(50);
    // What was worked in makes up for it, and more than was planned is not asked for.
    expect(piecesThere(batch, lot({ ...less, merged: [workedIn(40, 2500)] }))).toBe(100);
    expect(piecesThere(batch, lot({ ...mixed(5000), splits: [split(20, 9000)] }))).toBe(0);
    // Split off what there was more than planned.
    expect(piecesThere(batch, lot({ ...mixed(7000), splits: [split(20, 2000)] }))).toBe(100);
  });
  it('is what was counted, less what left it afterwards', () => {
    const counted = lot({ ...mixed(5000), splits: [split(20, 2000)], ...portioned(58) });
    expect(piecesThere(batch, counted)).toBe(58);
    const after = {
      ...counted,
      splits: [...counted.splits, split(60, 500, 10)],
      discarded: [thrown(70, 100, 2)],
    };
    expect(piecesThere(batch, after as LotState)).toBe(46);
    // The dough in hand at the scoop was what was there then.
    expect(doughToPortion(after as LotState)).toBe(3000);
    expect(piecesThere(batch, lot(portioned(104)))).toBe(100);
  });
});

describe('a plan whose dough is short', () => {
  const problem = demoProblem();
  const { batches } = solvePlan(problem, calm);
  const { nowS } = problem;
  const orders = demoLines.map((line) => ({ ...line, readyByS: at(line.readyBy) }));
  const short = batches.find(({ loads, stock }) => loads.length > 1 && !stock) as BatchPlan;
  const piecesOf = ({ loads }: BatchPlan) =>
    loads.flatMap(({ trays }) => trays).reduce((sum, { pieces }) => sum + pieces, 0);
  let id = 0;
  const entry = <K extends EntryKind>(kind: K, payload: Payloads[K]): DraftEntry =>
    ({
      id: `w${(id += 1)}`,
      atMs: nowS * 1000 - 1000 + id,
      who: 'Mix hand',
      device: 'd',
      lot: short.batchId,
      kind,
      payload,
    }) as DraftEntry;
  const going = (...entries: readonly DraftEntry[]) =>
    forecastDay({
      batches,
      floor: reduceLedger(entries),
      nowS,
      ovens: problem.ovens,
      loadGapS: problem.loadGapS,
      restOf: ({ productCode }) => demoFormulas.find(({ code }) => code === productCode)?.rest,
    });
  const mixedNow = (massG: number) => entry('mixed', { doughC: 22, massG, missing: [] });

  it('bakes what there is, the trays that go in last being short', () => {
    const [half] = going(mixedNow(short.massG / 2)).batches.filter(
      ({ batchId }) => batchId === short.batchId,
    );
    if (!half) throw new Error('gone');
    expect(piecesOf(half)).toBe(Math.floor(short.pieces / 2));
    // Planned anew with it, it is the same again.
    const known = lot(mixed(short.massG / 2));
    expect(asThereIs(half, known, () => false)).toBe(half);
    const [firstLoad] = [...short.loads].sort((a, b) => a.startS - b.startS);
    expect(half.loads.find((load) => load.id === firstLoad?.id)?.trays).toEqual(firstLoad?.trays);
    expect(half.tasks.every(({ loadId }) => !loadId || half.loads.some((load) => load.id === loadId))).toBe(
      true,
    );
  });
  it('names who goes short of it, and nobody where all is there', () => {
    const late = lateByForecast(orders, going(mixedNow(short.massG / 2)));
    expect(late.length).toBeGreaterThan(0);
    expect(late.every(({ order }) => order.productCode === short.productCode)).toBe(true);
    expect(late.some(({ readyS }) => readyS === null)).toBe(true);
    expect(lateByForecast(orders, going(mixedNow(short.massG)))).toEqual(lateOrders(orders, batches));
  });
  it('takes nothing off a load that is in its oven, nor off dough from the cold', () => {
    const none = lot({ ...mixed(1) });
    expect(asThereIs(short, none, () => true).loads).toEqual(short.loads);
    expect(asThereIs(short, none, () => false).loads).toEqual([]);
    // Gone altogether it is no batch; with a load in the oven it is as large as that.
    const gone = { lots: new Map([[short.batchId, none]]), trays: new Map() };
    expect(allAsThereIs(batches, gone).map(({ batchId }) => batchId)).toEqual(
      batches.filter((own) => own !== short).map(({ batchId }) => batchId),
    );
    const [one] = short.loads;
    const inOven = asThereIs(short, none, ({ id }) => id === one?.id);
    expect(inOven.pieces).toBe(piecesOf(inOven));
    expect(inOven.massG).toBeCloseTo((short.massG * inOven.pieces) / short.pieces, 6);
    const stock = { ...short, stock: {} } as BatchPlan;
    expect(asThereIs(stock, none, () => false)).toBe(stock);
    // A tub of it that was portioned gave what was counted.
    const counted = lot({ ...portioned(7), portioned: { ...portioned(7).portioned, atMs: 9000 } });
    expect(piecesOf(asThereIs({ ...short, stock: { sinceS: 8 } } as BatchPlan, counted, () => false))).toBe(
      7,
    );
    expect(asThereIs({ ...short, stock: { sinceS: 10 } } as BatchPlan, counted, () => false).loads).toBe(
      short.loads,
    );
    expect(asThereIs(short, undefined, () => false)).toBe(short);
  });
});
