import { describe, expect, it } from '@jest/globals';
import { bake, stateAfterPull } from './bake.js';
import { bakeMapRow } from './bake-map.js';
import { usualCentreC } from './doneness.js';
import { bakeInput, type BakeRequest } from './input.js';
import { readingIfPulledNow, startRun, advance } from './simulate.js';
import { temperatureFor } from './temperature-for.js';
import { usual } from './usual.testkit.js';

/** The coldest point's highest temperature, carryover included, of a pull. */
const reachedC = (request: BakeRequest, pullS: number): number => {
  const run = startRun(bakeInput(request).setup);
  advance(run, 'oven', pullS);
  return readingIfPulledNow(run).coldestReachedC;
};

/** Large, cold, hot, thick: where the rim is done and brown long before the middle is. */
const slowCentres: readonly (readonly [string, Partial<BakeRequest>])[] = [
  ['150 g, frozen, hot', { massG: 150, start: -18, setC: 230, shape: 'ball' }],
  ['200 g, frozen, hottest', { massG: 200, start: -25, setC: 260, shape: 'ball' }],
  ['120 g, frozen, still', { massG: 120, start: -18, setC: 210, fan: false }],
  ['90 g, cold, hot, dark', { massG: 90, start: 2, setC: 220, tray: 'dark-steel' }],
  ['60 g, frozen, usual', { massG: 60, start: -18 }],
  ['frozen in the middle only', { massG: 150, start: [-18, -18, -10, 0, 4], setC: 230, shape: 'ball' }],
  ['the usual piece', {}],
];

describe('a centre that is raw', () => {
  it.each(slowCentres)('is under, whatever the rim is: %s', (_, change) => {
    const request: BakeRequest = { ...usual, target: 'soft-centre', ...change };
    const input = bakeInput(request);
    const { windows, pull, warnings } = bake(input);
    const under = windows.find(({ state }) => state === 'under');
    expect(under?.fromS).toBe(0);
    for (const { state, fromS, toS } of windows)
      if (state !== 'under')
        for (const pullS of [fromS, (fromS + toS) / 2])
          expect(reachedC(request, pullS)).toBeGreaterThanOrEqual(usualCentreC);
    if (pull) {
      expect(reachedC(request, pull.value)).toBeGreaterThanOrEqual(usualCentreC);
      expect(stateAfterPull(input, pull.value)).toBe('soft-centre');
    } else expect(warnings.map(({ code }) => code)).toContain('target-out-of-reach');
    const pullsS = Array.from({ length: 12 }, (__, i) => 180 + i * 90);
    for (const cell of bakeMapRow(input, pullsS).cells)
      if (cell.state !== 'under') expect(reachedC(request, cell.pullS)).toBeGreaterThanOrEqual(usualCentreC);
  });

  it('is not offered as the answer to a short time either', () => {
    const request: BakeRequest = { ...usual, massG: 150, start: -18, shape: 'ball', setC: 200 };
    for (const pullS of [480, 720, 840, 960, 1080, 1320, 1500]) {
      const { set } = temperatureFor(bakeInput(request), pullS, 'soft-centre');
      if (!set) continue;
      expect(reachedC({ ...request, setC: set.value }, pullS)).toBeGreaterThanOrEqual(usualCentreC);
      expect(stateAfterPull(bakeInput({ ...request, setC: set.value }), pullS)).toBe('soft-centre');
    }
  });

  it('goes by the house limit: a higher one asks for longer', () => {
    const big = { ...usual, massG: 120, start: -18, setC: 230, shape: 'ball' } as const;
    const endOfUnder = (centreC?: number) =>
      bake(bakeInput({ ...big, ...(centreC !== undefined && { centreC }) })).windows.find(
        ({ state }) => state === 'under',
      )?.toS ?? Number.NaN;
    expect(endOfUnder(80)).toBeGreaterThan(endOfUnder());
    // A lower one asks for no less than what it takes to set the centre.
    expect(endOfUnder(60)).toBeLessThanOrEqual(endOfUnder());
  });

  it('says of a given pull below the limit that its centre is raw', () => {
    const raw = bake(bakeInput({ ...usual, massG: 150, start: -18, setC: 230, shape: 'ball', pullS: 600 }));
    expect(raw.warnings.map(({ code }) => code)).toContain('raw-centre');
    const done = bake(bakeInput({ ...usual, pullS: 700 }));
    expect(done.warnings.map(({ code }) => code)).not.toContain('raw-centre');
  });

  it('the bound agrees with halving', () => {
    const request: BakeRequest = { ...usual, massG: 150, start: -18, setC: 230, shape: 'ball' };
    const input = bakeInput(request);
    let [low, high] = [60, 3600];
    while (high - low > 0.5) {
      const middle = (low + high) / 2;
      if (stateAfterPull(input, middle) === 'under') low = middle;
      else high = middle;
    }
    const toS = bake(input).windows.find(({ state }) => state === 'under')?.toS ?? Number.NaN;
    expect(Math.abs(toS - high)).toBeLessThan(3);
  });

  it.each([Number.NaN, Infinity, -5, 20, 150])('refuses a limit of %d °C', (centreC) => {
    expect(() => bake(bakeInput({ ...usual, centreC }))).toThrow('limit of the centre');
  });
});
