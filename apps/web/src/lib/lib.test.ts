import { describe, expect, it } from '@jest/globals';
import { ApiProblem } from './api';
import { countdown, wallClockOf } from './clock';
import { pullCue } from './pull-cue';
import { sayAbout, sayMass, sayTemperature } from './units';

describe('a countdown', () => {
  it.each([
    [73_000, '1:13'],
    [0, '0:00'],
    [-30_000, '−0:30'],
    [725_999, '12:05'],
    [3_600_000, '1 h 00'],
    [-5_400_000, '−1 h 30'],
    [59_999, '0:59'],
  ])('%d ms reads %s', (ms, text) => expect(countdown(ms)).toBe(text));
});

describe('the bakery’s wall clock', () => {
  const wall = wallClockOf('Atlantic/Faroe');
  it('of twelve hours says am and pm, of what is stored too', () => {
    const twelve = wallClockOf('Atlantic/Faroe', '12');
    const at = Date.UTC(2026, 10, 27, 17, 5, 9);
    expect([twelve.time(at), twelve.ofDay('17:05'), twelve.ofDay('00:30')]).toEqual([
      '5:05 pm',
      '5:05 pm',
      '12:30 am',
    ]);
    expect([wall.time(at), wall.ofDay('05:40')]).toEqual(['17:05', '05:40']);
    expect(twelve.exact(at)).toBe('5:05:09 pm');
  });
  const at = Date.parse('2026-11-27T05:40:12Z');
  it('says time, exact time and date', () => {
    expect(wall.time(at)).toBe('05:40');
    expect(wall.exact(at)).toBe('05:40:12');
    expect(wall.date(at)).toBe('Fri 27 Nov');
  });
  it('names the day only when it is another one', () => {
    expect(wall.near(at, at + 3600e3)).toBe('05:40');
    expect(wall.near(at, at + 86_400e3)).toBe('Fri 05:40');
  });
  it('knows the summer', () => expect(wall.time(Date.parse('2026-07-01T04:40Z'))).toBe('05:40'));
});

describe('masses and temperatures in the units of the house', () => {
  it.each([
    [18.92, 'metric', '18.92 g'],
    [516.1, 'metric', '516.1 g'],
    [1340, 'metric', '1.34 kg'],
    [12_540, 'metric', '12.5 kg'],
    [28.35, 'us', '1.00 oz'],
    [907.18, 'us', '2.00 lb'],
  ] as const)('%d g in %s is %s', (grams, units, text) => expect(sayMass(grams, units)).toBe(text));
  it.each([
    [0.2363, 'metric', 'none'],
    [93.21, 'metric', '93.2 g'],
    [30, 'metric', '30 g'],
    [516.1, 'metric', '516 g'],
    [2482, 'metric', '2.48 kg'],
    [28.35, 'us', '1.00 oz'],
  ] as const)('about %d g in %s is %s', (grams, units, text) => expect(sayAbout(grams, units)).toBe(text));
  it.each([
    [4, 'metric', 0, '4 °C'],
    [21.46, 'metric', 1, '21.5 °C'],
    [177, 'us', 0, '351 °F'],
    [-20, 'us', 0, '−4 °F'],
    [-0.2, 'metric', 0, '0 °C'],
    [-18.06, 'metric', 1, '−18.1 °C'],
  ] as const)('%d °C in %s is said with %d digits', (t, units, digits, text) =>
    expect(sayTemperature(t, units, digits)).toBe(text),
  );
});

describe('the cue to pull', () => {
  it('is another one for every target, and minds the hot tray', () => {
    const targets = ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'] as const;
    const cues = targets.map(pullCue);
    expect(new Set(cues).size).toBe(4);
    for (const cue of cues) expect(cue).toMatch(/on the hot tray\.$/);
    expect(pullCue('crisp-through')).not.toContain('wet');
  });
});

describe('a problem of the server', () => {
  it.each([
    [0, true],
    [503, true],
    [500, true],
    [409, false],
    [400, false],
  ])('with status %d may pass by itself: %s', (status, passing) =>
    expect(new ApiProblem('x', 'y', status).passing).toBe(passing),
  );
});
