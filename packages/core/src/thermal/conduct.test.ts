import { describe, expect, it } from '@jest/globals';
import { typicalDough } from '../formula/index.js';
import type { Body } from './body.js';
import { conduct } from './conduct.js';
import { constantMaterial, doughMaterial } from './material.js';
import { cylinderCentre, slabCentre, sphereCentre } from './series.testkit.js';

const k = 0.25;
const density = 1200;
const heat = 2500;
const a = k / (density * heat);
const constant = constantMaterial({
  conductivityWPerMK: k,
  specificHeatJPerKgK: heat,
  densityKgPerM3: density,
});
const radius = 0.02;

const shapes: readonly (readonly [string, Body, (biot: number, fourier: number) => number])[] = [
  ['sphere', { kind: 'sphere', massG: (4 / 3) * Math.PI * radius ** 3 * density * 1000 }, sphereCentre],
  ['slab', { kind: 'slab', thicknessMm: 2000 * radius, exposedFaces: 2 }, slabCentre],
  ['cylinder', { kind: 'cylinder', diameterMm: 2000 * radius }, cylinderCentre],
];
const points = shapes.flatMap(([name, body, series]) =>
  [0.1, 1, 10, 100].flatMap((biot) =>
    [0.06, 0.2, 0.5, 1].map((fourier) => ({ name, body, series, biot, fourier })),
  ),
);

describe('conduction against the analytic series', () => {
  it.each(points)(
    '$name, Bi $biot, Fo $fourier: within 0.5 % of the initial difference',
    ({ body, series, biot, fourier }) => {
      const { coreC } = conduct({
        body,
        material: constant,
        startC: 20,
        steps: [{ airC: 0, hWPerM2K: (biot * k) / radius, durationS: (fourier * radius * radius) / a }],
      });
      expect(Math.abs((coreC.at(-1) ?? 0) / 20 - series(biot, fourier))).toBeLessThan(0.005);
    },
  );

  it('a block is the product of three slabs', () => {
    const biot = 1;
    const fourier = 0.3;
    const sizes = [0.04, 0.06, 0.05] as const;
    const h = (biot * k) / 0.02;
    const durationS = (fourier * 0.02 * 0.02) / a;
    const { coreC } = conduct({
      body: { kind: 'block', lengthMm: 40, widthMm: 60, heightMm: 50 },
      material: constant,
      startC: 20,
      steps: [{ airC: 0, hWPerM2K: h, durationS }],
      cells: 30,
    });
    const product = sizes.reduce(
      (value, size) => value * slabCentre((h * size) / 2 / k, (a * durationS) / (size / 2) ** 2),
      1,
    );
    // The innermost cell's centre lies half a cell off the axis: a little coarser than the one-dimensional bodies.
    expect(Math.abs((coreC.at(-1) ?? 0) / 20 - product)).toBeLessThan(0.01);
  });

  it('a slab with one open face is half of one with two', () => {
    const run = (body: Body) =>
      conduct({
        body,
        material: constant,
        startC: 20,
        steps: [{ airC: 4, hWPerM2K: 10, durationS: 3000 }],
      }).coreC.at(-1);
    expect(run({ kind: 'slab', thicknessMm: 20, exposedFaces: 1 })).toBeCloseTo(
      run({ kind: 'slab', thicknessMm: 40, exposedFaces: 2 }) ?? 0,
      9,
    );
  });
});

const dough = doughMaterial(typicalDough);
const minutes = (massG: number, startC: number, airC: number, h: number, toC: number) => {
  const { reachedS } = conduct({
    body: { kind: 'sphere', massG },
    material: dough,
    startC,
    steps: [{ airC, hWPerM2K: h, durationS: 86_400 }],
    until: { where: 'core', temperatureC: toC },
  });
  return (reachedS ?? Number.NaN) / 60;
};

