import { describe, expect, it } from '@jest/globals';
import { atWallClock } from '../../quantity/index.js';
import { demoEquipment, demoRules } from '../../demo/index.js';
import { handsOn } from '../../bakery/index.js';
import { resourcesOf } from './floor-resources.js';
import { resourceIds } from './problem.js';
import { suppose } from './suppose.js';

const zone = demoRules.timeZone;
const date = '2026-11-27';
const [shift] = demoEquipment.shifts;
if (!shift) throw new Error('the demo has a shift');
const stretch = { fromS: atWallClock(date, '00:00', zone), toS: atWallClock('2026-11-28', '00:00', zone) };
const lineOf = (order: object, i: number) => ({ id: `s${i}`, ...(order as { customer: string }) }) as never;
const real = { equipment: demoEquipment, orders: [] };
const handsAt = (equipment: typeof demoEquipment, atS: number) =>
  (resourcesOf(equipment, demoRules, stretch).find(({ id }) => id === resourceIds.hands)?.when ?? [])
    .filter(({ fromS, toS }) => fromS <= atS && atS < toS)
    .reduce((sum, { capacity }) => sum + capacity, 0);

describe('suppose', () => {
  it('touches nothing of the real bakery', () => {
    const before = JSON.stringify(demoEquipment);
    suppose(
      real,
      {
        ovensOut: [demoEquipment.ovens[0]?.id ?? ''],
        ovensMore: [{ likeId: demoEquipment.ovens[1]?.id ?? '', name: 'Hired' }],
        away: [{ date, shift: shift.name, hands: 1 }],
      },
      lineOf,
    );
    expect(JSON.stringify(demoEquipment)).toBe(before);
  });

  it('takes the hands of one day only', () => {
    const { equipment } = suppose(real, { away: [{ date, shift: shift.name, hands: 1 }] }, lineOf);
    const inShift = (day: string) => atWallClock(day, shift.from, zone) + 60;
    expect(handsAt(equipment, inShift(date))).toBe(handsAt(demoEquipment, inShift(date)) - 1);
    expect(handsAt(equipment, inShift('2026-11-28'))).toBe(handsAt(demoEquipment, inShift('2026-11-28')));
  });

  it('never has fewer than no hands, however many are away', () => {
    const calendar = {
      closedWeekdays: [],
      closedDays: [],
      away: [
        { date, shift: 'Early', hands: 5, why: 'ill' },
        { date, shift: 'Early', hands: 1, why: 'ill' },
      ],
    };
    expect(handsOn(calendar, { name: 'Early', hands: 2 }, date)).toBe(0);
    expect(handsOn(calendar, { name: 'Late', hands: 2 }, date)).toBe(2);
    expect(handsOn(undefined, { name: 'Early', hands: 2 }, date)).toBe(2);
  });

  it('lets a hired oven stand in for the one that is out, even for the only one', () => {
    const [only] = demoEquipment.ovens;
    if (!only) throw new Error('the demo has ovens');
    const { equipment } = suppose(
      { equipment: { ...demoEquipment, ovens: [only] }, orders: [] },
      { ovensOut: [only.id], ovensMore: [{ likeId: only.id, name: 'Hired' }] },
      lineOf,
    );
    const used = equipment.ovens.filter(({ retired }) => !retired);
    expect(used).toEqual([{ ...only, id: 'hired', name: 'Hired' }]);
    expect(() =>
      suppose(
        { equipment: { ...demoEquipment, ovens: [only] }, orders: [] },
        { ovensOut: [only.id] },
        lineOf,
      ),
    ).toThrow(/At least one oven stays/);
  });

  it('gives a new oven an id of its own, also two of one name', () => {
    const likeId = demoEquipment.ovens[0]?.id ?? '';
    const { equipment } = suppose(
      real,
      {
        ovensMore: [
          { likeId, name: 'Hired' },
          { likeId, name: 'hired.' },
        ],
      },
      lineOf,
    );
    const ids = equipment.ovens.map(({ id }) => id);
    expect(new Set(ids).size).toBe(demoEquipment.ovens.length + 2);
    expect(() => suppose(real, { ovensMore: [{ likeId, name: ' ' }] }, lineOf)).toThrow(/name/);
  });
});
