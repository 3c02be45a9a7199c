import { describe, expect, it } from '@jest/globals';
import { demoEquipment } from '../../demo/index.js';
import type { BatchPlan, Load } from '../problem/plan.js';
import { ovenEnergy } from './oven-energy.js';

const load = (id: string, ovenId: string, startS: number, pieces: number): Load => ({
  id,
  batchId: 'GNG-1',
  ovenId,
  setC: 172,
  pullS: 900,
  startS,
  readyS: 0,
  dueS: 0,
  trays: [{ id: `${id}-T1`, position: 1, pieces }],
});
const batch = (...loads: Load[]): BatchPlan => ({
  batchId: 'GNG-1',
  productCode: 'GNG',
  mixerId: 'm',
  massG: 5000,
  pieces: 100,
  loads,
  tasks: [],
});
const ovens = (powerW?: number) =>
  demoEquipment.ovens.map((oven) => (oven.id === 'port' && powerW ? { ...oven, powerW } : oven));
const ask = (batches: readonly BatchPlan[], powerW?: number) =>
  ovenEnergy(ovens(powerW), batches, () => 30, { loadGapS: 150 });

describe('what ovens take', () => {
  it('is not known without the power of a heater, or without a load in it', () => {
    expect(ask([batch(load('L1', 'port', 40_000, 50))])).toBeNull();
    expect(ask([batch(load('L1', 'starboard', 40_000, 50))], 9000)).toBeNull();
    expect(ask([], 9000)).toBeNull();
  });
  it('is heating up, holding and the dough, by hand', () => {
    const found = ask([batch(load('L1', 'port', 40_000, 50), load('L2', 'port', 41_200, 50))], 9000);
    // From 22 to 172 °C at 8 a minute: 18.75 min at 9 kW. Hot from 40,000 to 42,100 s at 2.7 kW. 3 kg of dough.
    const byHand = [(18.75 / 60) * 9, (2100 / 3600) * 2.7, (3 * (2800 * 80 + 0.08 * 2.26e6)) / 3.6e6];
    expect(found?.energy.terms.map(({ value }) => value)).toEqual(byHand.map((x) => expect.closeTo(x, 6)));
    expect(found?.energy.value).toBeCloseTo(
      byHand.reduce((a, b) => a + b, 0),
      6,
    );
    expect(found?.without).toEqual([]);
  });
  it('heats up once more after hours without a load, and names the ovens that it cannot count', () => {
    const two = [
      batch(
        load('L1', 'port', 40_000, 50),
        load('L2', 'port', 60_000, 50),
        load('L3', 'keel-upper', 40_000, 9),
      ),
    ];
    const found = ask(two, 9000);
    expect(found?.energy.terms[0]?.value).toBeCloseTo((2 * 18.75 * 9) / 60, 6);
    expect(found?.energy.terms[1]?.value).toBeCloseTo((1800 / 3600) * 2.7, 6);
    expect(found?.without.map(({ id }) => id)).toEqual(['keel-upper']);
  });
});