describe('dough in the cold', () => {
  it.each([
    [35, 22, 4, 8, 7, 86],
    [35, 22, 4, 12, 7, 63],
    [35, 22, 4, 15, 7, 54],
    [35, 22, 4, 4, 7, 153],
    [35, 22, 4, 30, 7, 37],
    [80, 22, 4, 8, 7, 120],
    [80, 22, 4, 12, 7, 91],
    [35, 20, -20, 10, -12, 66],
    [35, 20, -20, 15, -12, 51],
    [40, 4, 24, 8, 12, 32],
    [40, 4, 24, 10, 12, 28],
  ])('%d g from %d °C in %d °C air (h %d) to %d °C: %d min', (massG, startC, airC, h, toC, expected) => {
    // Values worked out independently beforehand with the same properties; a minute and a half for their rounding.
    expect(Math.abs(minutes(massG, startC, airC, h, toC) - expected)).toBeLessThan(1.5);
  });

  it('a tub takes many hours where a ball takes one', () => {
    const { reachedS } = conduct({
      body: { kind: 'block', lengthMm: 300, widthMm: 240, heightMm: 120 },
      material: dough,
      startC: 22,
      steps: [{ airC: 4, hWPerM2K: 8, durationS: 172_800 }],
      until: { where: 'core', temperatureC: 10 },
    });
    expect((reachedS ?? 0) / 3600).toBeGreaterThan(10.5);
    expect((reachedS ?? 0) / 3600).toBeLessThan(11.7);
  });

  it.each([-20, 4, 24])('the heat that leaves is the heat that is missing, in %d °C air', (airC) => {
    const { heatJ, surfaceHeatJ } = conduct({
      body: { kind: 'sphere', massG: 35 },
      material: dough,
      startC: 20,
      steps: [{ airC, hWPerM2K: 12, durationS: 3000 }],
    });
    expect(heatJ / surfaceHeatJ).toBeCloseTo(1, 6);
  });

  it('a finer mesh changes the time by less than 1 %', () => {
    const run = (cells: number) =>
      conduct({
        body: { kind: 'sphere', massG: 70 },
        material: dough,
        startC: 22,
        steps: [{ airC: 4, hWPerM2K: 12, durationS: 20_000 }],
        until: { where: 'core', temperatureC: 8 },
        cells,
      }).reachedS ?? 0;
    expect(run(40) / run(20)).toBeCloseTo(1, 2);
  });

  it('one life through several places is one run', () => {
    const { coreC, timesS } = conduct({
      body: { kind: 'sphere', massG: 35 },
      material: dough,
      startC: 22,
      steps: [
        { airC: 4, hWPerM2K: 12, durationS: 7200 },
        { airC: -20, hWPerM2K: 12, durationS: 7200 },
        { airC: 24, hWPerM2K: 8, durationS: 1800 },
      ],
    });
    const at = (seconds: number) => coreC[timesS.findIndex((t) => t >= seconds)] ?? Number.NaN;
    expect(at(7100)).toBeCloseTo(4, 0);
    expect(at(14_300)).toBeLessThan(-19);
    expect(coreC.at(-1)).toBeGreaterThan(-10);
    expect(timesS.at(-1)).toBeCloseTo(16_200, 3);
  });

  it('days that change nothing any more are gone through at once, and what comes after them is as ever', () => {
    const steps = [
      { airC: 4, hWPerM2K: 12, durationS: 5 * 86_400 },
      { airC: -20, hWPerM2K: 12, durationS: 1800 },
    ];
    const body: Body = { kind: 'sphere', massG: 35 };
    const asked = { body, material: dough, startC: 22 };
    const atOnce = conduct({ ...asked, steps });
    // Air that might answer is followed step by step to the end.
    const stepped = conduct({
      ...asked,
      steps: steps.map((stay) => ({ ...stay, air: { next: () => stay.airC } })),
    });
    for (const name of ['coreC', 'surfaceC', 'meanC', 'iceFraction'] as const)
      expect(Math.abs((atOnce[name].at(-1) ?? 99) - (stepped[name].at(-1) ?? 0))).toBeLessThan(0.002);
    const { timesS, meanC } = atOnce;
    expect(timesS).toHaveLength(stepped.timesS.length);
    expect(timesS.at(-1)).toBeCloseTo(5 * 86_400 + 1800, 3);
    expect([...timesS].sort((one, other) => one - other)).toEqual(timesS);
    expect(meanC[Math.round(meanC.length / 2)]).toBeCloseTo(4, 2);
    expect(atOnce.surfaceHeatJ / atOnce.heatJ).toBeCloseTo(1, 6);
  });

  it('time goes on through any stays, also where a step is longer than a curve’s points lie apart', () => {
    const { timesS } = conduct({
      body: { kind: 'slab', thicknessMm: 70, exposedFaces: 2 },
      material: dough,
      startC: 4,
      cells: 10,
      steps: [
        { airC: 4, hWPerM2K: 8, durationS: 60 },
        { airC: 4, hWPerM2K: 4, durationS: 1800 },
        { airC: -20, hWPerM2K: 4, durationS: 1800 },
        { airC: -20, hWPerM2K: 4, durationS: 60 },
      ],
    });
    expect(timesS.filter((t, i) => t < (timesS[i - 1] ?? 0))).toEqual([]);
    expect(timesS.at(-1)).toBeCloseTo(3720, 6);
  });

  it('what is waited for a hair from the air is waited for step by step', () => {
    const steps = [{ airC: 4, hWPerM2K: 12, durationS: 86_400 }];
    const near = { body: { kind: 'sphere', massG: 35 } as Body, material: dough, startC: 22, steps };
    const { reachedS } = conduct({ ...near, until: { where: 'core', temperatureC: 4.0005 } });
    expect(reachedS).toBeGreaterThan(3600);
    expect(conduct({ ...near, until: { where: 'core', temperatureC: 3.9 } }).reachedS).toBeNull();
  });

  it('the core never leaves the span of start and air', () => {
    const { coreC, surfaceC } = conduct({
      body: { kind: 'sphere', massG: 35 },
      material: dough,
      startC: 22,
      steps: [{ airC: -20, hWPerM2K: 30, durationS: 9000 }],
    });
    for (const t of [...coreC, ...surfaceC]) {
      expect(t).toBeLessThanOrEqual(22 + 1e-6);
      expect(t).toBeGreaterThanOrEqual(-20 - 1e-6);
    }
  });

  it('a target that the air cannot reach is not reached', () => {
    expect(minutes(35, 22, 4, 12, 3)).toBeNaN();
  });

  it('a target that is met at the start is met at once', () => {
    expect(minutes(35, 7, 4, 12, 7)).toBe(0);
  });
});

