import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoRules } from '../../demo/index.js';
import { wallClock } from '../../quantity/index.js';
import { checkPlan } from '../check/check.js';
import { everyShift } from './floor-resources.js';
import { checkEquipment, shiftParts, wallOf } from '../../bakery/index.js';
import { at, demoProblem } from './problem.testkit.js';
import { solvePlan } from '../solve/solve.js';

const zone = demoRules.timeZone;
const said = (shift: Parameters<typeof everyShift>[2], fromDay = 0, toDay = 0) =>
  everyShift({ fromS: at('00:00', fromDay), toS: at('23:00', toDay) }, zone, shift, undefined).map(
    ({ fromS, toS, capacity }) => {
      const [from, to] = [wallClock(fromS, zone), wallClock(toS, zone)];
      return `${from.date.slice(8)} ${from.time}-${to.date.slice(8)} ${to.time} ${capacity}`;
    },
  );
const early = { name: 'Early', from: '03:00', to: '11:00', hands: 2 };
const night = { name: 'Night', from: '22:00', to: '06:00', hands: 1 };

describe('a shift with breaks', () => {
  it('works before, between and after them, on every day', () => {
    const shift = {
      ...early,
      breaks: [
        { from: '06:00', to: '06:20' },
        { from: '09:00', to: '09:30' },
      ],
    };
    expect(said(shift).slice(-3)).toEqual([
      '27 03:00-27 06:00 2',
      '27 06:20-27 09:00 2',
      '27 09:30-27 11:00 2',
    ]);
  });
  it('over midnight has its breaks on either side of it', () => {
    const shift = {
      ...night,
      breaks: [
        { from: '23:50', to: '00:10' },
        { from: '03:00', to: '03:30' },
      ],
    };
    expect(said(shift).slice(-3)).toEqual([
      '27 22:00-27 23:50 1',
      '28 00:10-28 03:00 1',
      '28 03:30-28 06:00 1',
    ]);
  });
  it('that begins or ends with one works the rest', () => {
    expect(said({ ...early, breaks: [{ from: '03:00', to: '03:15' }] }).at(-1)).toBe('27 03:15-27 11:00 2');
    expect(said({ ...early, breaks: [{ from: '10:30', to: '11:00' }] }).at(-1)).toBe('27 03:00-27 10:30 2');
  });
  it('without any is what it was', () => {
    expect(said(night).at(-1)).toBe('27 22:00-28 06:00 1');
    expect(shiftParts({ name: 'All', from: '04:00', to: '04:00' })).toEqual([{ fromMin: 240, toMin: 1680 }]);
    expect(wallOf(1680)).toEqual({ time: '04:00', days: 1 });
  });

  it.each([
    ['outside', [{ from: '12:00', to: '12:30' }]],
    ['over its end', [{ from: '10:50', to: '11:10' }]],
    ['before it', [{ from: '02:30', to: '03:10' }]],
    ['backwards', [{ from: '07:00', to: '06:30' }]],
    ['of no length', [{ from: '07:00', to: '07:00' }]],
    [
      'over each other',
      [
        { from: '06:00', to: '07:00' },
        { from: '06:30', to: '07:30' },
      ],
    ],
    [
      'in another order',
      [
        { from: '09:00', to: '09:30' },
        { from: '06:00', to: '06:30' },
      ],
    ],
    ['all of it', [{ from: '03:00', to: '11:00' }]],
  ])('refuses breaks that are %s', (_, breaks) => {
    expect(() => checkEquipment({ ...demoEquipment, shifts: [{ ...early, breaks }] })).toThrow(/Early:/);
  });
  it('takes those that fit', () => {
    expect(() =>
      checkEquipment({ ...demoEquipment, shifts: [{ ...night, breaks: [{ from: '01:00', to: '01:30' }] }] }),
    ).not.toThrow();
  });
});

describe('a plan over a break', () => {
  it('has nobody mixing or portioning in it', () => {
    const workOf = (problem: ReturnType<typeof demoProblem>) => {
      const plan = solvePlan(problem, { tries: 40, seconds: 60 });
      expect(checkPlan(problem, plan)).toEqual([]);
      return plan.batches
        .flatMap(({ tasks }) => tasks)
        .filter(({ kind }) => kind === 'mix' || kind === 'portion');
    };
    const afternoon = [at('13:40', -1), at('17:00', -1)] as const;
    // The break is laid over what would be done then.
    const mixing = workOf(demoProblem()).find(
      ({ startS }) => startS >= afternoon[0] && startS < afternoon[1],
    );
    if (!mixing) throw new Error('nobody works in the afternoon');
    const pause = { from: wallClock(mixing.startS, zone).time, to: wallClock(mixing.endS, zone).time };
    const shifts = demoEquipment.shifts.map((shift) =>
      shift.from === '13:00' ? { ...shift, breaks: [pause] } : shift,
    );
    const work = workOf(demoProblem({ equipment: { ...demoEquipment, shifts } }));
    for (const { startS, endS } of work)
      for (const day of [-3, -2, -1])
        expect(startS < at(pause.to, day) && endS > at(pause.from, day)).toBe(false);
  });
});
