import { describe, expect, it } from '@jest/globals';
import type { DraftEntry, JournalEntry } from '../../ledger/index.js';
import { openActions, reduceLedger, urgencyOf } from '../../ledger/index.js';
import { heatUpS } from '../problem/problem.js';
import { demoProblem } from '../problem/problem.testkit.js';
import { ovensToHeat } from './ovens-to-heat.js';
import { solvePlan } from '../solve/solve.js';

const problem = demoProblem();
const { batches } = solvePlan(problem, { tries: 0 });
const found = ovensToHeat(batches, problem);
const first = problem.ovens.flatMap(({ id }) => {
  const [load] = batches
    .flatMap(({ loads }) => loads)
    .filter(({ ovenId }) => ovenId === id)
    .sort((a, b) => a.startS - b.startS);
  return load ? [load] : [];
});
const floorOf = (...drafts: readonly Pick<DraftEntry, 'kind' | 'lot' | 'payload' | 'atMs'>[]) =>
  reduceLedger(
    drafts.map(
      (draft, i) =>
        ({
          id: `e${i}`,
          who: 'x',
          device: 'x',
          seq: i + 1,
          prevHash: '',
          hash: '',
          ...draft,
        }) as JournalEntry,
    ),
  );
const [on, check] = found;
if (!on?.oven || !check?.oven) throw new Error('an oven is turned on');
const { oven } = on;
const open = (state: ReturnType<typeof floorOf>) =>
  openActions(batches, state, found)
    .filter(({ prepare }) => prepare?.oven)
    .map(({ id }) => id);

describe('ovens that are turned on', () => {
  it('each before its first load, as early as heating takes, and looked at shortly before it', () => {
    expect(first.length).toBeGreaterThan(2);
    for (const load of first) {
      const own = found.filter((one) => one.oven?.loadId === load.id);
      expect(own.map(({ kind }) => kind)).toEqual(['oven-on', 'oven-check']);
      const heats = problem.ovens.find(({ id }) => id === load.ovenId);
      if (!heats) throw new Error('its oven');
      expect(own[0]?.startS).toBeCloseTo(load.startS - heatUpS(heats, load.setC), 6);
      expect(own[1]?.startS).toBe(load.startS - 180);
      expect(own[0]?.oven).toEqual({ ovenId: load.ovenId, setC: load.setC, loadId: load.id });
    }
  });

  it('not within an hour of the load before', () => {
    const loads = batches.flatMap(({ loads: own }) => own);
    for (const { oven: own } of found) {
      const load = loads.find(({ id }) => id === own?.loadId);
      if (!load) throw new Error('its load');
      for (const before of loads.filter((one) => one.ovenId === load.ovenId && one.startS < load.startS))
        expect(load.startS - before.startS - before.pullS).toBeGreaterThanOrEqual(3600);
    }
    expect(found.filter(({ kind }) => kind === 'oven-on').length).toBeLessThan(loads.length / 2);
  });

  it('are due until somebody did it, each for its load', () => {
    const nothing = floorOf();
    expect(open(nothing)).toContain(on.id);
    const pressed = floorOf({
      kind: 'prepared',
      lot: on.batchId,
      atMs: on.startS * 1000,
      payload: { what: 'oven-on', ...oven },
    });
    expect(open(pressed)).not.toContain(on.id);
    expect(open(pressed)).toContain(check.id);
    expect(open(pressed)).toHaveLength(open(nothing).length - 1);
    // Twice is said, as of everything that is done once.
    const twice = floorOf(
      ...[1, 2].map(() => ({
        kind: 'prepared' as const,
        lot: on.batchId,
        atMs: on.startS * 1000,
        payload: { what: 'oven-on' as const, ...oven },
      })),
    );
    expect(twice.notices.map(({ code }) => code)).toEqual(['already']);
  });

  it('are not asked for once something bakes in them', () => {
    const batch = batches.find(({ batchId }) => batchId === on.batchId);
    const load = batch?.loads.find(({ id }) => id === oven.loadId);
    if (!batch || !load) throw new Error('its load');
    const loaded = floorOf({
      kind: 'loaded',
      lot: batch.batchId,
      atMs: load.startS * 1000,
      payload: {
        loadId: load.id,
        trayIds: load.trays.map(({ id }) => id),
        ovenId: load.ovenId,
        setC: load.setC,
        pullS: load.pullS,
        trayRestS: 300,
        pieces: load.trays.map(({ pieces }) => pieces),
      },
    });
    expect(open(loaded)).not.toContain(on.id);
    expect(open(loaded)).not.toContain(check.id);
  });

  it('are late a few minutes after their time, butter only after half an hour', () => {
    const [action] = openActions(batches, floorOf(), [on]).filter(({ prepare }) => prepare === on);
    if (!action) throw new Error('it is due');
    expect(urgencyOf(action, action.dueMs)).toBe('now');
    expect(urgencyOf(action, action.dueMs + 240e3)).toBe('late');
  });
});
