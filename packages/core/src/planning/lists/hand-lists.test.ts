import { describe, expect, it } from '@jest/globals';
import * as fc from 'fast-check';
import { demoEquipment } from '../../demo/index.js';
import type { Shift } from '../../bakery/index.js';
import { ovenShift } from '../problem/floor-resources.js';
import type { PlannedWork } from './give-out.js';
import { plannedWork } from './give-out.js';
import { handLists, isHandWork } from './hand-lists.js';
import { at, demoProblem } from '../problem/problem.testkit.js';
import { solvePlan } from '../solve/solve.js';

const zone = 'Atlantic/Faroe';
const work = (kind: PlannedWork['kind'], from: string, minutes: number, batchId = 'A'): PlannedWork => ({
  id: `${batchId}/${kind}/${from}`,
  kind,
  batchId,
  productCode: 'GNG',
  startS: at(from),
  endS: at(from) + 60 * minutes,
  where: '',
  setC: null,
  trays: null,
  pieces: 10,
  massG: null,
});
const two: readonly Shift[] = [{ name: 'Early baker, head baker', from: '03:30', to: '11:00', hands: 2 }];
const lists = (works: readonly PlannedWork[], shifts = two) => handLists(works, shifts, undefined, zone);
const short = ({ hands, open }: ReturnType<typeof handLists>) => [
  ...hands.map(({ name, works }) => [name, works.map(({ kind }) => kind)]),
  ...(open.length > 0 ? [['open', open.map(({ kind }) => kind)]] : []),
];

describe('what each person does', () => {
  it('nobody has two things at once, and who mixed a dough portions it', () => {
    const found = lists([
      work('mix', '04:00', 25),
      work('mix', '04:10', 25, 'B'),
      work('portion', '04:40', 20),
      work('portion', '04:45', 20, 'B'),
    ]);
    expect(short(found)).toEqual([
      ['Early baker', ['mix', 'portion']],
      ['Head baker', ['mix', 'portion']],
    ]);
    expect(new Set(found.hands[0]?.works.map(({ batchId }) => batchId))).toEqual(new Set(['A']));
  });

  it('what an oven or the cold does is nobody’s', () => {
    expect(
      short(lists([work('bake', '05:00', 14), work('rest', '04:00', 60), work('pack', '06:00', 3)])),
    ).toEqual([['Early baker', ['pack']]]);
    expect(lists([])).toEqual({ hands: [], open: [] });
  });

  it('goes by what a shift can do, by its breaks, and by who is away', () => {
    const shifts: readonly Shift[] = [
      { name: 'Packer', from: '03:30', to: '11:00', hands: 1, can: ['pack'] },
      { name: 'Bakers', from: '03:30', to: '11:00', hands: 2, breaks: [{ from: '06:00', to: '06:30' }] },
    ];
    const found = lists(
      [
        work('mix', '04:00', 25),
        work('pack', '04:05', 5, 'B'),
        work('ice', '06:10', 5, 'C'),
        work('mix', '06:10', 10, 'D'),
      ],
      shifts,
    );
    expect(short(found)).toEqual([
      ['Packer', ['pack', 'ice']],
      ['Bakers 1', ['mix']],
      ['open', ['mix']],
    ]);
    const away = {
      closedWeekdays: [],
      closedDays: [],
      away: [{ date: '2026-11-27', shift: 'Early baker, head baker', hands: 1, why: 'ill' }],
    };
    const alone = handLists([work('mix', '04:00', 25), work('mix', '04:00', 25, 'B')], two, away, zone);
    expect(short(alone)).toEqual([
      ['Early baker', ['mix']],
      ['open', ['mix']],
    ]);
  });

  it('tells two shifts of one name apart', () => {
    const shifts: readonly Shift[] = [
      { name: 'Baker', from: '03:30', to: '08:00', hands: 1 },
      { name: 'Baker', from: '08:00', to: '11:00', hands: 1 },
    ];
    expect(short(lists([work('mix', '04:00', 25), work('pack', '09:00', 5)], shifts))).toEqual([
      ['Baker, from 03:30', ['mix']],
      ['Baker, from 08:00', ['pack']],
    ]);
  });

  it('deals out all of the demo’s morning', () => {
    const plan = solvePlan(demoProblem(), { tries: 40 });
    const works = plannedWork(plan.batches);
    const ovens = ovenShift(demoEquipment, 'Oven hand');
    if (!ovens) throw new Error('the demo has an oven hand');
    const found = handLists(works, [...demoEquipment.shifts, ovens], demoEquipment.calendar, zone);
    expect(found.open).toEqual([]);
    const dealt = found.hands.flatMap((hand) => hand.works.map(({ id }) => id));
    expect(dealt.sort()).toEqual(
      works
        .filter(isHandWork)
        .map(({ id }) => id)
        .sort(),
    );
    expect(found.hands.map(({ name }) => name)).toEqual([
      'Early baker',
      'Head baker',
      'Mix hand',
      'Oven hand',
    ]);
    // Who is there for the ovens alone does all of them, and nothing else.
    const atOven = new Set(['load', 'turn', 'pull']);
    for (const { name, works: own } of found.hands)
      expect(own.every(({ kind }) => atOven.has(kind) === (name === 'Oven hand'))).toBe(true);
  });

  it('never gives one hand two things, nor loses one, whatever the work', () => {
    const any = fc.record({
      kind: fc.constantFrom<PlannedWork['kind']>(
        'mix',
        'portion',
        'load',
        'pull',
        'pack',
        'ice',
        'toast',
        'bake',
      ),
      min: fc.integer({ min: 0, max: 600 }),
      lasts: fc.integer({ min: 1, max: 60 }),
      batchId: fc.constantFrom('A', 'B', 'C'),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 30 }), fc.integer({ min: 1, max: 4 }), (drawn, hands) => {
        const works = drawn.map(({ kind, min, lasts, batchId }, i) => ({
          ...work(kind, '03:00', lasts, batchId),
          id: String(i),
          startS: at('03:00') + 60 * min,
          endS: at('03:00') + 60 * (min + lasts),
        }));
        const found = lists(works, [{ name: 'Bakers', from: '03:30', to: '11:00', hands }]);
        for (const hand of found.hands) {
          const sorted = [...hand.works].sort((a, b) => a.startS - b.startS);
          sorted.forEach((own, i) => {
            expect(own.startS).toBeGreaterThanOrEqual(sorted[i - 1]?.endS ?? 0);
            expect(own.startS).toBeGreaterThanOrEqual(at('03:30'));
            expect(own.endS).toBeLessThanOrEqual(at('11:00'));
          });
        }
        const all = [...found.hands.flatMap((hand) => hand.works), ...found.open];
        expect(all).toHaveLength(works.filter(isHandWork).length);
        expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
      }),
    );
  });
});
