import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import type { Formula } from '../formula/index.js';
import { checkFormula, compareVersions } from '../formula/index.js';
import { standing } from '../thermal/index.js';
import { bake } from './bake.js';
import { bakeInput, bakeInputOf } from './input.js';
import { startRun } from './simulate.js';

const on = { start: 7, tray: 'bright-aluminium', liner: 'parchment', fan: false } as const;
const usual = { massG: 35, setC: 177, ...on } as const;
const radiusMm = (input: ReturnType<typeof bakeInput>) => 1000 * startRun(input.setup).state.radius;
const pullOf = (input: ReturnType<typeof bakeInput>) => bake(input).pull?.value ?? Number.NaN;

describe('a piece that is pressed to a diameter', () => {
  it('goes into the oven as wide as that', () =>
    expect(radiusMm(bakeInput({ ...usual, shape: 'ball', pressedMm: 62 }))).toBeCloseTo(31, 6));
  it('pressed to what a puck has anyway bakes as the puck', () => {
    const puck = bakeInput({ ...usual, shape: 'puck', target: 'chewy' });
    const pressed = bakeInput({ ...usual, shape: 'ball', target: 'chewy', pressedMm: 2 * radiusMm(puck) });
    expect(pullOf(pressed)).toBeCloseTo(pullOf(puck), 3);
  });
  it('is done sooner and ends wider, the wider it is pressed', () => {
    const results = [48, 58, 70].map((pressedMm) =>
      bake(bakeInput({ ...usual, shape: 'ball', target: 'chewy', pressedMm })),
    );
    const pulls = results.map((r) => r.pull?.value ?? Number.NaN);
    const wide = results.map((r) => r.atPull?.diameterMm ?? Number.NaN);
    expect(pulls).toEqual([...pulls].sort((a, b) => b - a));
    expect(wide).toEqual([...wide].sort((a, b) => a - b));
    expect(new Set(pulls).size).toBe(3);
  });
  it.each([20, 400, Number.NaN])('refuses %d mm for 35 g, and says what can be', (pressedMm) =>
    expect(() => bake(bakeInput({ ...usual, shape: 'ball', pressedMm }))).toThrow(/pressed to/),
  );
});

describe('a formula whose pieces are pressed', () => {
  const peanut = demoFormulas.find(({ code }) => code === 'PNT') as Formula;
  const pressed: Formula = { ...peanut, piece: { ...peanut.piece, pressedMm: 60 } };
  it('is baked and cooled as it is pressed', () => {
    expect(radiusMm(bakeInputOf(pressed, on))).toBeCloseTo(30, 6);
    const { body, says } = standing(pressed, 'pieces', 0, false);
    expect(body).toMatchObject({ kind: 'disc', diameterMm: expect.closeTo(60, 3) });
    // 30 g at some 1.15 g/mL over 28.3 cm²: 8 to 10 mm.
    expect(body.kind === 'disc' && body.heightMm).toBeGreaterThan(7.5);
    expect(body.kind === 'disc' && body.heightMm).toBeLessThan(10);
    expect(says).toContain('60 mm across');
  });
  it('says what changed, and refuses what no hand can press', () => {
    expect(compareVersions(peanut, pressed)).toEqual(['pieces pressed to 60 mm']);
    expect(compareVersions(pressed, { ...pressed, piece: { ...pressed.piece, pressedMm: 64 } })).toEqual([
      'pieces pressed to 60 → 64 mm',
    ]);
    checkFormula(pressed);
    expect(() => checkFormula({ ...pressed, piece: { ...pressed.piece, pressedMm: 12 } })).toThrow(
      /pressed to/,
    );
  });
});
