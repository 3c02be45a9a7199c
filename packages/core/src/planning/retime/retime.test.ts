import { describe, expect, it } from '@jest/globals';
import type { BatchPlan, Load } from '../problem/plan.js';
import { retime, type RetimeQuestion } from './retime.js';

const load = (id: string, ovenId: string, startS: number, pullS = 600, setC = 165): Load => ({
  id,
  batchId: id.slice(0, 1),
  ovenId,
  setC,
  pullS,
  startS,
  readyS: startS + pullS + 1800,
  dueS: startS + pullS + 2400,
  trays: [{ id: `${id}-T1`, position: 1, pieces: 20 }],
});
const batch = (batchId: string, loads: readonly Load[]): BatchPlan => ({
  batchId,
  productCode: batchId,
  mixerId: 'm',
  massG: 1000,
  pieces: 40,
  loads,
  tasks: [
    {
      id: `${batchId}/rest`,
      kind: 'rest',
      batchId,
      startS: 0,
      endS: Math.max(...loads.map((l) => l.startS)),
      uses: [],
    },
    ...loads.flatMap((l) => [
      {
        id: `${l.id}/bake`,
        kind: 'bake' as const,
        batchId,
        loadId: l.id,
        startS: l.startS,
        endS: l.startS + l.pullS,
        uses: [],
      },
      {
        id: `${l.id}/rack`,
        kind: 'rack' as const,
        batchId,
        loadId: l.id,
        startS: l.startS + l.pullS + 300,
        endS: l.startS + l.pullS + 1500,
        uses: [],
      },
    ]),
  ],
});
const a = batch('A', [load('A1', 'port', 10_000), load('A2', 'port', 10_800)]);
const b = batch('B', [load('B1', 'port', 11_700, 600, 185), load('B2', 'star', 10_000)]);
const ask = (change: Partial<RetimeQuestion> = {}) =>
  retime({
    batches: [a, b],
    pullOf: () => null,
    started: new Set(),
    ovens: ['port', 'star'].map((id) => ({ id, name: id, places: 5, degreesPerMin: 8 })),
    loadGapS: 150,
    ...change,
  });
const found = (result: ReturnType<typeof retime>, id: string) =>
  result.batches.flatMap(({ loads }) => loads).find((l) => l.id === id);

describe('loads that are timed again', () => {
  it('stay as they are when nothing else is known', () => {
    const { batches, moves } = ask();
    expect(batches).toEqual([a, b]);
    expect(moves).toEqual([]);
  });
  it('a shorter pull moves no start', () => {
    const result = ask({ pullOf: () => 500 });
    expect(found(result, 'A2')).toMatchObject({ startS: 10_800, pullS: 500, readyS: 10_800 + 500 + 1800 });
    expect(result.moves).toHaveLength(4);
    expect(result.moves.every(({ startByS, lateS }) => startByS === 0 && lateS === 0)).toBe(true);
  });
  it('a longer pull pushes what comes behind it in the same oven, and no other', () => {
    const result = ask({ pullOf: (l) => (l.id === 'A1' ? 900 : null) });
    expect(found(result, 'A2')?.startS).toBe(10_000 + 900 + 150);
    expect(found(result, 'B2')?.startS).toBe(10_000);
    // Before B1 the oven is emptied and filled, and then goes to another temperature: 20 K at 8 K a minute.
    expect(found(result, 'B1')?.startS).toBe(11_050 + 600 + 150 + 150);
  });
  it('dough that is not ready makes its own loads wait; how late they get is said', () => {
    const result = ask({ notBeforeS: new Map([['A', 12_000]]) });
    expect(found(result, 'A1')?.startS).toBe(12_000);
    expect(found(result, 'A2')?.startS).toBe(12_750);
    expect(result.moves.find(({ loadId }) => loadId === 'A1')?.lateS).toBe(1400);
  });
  it('what is in the oven stays, and the rest waits for it', () => {
    const result = ask({ started: new Set(['A1']), pullOf: () => 900 });
    expect(found(result, 'A1')).toEqual(a.loads[0]);
  });
  it('its tasks go with it: bake, rack, and the stay in the cold', () => {
    const result = ask({ notBeforeS: new Map([['A', 12_000]]), pullOf: () => 660 });
    const tasks = result.batches[0]?.tasks ?? [];
    const task = (id: string) => tasks.find((t) => t.id === id);
    expect(task('A1/bake')).toMatchObject({ startS: 12_000, endS: 12_660 });
    expect(task('A1/rack')).toMatchObject({ startS: 12_960, endS: 14_160 });
    expect(task('A/rest')?.endS).toBe(found(result, 'A2')?.startS);
  });
});
