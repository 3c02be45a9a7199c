import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { bake, stateAfterPull } from './bake.js';
import { bakeMapRow, coarseToFine, mapGrid, mostForgiving, type MapRow } from './bake-map.js';
import { darkLimitsFor } from './doneness.js';
import { bakeInputOf } from './input.js';

const lemon = demoFormulas.find(({ code }) => code === 'LEM');
if (!lemon) throw new Error('no formula');
const inputAt = (setC: number) =>
  bakeInputOf(lemon, { start: 15, tray: 'bright-aluminium', liner: 'parchment', fan: true, setC });

describe('a row of the map', () => {
  const pullsS = [240, 480, 720, 960, 1200];
  const row = bakeMapRow(inputAt(165), pullsS);
  it('says the same as a bake that is pulled at that time', () => {
    row.cells.forEach(({ state }, i) => expect(state).toBe(stateAfterPull(inputAt(165), pullsS[i] ?? 0)));
  });
  it('gets done and darker with time, and hotter is further', () => {
    const hot = bakeMapRow(inputAt(185), pullsS);
    row.cells.slice(1).forEach((cell, i) => {
      expect(cell.index).toBeGreaterThanOrEqual(row.cells[i]?.index ?? 0);
      expect(cell.edgeColour).toBeGreaterThan(row.cells[i]?.edgeColour ?? 0);
    });
    expect(hot.cells[3]?.edgeColour).toBeGreaterThan(row.cells[3]?.edgeColour ?? 0);
    expect(hot.cells[3]?.index).toBeGreaterThanOrEqual(row.cells[3]?.index ?? 0);
  });
  it('the pull that the bake finds lies in its region', () => {
    const pullS = bake(inputAt(165)).pull?.value ?? 0;
    expect(bakeMapRow(inputAt(165), [pullS]).cells[0]?.state).toBe(lemon.bake.target);
  });
});

describe('the map', () => {
  it('lies around the setting, inside the model’s domain', () => {
    const { temperaturesC, pullsS } = mapGrid(165, 720);
    expect([temperaturesC.length, pullsS.length]).toEqual([24, 40]);
    expect([temperaturesC[0], temperaturesC.at(-1)]).toEqual([135, 195]);
    expect(mapGrid(125, 300).temperaturesC[0]).toBe(120);
    expect(pullsS.every((s, i) => i === 0 || s > (pullsS[i - 1] ?? 0))).toBe(true);
  });
  it('is computed coarse first, every row once', () => {
    const order = coarseToFine(24);
    expect(order.slice(0, 4)).toEqual([0, 6, 12, 18]);
    expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: 24 }, (_, i) => i));
  });
});

describe('the most forgiving point', () => {
  // A made-up map: chewy between 600 and 900 s at 160 to 200 °C, too dark above 200.
  const made = (dark = 200): readonly MapRow[] =>
    [140, 150, 160, 170, 180, 190, 200, 210, 220].map((setC) => ({
      setC,
      cells: [400, 500, 600, 700, 800, 900, 1000].map((pullS) => {
        const chewy = pullS >= 600 && pullS <= 900 && setC >= 160;
        return {
          pullS,
          index: chewy ? 2.5 : 1.5,
          state: chewy ? ('chewy' as const) : ('soft-centre' as const),
          edgeColour: setC > dark ? darkLimitsFor('chewy').edge + 5 : 40,
          bottomColour: 50,
          diameterMm: 80,
        };
      }),
    }));
  it('lies in the middle, with what the pull and the oven may be off', () => {
    const point = mostForgiving(made(), 'chewy');
    expect(point?.setC).toBe(180);
    expect([700, 800]).toContain(point?.pullS);
    expect([point?.coolerK, point?.hotterK]).toEqual([20, 20]);
    expect((point?.earlierS ?? 0) + (point?.laterS ?? 0)).toBe(300);
  });
  it('a target that is not on the map has none', () => {
    expect(mostForgiving(made(), 'crisp-through')).toBeNull();
    expect(mostForgiving(made(100), 'chewy')).toBeNull();
  });
});