describe('the cold model refuses', () => {
  const ball: Body = { kind: 'sphere', massG: 35 };
  const stay = { airC: 4, hWPerM2K: 12, durationS: 600 };
  it.each([
    [{ body: { kind: 'sphere', massG: 0 } as Body }, 'The mass of the ball'],
    [{ body: { kind: 'slab', thicknessMm: -4, exposedFaces: 2 } as Body }, 'The thickness'],
    [{ body: { kind: 'cylinder', diameterMm: 1 } as Body }, 'The diameter'],
    [{ body: { kind: 'block', lengthMm: 1, widthMm: 100, heightMm: 100 } as Body }, 'The length'],
    [{ body: { kind: 'egg' } as unknown as Body }, 'sphere, slab, cylinder, block or disc'],
    [{ startC: 100 }, 'The start temperature'],
    [{ steps: [] }, 'at least one place'],
    [{ steps: [{ ...stay, airC: Number.NaN }] }, 'The air temperature'],
    [{ steps: [{ ...stay, hWPerM2K: 0 }] }, 'The heat transfer'],
    [{ steps: [{ ...stay, durationS: -5 }] }, 'The duration'],
  ])('%j', (change, sentence) => {
    expect(() => conduct({ body: ball, material: dough, startC: 22, steps: [stay], ...change })).toThrow(
      sentence,
    );
  });
});
