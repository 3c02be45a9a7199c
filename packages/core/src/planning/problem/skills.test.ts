import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoRules } from '../../demo/index.js';
import { checkPlan } from '../check/check.js';
import { type Equipment, type Shift, checkEquipment } from '../../bakery/index.js';
import { rareSkills, resourcesOf } from './floor-resources.js';
import { resourceIds, type PlanProblem } from './problem.js';
import { calm, at, demoProblem, smallProblem } from './problem.testkit.js';
import { solvePlan } from '../solve/solve.js';
import { undonePieces } from './served.js';

const withShifts = (...shifts: readonly Shift[]): Equipment => ({ ...demoEquipment, shifts });
const mixer: Shift = { name: 'Mixer hand', from: '13:00', to: '18:00', hands: 1, can: ['mix'] };
const all: Shift = { name: 'Bakers', from: '03:30', to: '14:00', hands: 2 };
const stretch = { fromS: at('00:00', -1), toS: at('12:00') };

describe('what hands can do', () => {
  it('is nothing to count where everybody can do all', () => {
    expect(rareSkills(demoEquipment)).toEqual([]);
    expect(resourcesOf(demoEquipment, demoRules, stretch).some(({ id }) => id.startsWith('hands/'))).toBe(
      false,
    );
    for (const { uses } of solvePlan(smallProblem(), calm).batches.flatMap(({ tasks }) => tasks))
      expect(uses.some(({ resourceId }) => resourceId.startsWith('hands/'))).toBe(false);
  });

  it('counts those that can, and all together', () => {
    const equipment = withShifts(mixer, all);
    expect(rareSkills(equipment)).toEqual(['portion+pack']);
    expect(rareSkills({ ...equipment, ovenHands: 0 })).toEqual(['portion+oven+pack']);
    const resources = resourcesOf(equipment, demoRules, stretch);
    const there = (id: string, time: string) =>
      (resources.find((own) => own.id === id)?.when ?? [])
        .filter(({ fromS, toS }) => fromS <= at(time, -1) && at(time, -1) < toS)
        .reduce((sum, { capacity }) => sum + capacity, 0);
    expect([there(resourceIds.hands, '13:30'), there(resourceIds.skilled('portion+pack'), '13:30')]).toEqual([
      3, 2,
    ]);
    expect([there(resourceIds.hands, '15:00'), there(resourceIds.skilled('portion+pack'), '15:00')]).toEqual([
      1, 0,
    ]);
  });

  it('counts those who can do one of two things together, where a third can do neither', () => {
    const line: Shift = { ...all, can: ['mix', 'portion'] };
    const packs: Shift = { name: 'Packer', from: '03:30', to: '14:00', hands: 1, can: ['pack'] };
    const equipment = withShifts(line, packs);
    expect(rareSkills(equipment)).toEqual(['mix+portion', 'pack']);
    const small = smallProblem();
    // Two hands of the line and a packer: never three things at the bowls and the bench.
    const when = [{ fromS: 0, toS: 40_000, capacity: 2 }];
    const problem: PlanProblem = {
      ...small,
      products: small.products.map((product) => ({ ...product, skills: rareSkills(equipment) })),
      resources: [
        ...small.resources.map((own) =>
          own.id === 'hands' ? { ...own, capacity: 3, when: [{ fromS: 0, toS: 40_000, capacity: 3 }] } : own,
        ),
        { id: 'hands/mix+portion', name: 'Line', capacity: 2, when },
        { id: 'hands/pack', name: 'Packer', capacity: 1, when },
      ],
    };
    const plan = solvePlan(problem, calm);
    expect(checkPlan(problem, plan)).toEqual([]);
    for (const { kind, uses } of plan.batches.flatMap(({ tasks }) => tasks))
      if (kind === 'mix' || kind === 'portion')
        expect(uses.map(({ resourceId }) => resourceId)).toContain('hands/mix+portion');
  });

  it('no longer asks for hands that are not counted any more', () => {
    const before = demoProblem({ equipment: withShifts(mixer, all) });
    const { batches } = solvePlan(before, { tries: 0 });
    const after = demoProblem({
      equipment: withShifts(all),
      rules: { ...demoRules, ovenTrayS: 0 },
      fixed: batches,
    });
    expect(checkPlan(after, { batches: after.fixed, unplaced: [], boundS: 0 })).not.toContainEqual(
      expect.objectContaining({ message: expect.stringMatching(/does not exist/) }),
    );
  });

  it('has nobody pack who cannot, and the plan holds', () => {
    const bakes: Shift = { ...all, can: ['mix', 'portion'] };
    const packs: Shift = { name: 'Packer', from: '04:30', to: '11:00', hands: 1, can: ['pack'] };
    const problem = demoProblem({
      equipment: withShifts({ ...mixer, can: ['mix', 'portion'] }, bakes, packs),
    });
    const plan = solvePlan(problem, calm);
    expect(checkPlan(problem, plan)).toEqual([]);
    const packed = plan.batches
      .flatMap(({ tasks }) => tasks)
      .filter(({ kind }) => kind === 'pack' || kind === 'ice')
      .sort((a, b) => a.startS - b.startS);
    expect(packed.length).toBeGreaterThan(10);
    expect(packed[0]?.startS).toBeGreaterThanOrEqual(at('04:30'));
    // One packer does one thing at a time.
    for (const [i, { startS }] of packed.slice(1).entries())
      expect(startS).toBeGreaterThanOrEqual(packed[i]?.endS ?? 0);
  });

  it('has nobody portion who only mixes, and the plan holds', () => {
    const problem = demoProblem({ equipment: withShifts(mixer, all) });
    const plan = solvePlan(problem, calm);
    expect(checkPlan(problem, plan)).toEqual([]);
    const portioned = plan.batches.flatMap(({ tasks }) => tasks).filter(({ kind }) => kind === 'portion');
    expect(portioned.length).toBeGreaterThan(5);
    for (const task of portioned) {
      expect(task.uses.map(({ resourceId }) => resourceId)).toContain(resourceIds.skilled('portion+pack'));
      const hour = new Date(task.startS * 1000).getUTCHours();
      expect(hour).toBeLessThan(14);
    }
  });

  it('makes a hand that can wait for what only it can do', () => {
    // Two people: one only mixes, one only portions. Two doughs at once take both of each.
    const small = smallProblem();
    const [product] = small.products;
    if (!product) throw new Error('one product');
    const when = [{ fromS: 0, toS: 40_000, capacity: 1 }];
    const problem: PlanProblem = {
      ...small,
      products: [
        {
          ...product,
          skills: ['mix', 'portion'],
          demands: [{ name: 'Kiosk', readyByS: 30_000, pieces: 80 }],
          batches: [
            { id: 'ONE-A', mixerId: 'mixer', massG: 1500, pieces: 40, mixerIds: ['mixer', 'other'] },
            { id: 'ONE-B', mixerId: 'other', massG: 1500, pieces: 40, mixerIds: ['mixer', 'other'] },
          ],
        },
      ],
      resources: [
        ...small.resources.map((own) =>
          own.id === 'hands'
            ? { ...own, capacity: 2, when: [{ fromS: 0, toS: 40_000, capacity: 2 }] }
            : { ...own, capacity: own.capacity * 3 },
        ),
        { id: 'other', name: 'Other mixer', capacity: 1 },
        { id: 'hands/mix', name: 'Can mix', capacity: 1, when },
        { id: 'hands/portion', name: 'Can portion', capacity: 1, when },
      ],
    };
    const plan = solvePlan(problem, calm);
    expect(undonePieces(problem, plan.batches)).toBe(0);
    expect(checkPlan(problem, plan)).toEqual([]);
    const mixes = plan.batches
      .flatMap(({ tasks }) => tasks)
      .filter(({ kind }) => kind === 'mix')
      .sort((a, b) => a.startS - b.startS);
    expect(mixes[1]?.startS).toBeGreaterThanOrEqual(mixes[0]?.endS ?? Number.NaN);
  });

  it('is refused where nobody can, or a shift can nothing', () => {
    expect(() => checkEquipment(withShifts(mixer))).toThrow(/can portion/);
    const line: Shift = { ...all, can: ['mix', 'portion', 'pack'] };
    expect(() => checkEquipment(withShifts(line))).not.toThrow();
    expect(() => checkEquipment({ ...withShifts(line), ovenHands: 0 })).toThrow(/tend the ovens/);
    expect(() => checkEquipment(withShifts(all, { ...mixer, can: [] }))).toThrow(/what its hands can do/);
    expect(() => checkEquipment(withShifts(all, mixer))).not.toThrow();
  });
});
