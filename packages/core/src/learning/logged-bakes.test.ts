import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../demo/index.js';
import type { TrayState } from '../ledger/index.js';
import { loggedBakes, positionOf } from './logged-bakes.js';

const stamp = (atMs: number, entryId = `at-${atMs}`) => ({ atMs, who: 'Oven hand', entryId });
const tray = (change: Partial<TrayState> = {}): TrayState => ({
  trayId: 'GNG-1120-A-L1-T3',
  loadId: 'GNG-1120-A-L1',
  batchId: 'GNG-1120-A',
  ovenId: 'port',
  setC: 150,
  pullS: 1200,
  trayRestS: 300,
  pieces: 20,
  test: false,
  loaded: stamp(0),
  turned: stamp(600e3),
  pulled: stamp(1230e3),
  flattened: null,
  racked: stamp(1530e3),
  iced: null,
  packed: null,
  inspected: { ...stamp(4000e3, 'i'), trayId: 'GNG-1120-A-L1-T3', coreC: 101, colourScore: 60 },
  ...change,
});
const ginger = demoFormulas.find(({ code }) => code === 'GNG');
if (!ginger) throw new Error('GNG');
const made = new Map([['GNG-1120-A', ginger]]);
const from = (...trays: TrayState[]) => loggedBakes(trays, made, demoEquipment, demoRules);

describe('bakes to learn from', () => {
  it('carry how they were baked and what was measured', () => {
    expect(from(tray())).toEqual([
      expect.objectContaining({
        id: 'i',
        ovenId: 'port',
        position: 3,
        code: 'GNG',
        pullS: 1230,
        trayS: 300,
        turned: true,
        measured: { coreC: 101, colour: 60 },
      }),
    ]);
    expect(from(tray())[0]?.setup).toMatchObject({ massG: 32, setC: 150, fan: true });
  });
  it('in an oven that is hotter than its dial were in that heat: what they teach comes on top', () => {
    const ovens = demoEquipment.ovens.map((oven) => ({ ...oven, offsetK: 12 }));
    const [bake] = loggedBakes([tray()], made, { ...demoEquipment, ovens }, demoRules);
    expect(bake?.setup).toMatchObject({ setC: 150, offsetK: 12 });
  });
  it.each<[string, Partial<TrayState>]>([
    ['not measured', { inspected: null }],
    ['still in the oven', { pulled: null }],
    ['pulled at once', { pulled: stamp(20e3) }],
    ['of an unknown formula', { batchId: 'ZZZ-1-A' }],
    ['in an unknown oven', { ovenId: 'cellar' }],
    ['with nothing but a note', { inspected: { ...stamp(1), trayId: 't', note: 'nice' } }],
  ])('%s is none', (_, change) => {
    expect(from(tray(change))).toEqual([]);
  });
  it('the dough as it was measured when it was loaded counts before the usual one', () => {
    expect(from(tray({ startC: 11.5 }))[0]?.setup.start).toBe(11.5);
  });
  it('are of the formula as it was when the lot was made', () => {
    const heavier = new Map([['GNG-1120-A', { ...ginger, piece: { ...ginger.piece, massG: 50 } }]]);
    expect(loggedBakes([tray()], heavier, demoEquipment, demoRules)[0]?.setup.massG).toBe(50);
  });
  it('the latest first, no more than asked for', () => {
    const many = Array.from({ length: 5 }, (_, i) => tray({ trayId: `T${i}`, pulled: stamp(1230e3 + i) }));
    const some = loggedBakes(many, made, demoEquipment, demoRules, 3);
    expect(some.map(({ atMs }) => atMs)).toEqual([1230e3 + 4, 1230e3 + 3, 1230e3 + 2]);
  });
  it('a place that was written down counts before the name of the tray', () => {
    expect(positionOf(tray({ position: 5 }))).toBe(5);
    expect(positionOf(tray({ trayId: 'odd' }))).toBe(1);
  });
});
