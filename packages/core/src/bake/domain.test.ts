import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { doughFromComposition, type Liner, type PieceShape } from '../formula/index.js';
import { howMany } from '../how-many.testkit.js';
import { JokulError } from '../shown/index.js';
import { bake } from './bake.js';
import { checkComposition, bakeInput, type BakeRequest } from './input.js';
import { liners, trayMaterials, type TrayMaterial } from './parameters.js';
import { advance, readRun, startRun } from './simulate.js';
import { surroundingsAt } from './surroundings.js';
import { usual } from './usual.testkit.js';

const request = fc.record({
  massG: fc.double({ min: 8, max: 200, noNaN: true }),
  shape: fc.constantFrom<PieceShape>('ball', 'mound', 'puck', 'slice'),
  start: fc.double({ min: -30, max: 35, noNaN: true }),
  tray: fc.constantFrom(...(Object.keys(trayMaterials) as TrayMaterial[])),
  liner: fc.constantFrom(...(Object.keys(liners) as Liner[])),
  setC: fc.double({ min: 120, max: 260, noNaN: true }),
  fan: fc.boolean(),
  offsetK: fc.double({ min: -15, max: 15, noNaN: true }),
});
const composition = fc
  .record({
    water: fc.double({ min: 0.05, max: 0.3, noNaN: true }),
    fat: fc.double({ min: 0.08, max: 0.35, noNaN: true }),
    protein: fc.double({ min: 0.03, max: 0.12, noNaN: true }),
    carbohydrate: fc.double({ min: 0.35, max: 0.7, noNaN: true }),
    fibre: fc.double({ min: 0, max: 0.06, noNaN: true }),
    ash: fc.double({ min: 0.002, max: 0.03, noNaN: true }),
  })
  .map((raw) => {
    const sum = Object.values(raw).reduce((a, b) => a + b, 0);
    const share = (value: number) => value / sum;
    return doughFromComposition({
      water: share(raw.water),
      fat: share(raw.fat),
      protein: share(raw.protein),
      carbohydrate: share(raw.carbohydrate),
      fibre: share(raw.fibre),
      ash: share(raw.ash),
    });
  });

const lives = howMany(2000, 400);

describe('no dough and no oven within the domain', () => {
  // A coarse grid, so that many whole lives fit into a test; the step has the same limit on every grid.
  it(`make a figure that is none, below nothing or without end (${lives} at random, to the end of cooling)`, () => {
    fc.assert(
      fc.property(request, composition, fc.double({ min: 120, max: 900, noNaN: true }), (r, dough, pullS) => {
        const input = bakeInput({ ...r, dough, rings: 4, layers: 3 });
        try {
          checkComposition(input);
        } catch (error) {
          if (error instanceof JokulError) return;
          throw error;
        }
        const run = startRun(input.setup);
        // Nothing gets hotter than the hottest thing around it.
        const around = { ...run.scratch.air };
        surroundingsAt(input.setup, 'oven', 1e6, around);
        const hottestC = Math.max(around.airC, around.wallC, around.wallBelowC, input.setup.roomC);
        // Collected by hand: a hundred expectations of each of these bakes would take longer than the bakes.
        const faults: string[] = [];
        const within = (what: string, value: number, low: number, high: number) => {
          if (!(value >= low && value <= high)) faults.push(`${what} ${value}`);
        };
        for (const [phase, s] of [
          ['oven', pullS],
          ['tray', pullS + 240],
          ['rack', pullS + 900],
        ] as const) {
          advance(run, phase, s);
          const { colour, ...figures } = readRun(run);
          for (const [name, value] of Object.entries(figures)) within(name, value, -100, 400);
          for (const t of run.state.T) within('cell', t, -35, hottestC + 0.1);
          for (const w of run.state.W) within('water', w, -1e-9, 1);
          within('loss', figures.lossShare, -0.02, dough.composition.water + 0.01);
          within('diameter', figures.diameterMm, 10, 300);
          within('height', figures.heightMm, 0.5, 100);
          for (const score of Object.values(colour)) within('colour', score, 0, 100);
        }
        expect(faults).toEqual([]);
      }),
      { numRuns: lives, seed: 41 },
    );
  });
});

describe('the grid', () => {
  const chewy = { ...usual, target: 'chewy' } as const;
  const pull = (change: Partial<BakeRequest>) =>
    bake(bakeInput({ ...chewy, ...change })).pull?.value ?? Number.NaN;
  it.each<[string, Partial<BakeRequest>, number]>([
    ['a cold ball', {}, 0.03],
    ['a soft centre', { target: 'soft-centre' }, 0.03],
    ['a frozen ball', { start: -18 }, 0.06],
  ])('halved, the pull of %s moves little', (_, change, share) => {
    const [shipped, fine] = [pull(change), pull({ ...change, rings: 16, layers: 12 })];
    expect(Math.abs(fine / shipped - 1)).toBeLessThan(share);
  });
});
