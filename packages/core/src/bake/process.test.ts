import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { bake } from './bake.js';
import { differenceInWords } from './compare.js';
import { bakeFrames } from './frames.js';
import { bakeInput } from './input.js';
import { processFactors, processOf, usualProcess, type Process } from './process.js';
import { temperatureFor } from './temperature-for.js';
import { usual } from './usual.testkit.js';

const chewy = { ...usual, target: 'chewy' } as const;
const factors = (change: Partial<Process>) => processFactors({ ...usualProcess, ...change });

describe('how the dough was worked', () => {
  it('the usual process changes nothing', () => {
    const { stiffness, colour, lift } = factors({});
    expect([stiffness, colour, lift]).toEqual([1, 1, 1]);
  });
  it.each<[string, Partial<Process>, keyof ReturnType<typeof factors>, 'more' | 'less']>([
    ['melted butter is softer', { cream: 'melted' }, 'stiffness', 'less'],
    ['long creaming is softer', { cream: 'long' }, 'stiffness', 'less'],
    ['short creaming is stiffer', { cream: 'short' }, 'stiffness', 'more'],
    ['a day of rest is stiffer', { restS: 86_400 }, 'stiffness', 'more'],
    ['a day of rest is darker', { restS: 86_400 }, 'colour', 'more'],
    ['base without acid is darker', { baseLeftMmolPerKg: 45 }, 'colour', 'more'],
    ['base without acid spreads', { baseLeftMmolPerKg: 45 }, 'stiffness', 'less'],
    ['more gas lifts', { gasMlPerKg: 1800 }, 'lift', 'more'],
    ['a coat holds the colour back', { coated: true }, 'colour', 'less'],
  ])('%s', (_, change, which, way) => {
    expect(factors(change)[which] > 1).toBe(way === 'more');
    expect(factors(change)[which]).not.toBe(1);
  });
  it('only what is rolled on all round is a coat; what nobody said of is', () => {
    const [plain] = demoFormulas;
    if (!plain) throw new Error('a formula');
    const coated = (on?: 'coat' | 'top' | 'iced') =>
      processOf({ ...plain, toppings: [{ ingredientId: 'salt', percent: 1, ...(on && { on }) }] }).coated;
    expect([coated(), coated('coat'), coated('top'), coated('iced')]).toEqual([true, true, false, false]);
    expect(processOf({ ...plain, toppings: [] }).coated).toBe(false);
  });
  it('levels off: three days are hardly more than two, and no amount runs away', () => {
    const day = (n: number) => factors({ restS: n * 86_400 }).colour;
    expect(day(3) - day(2)).toBeLessThan(0.3 * (day(1) - day(0)));
    for (const p of [
      factors({ gasMlPerKg: 1e6, baseLeftMmolPerKg: 1e6 }),
      factors({ gasMlPerKg: 0, baseLeftMmolPerKg: -1e6 }),
    ])
      for (const value of [p.stiffness, p.colour, p.lift]) {
        expect(value).toBeGreaterThan(0.4);
        expect(value).toBeLessThan(2);
      }
  });
  it.each(demoFormulas.map((f) => [f.code, f] as const))(
    '%s has a process with moderate factors',
    (_, formula) => {
      for (const value of Object.values(
        processFactors(processOf(formula)) as unknown as Record<string, number>,
      )) {
        expect(value).toBeGreaterThan(0.5);
        expect(value).toBeLessThan(1.6);
      }
    },
  );
  it('a melted butter dough bakes wider and flatter', () => {
    const plain = bake(bakeInput(chewy)).cooled;
    const melted = bake(bakeInput({ ...chewy, process: { ...usualProcess, cream: 'melted' } })).cooled;
    expect(melted?.diameterMm).toBeGreaterThan((plain?.diameterMm ?? 0) + 1.5);
    expect(melted?.heightMm).toBeLessThan(plain?.heightMm ?? 0);
  });
});

describe('a piece cut open over time', () => {
  const input = bakeInput(chewy);
  const frames = bakeFrames(input, 720);
  it('goes through oven, tray and rack without a gap', () => {
    expect(frames.map(({ phase }) => phase).filter((p, i, all) => p !== all[i - 1])).toEqual([
      'oven',
      'tray',
      'rack',
    ]);
    const times = frames.map(({ timeS }) => timeS);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(times.at(-1)).toBeCloseTo(720 + 240 + 600, 3);
  });
  it('holds the volume that its outline shows: the sum of its rings', () => {
    for (const { radiiMm, heightsMm } of frames) {
      const volume = radiiMm.reduce(
        (sum, outer, i) => sum + Math.PI * (outer ** 2 - (radiiMm[i - 1] ?? 0) ** 2) * (heightsMm[i] ?? 0),
        0,
      );
      expect(volume).toBeGreaterThan(25_000);
      expect(volume).toBeLessThan(60_000);
    }
  });
  it('is wet and pale at first, dry and brown at the rim at the pull', () => {
    const [first] = frames;
    const pulled = frames.findLast(({ phase }) => phase === 'oven');
    expect(first?.topColour.every((score) => score === 0)).toBe(true);
    expect(pulled?.topColour.at(-1)).toBeGreaterThan(20);
    expect(pulled?.moisture.at(-1)?.at(-1)).toBeLessThan((pulled?.moisture[0]?.[0] ?? 0) * 0.6);
    expect(Math.min(...(pulled?.temperatureC[0] ?? [0]))).toBeGreaterThan(80);
  });
});

describe('the time is given', () => {
  const input = bakeInput(chewy);
  it('less time takes a hotter oven, and the oven found brings the target', () => {
    const own = bake(input).pull?.value ?? 0;
    const same = temperatureFor(input, own, 'chewy').set?.value ?? 0;
    expect(Math.abs(same - 177)).toBeLessThan(6);
    expect(temperatureFor(input, own * 0.9, 'chewy').set?.value).toBeGreaterThan(same + 4);
  });
  it('says when the time is too short or too long for any oven', () => {
    expect(temperatureFor(input, 150, 'crisp-through')).toMatchObject({ set: null, reason: 'too-short' });
    expect(temperatureFor(input, 3600, 'soft-centre')).toMatchObject({ set: null, reason: 'too-long' });
  });
  it('refuses a time outside the domain', () => {
    expect(() => temperatureFor(input, 20, 'chewy')).toThrow('The pull time is 20');
  });
});

describe('two bakes in words', () => {
  const base = bake(bakeInput(chewy));
  it('frozen: later, narrower', () => {
    const words = differenceInWords(base, bake(bakeInput({ ...chewy, start: -18 })));
    expect(words).toMatch(/^Pull \d+ min( \d+ s)? later, \d+ mm narrower/);
  });
  it('the same is nothing', () => {
    expect(differenceInWords(base, base)).toBe('Nothing that an eye or a clock would notice.');
  });
  it('a target out of reach is said', () => {
    const cold = bake(bakeInput({ ...chewy, setC: 120, massG: 200, target: 'crisp-through' }));
    expect(cold.pull).toBeNull();
    expect(differenceInWords(base, cold)).toBe('It does not reach the target.');
  });
  it('a dark tray browns the underside', () => {
    expect(differenceInWords(base, bake(bakeInput({ ...chewy, tray: 'dark-steel' })))).toMatch(/underside/i);
  });
});
