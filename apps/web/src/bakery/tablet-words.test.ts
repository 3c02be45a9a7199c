import { describe, expect, it } from '@jest/globals';
import type { TabletView } from '@jokul/contracts';
import { isTold, stateOf, troubleOf } from './tablet-words';
import { wellbeingOf } from './wellbeing-words';

type Heard = NonNullable<TabletView['heard']>;
const tablet = (heard: Partial<Heard> | null, device = 'tablet-ovens'): TabletView => ({
  device,
  wrote: null,
  heard: heard && { agoS: 20, kept: 0, setAside: 0, clockAheadS: 0, left: false, ...heard },
});

describe('what is to be looked at of a tablet', () => {
  it.each([
    ['one that is there', {}],
    ['one whose page was closed with nothing left to send', { agoS: 4000, left: true }],
    ['one that was put away', { agoS: 9 * 3600 }],
    ['a clock that is a little off', { clockAheadS: -60 }],
  ])('nothing of %s', (_, heard) => {
    expect(troubleOf(tablet(heard))).toEqual([]);
  });
  it('nothing of one that was not heard at all', () => {
    expect(troubleOf(tablet(null))).toEqual([]);
  });
  it.each([
    [{ kept: 1 }, 'On tablet-ovens 1 entry waits to be sent.'],
    [{ kept: 3 }, 'On tablet-ovens 3 entries wait to be sent.'],
    [
      { kept: 3, left: true, agoS: 600 },
      'tablet-ovens had 3 entries to send when it was last heard, 10 min ago. Open Jokul there: it sends them by itself.',
    ],
    [
      { kept: 2, agoS: 3 * 86_400 },
      'tablet-ovens had 2 entries to send when it was last heard, 3 d ago. Open Jokul there: it sends them by itself.',
    ],
    [
      { agoS: 2520 },
      'tablet-ovens was last heard 42 min ago: what was entered there since may wait on it. Is it on, and in reach?',
    ],
    [{ setAside: 2 }, 'On tablet-ovens 2 entries were refused and wait for somebody to look at.'],
    [{ clockAheadS: 2520 }, 'The clock of tablet-ovens is 42 min fast.'],
    [{ clockAheadS: -300 }, 'The clock of tablet-ovens is 5 min slow.'],
  ])('of %j', (heard, says) => {
    expect(troubleOf(tablet(heard))).toEqual([says]);
  });
  it('stands among the rest, but for this device, which has its own line', () => {
    const rows = wellbeingOf(
      {
        database: { answeredMs: 1, entries: 1 },
        broken: null,
        log: null,
        disk: null,
        backup: null,
        screens: 3,
        devices: [
          tablet({ kept: 4 }, 'pass-tablet'),
          tablet({ setAside: 1 }),
          tablet({ agoS: 600 }, 'bench'),
        ],
      },
      { device: 'pass-tablet', kept: 4 },
      [],
      [],
      '02:30',
    );
    const { well, say } = rows.find(({ what }) => what === 'Tablets') ?? {};
    expect(well).toBe(false);
    expect(say).toMatch(
      /^On tablet-ovens 1 entry was refused and waits for.*bench was last heard 10 min ago/,
    );
    expect(say).not.toContain('pass-tablet');
  });
  it.each([
    [null, 'not heard since Jokul was started'],
    [{}, 'there'],
    [{ left: true, agoS: 600 }, 'closed 10 min ago'],
    [{ agoS: 600 }, 'silent for 10 min'],
  ])('%j is %s', (heard, says) => {
    expect(stateOf(tablet(heard))).toBe(says);
  });
  it.each([
    [tablet({ left: true }), false],
    [tablet({ left: true, kept: 1 }), true],
    [tablet({ left: true, setAside: 1 }), true],
    [tablet({}), true],
    [tablet(null), true],
    [{ ...tablet({ left: true }), wrote: { who: 'Oven hand', atMs: 1 } }, true],
  ])('%j is in the list: %j', (own, told) => {
    expect(isTold(own)).toBe(told);
  });
});
