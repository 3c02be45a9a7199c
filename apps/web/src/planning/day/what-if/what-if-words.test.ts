import { describe, expect, it } from '@jest/globals';
import type { LateOrder } from '@jokul/core';
import type { WhatIfSide } from '@jokul/contracts';
import { side } from './side.testkit';
import { againWords, costWords, helped, newlyLate, span, verdict } from './what-if-words';

const late = (id: string, latePieces: number): LateOrder => ({
  order: { id, customer: id, productCode: 'GNG', pieces: 100, readyByS: 0 },
  latePieces,
  readyS: null,
});

describe('the words of what if', () => {
  it.each<[number, number, RegExp]>([
    [0, 0, /All 400 pieces would still be in time/],
    [30, 0, /would be in time; as it is, 30 pieces would not/],
    [0, 1, /^1 piece of 400 would not be in time; as it is, all are/],
    [12, 12, /as many as now/],
    [40, 12, /12 pieces of 400 would not be in time; as it is, 40 of 400/],
  ])('weighs %i undone against %i', (was, is, said) => {
    expect(verdict({ before: side({ undonePieces: was }), after: side({ undonePieces: is }) })).toMatch(said);
  });

  it('names who is late because of it, and who is helped', () => {
    const before = side({ late: [late('a', 10), late('b', 20)] });
    const after = side({ late: [late('a', 30), late('c', 5)] });
    expect(newlyLate({ before, after }).map(({ order }) => order.id)).toEqual(['a', 'c']);
    expect(helped({ before, after }).map(({ order }) => order.id)).toEqual(['b']);
  });

  it('says what it costs beside the list planned anew, and nothing where that is not known', () => {
    const words = (was: number | null, is: number | null) =>
      costWords({ again: side({ cost: was }), after: side({ cost: is }) });
    expect(words(300, 342.4)).toBe('42 min of work more than planning without it');
    expect(words(300, 280)).toBe('20 min of work less than planning without it');
    expect(words(300, 300.2)).toBe('as much work as planning without it');
    expect(words(null, 300)).toBeNull();
    // What is not baked is no work.
    expect(costWords({ again: side({}), after: side({ undonePieces: 40, cost: 200 }) })).toBeNull();
  });

  it('says where planning again alone would help, so that it is not taken for what was supposed', () => {
    const words = (before: Partial<WhatIfSide>, again: Partial<WhatIfSide>) =>
      againWords({ before: side(before), again: side(again) });
    expect(words({ undonePieces: 30 }, { undonePieces: 10 })).toMatch(/20 pieces more in time/);
    expect(words({ cost: 721 }, { cost: 540 })).toMatch(/540 min, 181 less/);
    expect(words({ cost: 540 }, { cost: 540.3 })).toBeNull();
    expect(words({ cost: null }, { cost: null })).toBeNull();
  });

  it('knows when a day begins and ends, and of one that does nothing that it does not', () => {
    expect(span(side({}))).toBeNull();
    const work = [
      { startS: 20, endS: 90 },
      { startS: 10, endS: 30 },
    ] as unknown as WhatIfSide['work'];
    expect(span(side({ work }))).toEqual({ fromS: 10, toS: 90 });
  });
});
