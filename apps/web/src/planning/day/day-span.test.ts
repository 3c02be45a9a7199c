import { describe, expect, it } from '@jest/globals';
import { atWallClock, type BatchPlan } from '@jokul/core';
import { daySpan, firstStart } from './day-span';

const zone = { timeZone: 'Europe/Lisbon' };
const at = (time: string, date = '2026-11-27') => atWallClock(date, time, zone.timeZone);
const batch = (mixS: number, loadS: number, readyS: number, more: Partial<BatchPlan> = {}): BatchPlan =>
  ({
    batchId: 'GNG-26-417-H',
    tasks: [
      { kind: 'prepare', startS: mixS - 7200, endS: mixS - 7000 },
      { kind: 'mix', startS: mixS, endS: mixS + 1500 },
      { kind: 'rest', startS: mixS + 1500, endS: loadS },
    ],
    loads: [{ id: 'l', startS: loadS, readyS }],
    ...more,
  }) as unknown as BatchPlan;

describe('from when to when a day goes', () => {
  const day = [batch(at('16:20', '2026-11-26'), at('05:10'), at('06:05'))];
  it('the morning from half an hour before its first load on, all of it from the first mixing on', () => {
    const morning = daySpan(day, 'morning', '2026-11-27', zone);
    expect(morning.placed).toBe(true);
    expect(morning.usual).toEqual({ fromS: at('04:30'), toS: at('07:00') });
    const whole = daySpan(day, 'whole', '2026-11-27', zone);
    expect(whole.usual).toEqual({ fromS: at('16:00', '2026-11-26'), toS: at('07:00') });
    expect(whole.limits).toEqual({ fromS: at('15:30', '2026-11-26'), toS: at('07:30') });
  });
  it('dough that lies in the cold since long begins when it is taken out', () => {
    const [mixed] = day as [BatchPlan];
    const cold = { ...mixed, stock: { placeId: 'freezer' } } as unknown as BatchPlan;
    const out = { ...cold, tasks: cold.tasks.filter(({ kind }) => kind === 'rest') };
    expect(firstStart(out)).toBe(at('05:10'));
    expect(firstStart(mixed)).toBe(at('16:20', '2026-11-26'));
  });
  it('a day without a load is shown around its noon, and says that nothing is placed', () => {
    const none = daySpan([], 'morning', '2026-11-27', zone);
    expect(none.placed).toBe(false);
    expect([none.firstLoadS, none.lastReadyS]).toEqual([at('12:00'), at('12:00')]);
    for (const value of Object.values({ ...none.limits, ...none.usual }))
      expect(Number.isFinite(value)).toBe(true);
  });
});
