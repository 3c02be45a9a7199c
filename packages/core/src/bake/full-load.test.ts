import { describe, expect, it } from '@jest/globals';
import { bake } from './bake.js';
import { bakeLoad, type LoadQuestion } from './full-load.js';
import { bakeInput } from './input.js';

const input = bakeInput({
  massG: 34,
  shape: 'ball',
  start: 7,
  tray: 'bright-aluminium',
  liner: 'parchment',
  setC: 165,
  fan: true,
  target: 'chewy',
});
const alone = bake(input).pull?.value ?? 0;
const offsets = [4, 2, 0, -2, -4];
const ask = (change: Partial<LoadQuestion> = {}): LoadQuestion => ({
  input,
  trays: offsets.map((offsetK, i) => ({ position: i + 1, pieces: 18, offsetK })),
  places: 5,
  halfTime: 'nothing',
  sidesK: 8,
  depthK: 4,
  turnS: alone / 2,
  ...change,
});
const left = bakeLoad(ask());
const spread = (load: ReturnType<typeof bakeLoad>) => {
  const pulls = load.trays.map(({ pullS }) => pullS ?? 0);
  return Math.max(...pulls) - Math.min(...pulls);
};

describe('a whole load', () => {
  it('of one tray in the middle is pulled as a single bake says', () => {
    const one = bakeLoad(ask({ trays: [{ position: 3, pieces: 18, offsetK: 0 }] }));
    expect(Math.abs(one.together.value - alone)).toBeLessThan(15);
  });
  it('shows the pull of each place that it is the mean of', () => {
    const { terms, value } = left.together;
    const own = terms.filter(({ symbol }) => /^t\d$/.test(symbol)).map((term) => term.value);
    expect(own).toHaveLength(5);
    expect(own.reduce((a, b) => a + b, 0) / 5).toBeCloseTo(value, 6);
  });
  it('takes longer than one tray, but not by minutes', () => {
    expect(left.together.value).toBeGreaterThan(alone);
    expect(left.together.value).toBeLessThan(alone * 1.12);
  });
  it('comes back sooner in an oven of more power, and its arithmetic names the oven’s own figures', () => {
    const of = (powerW: number, degreesPerMin: number) =>
      bakeLoad(ask({ heater: { powerW, degreesPerMin } }));
    const [weak, strong] = [of(6000, 8), of(18_000, 8)];
    expect(weak.together.value).toBeGreaterThan(strong.together.value);
    expect(Math.min(...weak.airC)).toBeLessThan(Math.min(...strong.airC));
    const term = (symbol: string) => weak.together.terms.find((own) => own.symbol === symbol);
    expect(term('P')).toMatchObject({
      value: 4200,
      source: 'power of its heaters, and how fast it heats up',
    });
    // 4.2 kW that warm it by 8 K a minute: 31.5 kJ/K.
    expect(term('C')?.value).toBeCloseTo(31_500, 6);
    expect(left.together.terms.find((own) => own.symbol === 'P')?.value).toBe(7500);
  });
  it('wants its hot places out first, in order', () => {
    const pulls = left.trays.map(({ pullS }) => pullS ?? 0);
    expect(pulls).toEqual([...pulls].sort((a, b) => a - b));
    expect(spread(left)).toBeGreaterThan(30);
  });
  it('pulled together, the hot place is darker and drier', () => {
    const [hot, cool] = [left.trays[0]?.atOnce, left.trays[4]?.atOnce];
    expect(hot?.colour.edge).toBeGreaterThan((cool?.colour.edge ?? 100) + 2);
    expect(hot?.centreMoisture).toBeLessThan(cool?.centreMoisture ?? 0);
  });
  it('trays that change places at half time come out nearer together', () => {
    expect(spread(bakeLoad(ask({ halfTime: 'swap' })))).toBeLessThan(spread(left) * 0.6);
  });
  it('a turn evens the corners of a tray', () => {
    const apart = ({ corners }: ReturnType<typeof bakeLoad>) => Math.abs(corners.hot - corners.cool);
    expect(apart(left)).toBeGreaterThan(3);
    expect(apart(bakeLoad(ask({ halfTime: 'turn' })))).toBeLessThan(apart(left) * 0.5);
  });
  it('draws the air down and lets it come back', () => {
    expect(left.airC[0]).toBeLessThan(155);
    expect(left.airC.at(-1)).toBeGreaterThan(160);
    for (const t of left.airC) expect(t).toBeLessThan(165.1);
  });
});
