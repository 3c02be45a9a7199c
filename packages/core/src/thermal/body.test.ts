import { describe, expect, it } from '@jest/globals';
import { ballRadiusM, checkBody, meshOf, type Body } from './body.js';
import { components, integral, polynomial } from './components.js';
import { constantMaterial, TabulatedMaterial } from './material.js';

const density = 1200;
const total = (values: Float64Array) => values.reduce((a, b) => a + b, 0);

describe('the mesh of a body', () => {
  it.each<[string, Body, number]>([
    ['a sphere', { kind: 'sphere', massG: 36 }, 0.036 / density],
    ['a cylinder, per metre', { kind: 'cylinder', diameterMm: 40 }, Math.PI * 0.02 ** 2],
    ['half a slab, per square metre', { kind: 'slab', thicknessMm: 40, exposedFaces: 2 }, 0.02],
    ['a slab on its insulation', { kind: 'slab', thicknessMm: 40, exposedFaces: 1 }, 0.04],
    [
      'a quarter of a block',
      { kind: 'block', lengthMm: 300, widthMm: 200, heightMm: 100 },
      (0.3 * 0.2 * 0.1) / 4,
    ],
  ])('%s has its volume', (_, body, volume) => {
    expect(total(meshOf(body, density, 20).volumes) / volume).toBeCloseTo(1, 9);
  });

  it.each<[string, Body, number]>([
    ['a sphere', { kind: 'sphere', massG: 36 }, 4 * Math.PI * ballRadiusM(36, density) ** 2],
    ['a cylinder', { kind: 'cylinder', diameterMm: 40 }, 2 * Math.PI * 0.02],
    ['half a slab', { kind: 'slab', thicknessMm: 40, exposedFaces: 2 }, 1],
    // Quarter in plan: half of each pair of sides, a quarter of top and bottom.
    [
      'a quarter of a block',
      { kind: 'block', lengthMm: 300, widthMm: 200, heightMm: 100 },
      0.15 * 0.1 + 0.1 * 0.1 + 2 * 0.15 * 0.1,
    ],
  ])('%s has its surface', (_, body, area) => {
    const { faces } = meshOf(body, density, 20);
    expect(faces.reduce((sum, face) => sum + face.area, 0) / area).toBeCloseTo(1, 9);
  });

  it('couples every cell to another one', () => {
    const { links, volumes } = meshOf(
      { kind: 'block', lengthMm: 300, widthMm: 200, heightMm: 100 },
      density,
      18,
    );
    const joined = new Set(links.flatMap(({ a, b }) => [a, b]));
    expect(joined.size).toBe(volumes.length);
    for (const { shape } of links) expect(shape).toBeGreaterThan(0);
  });

  it('takes a shorter step for a finer mesh', () => {
    const step = (cells: number) => meshOf({ kind: 'sphere', massG: 36 }, density, cells).stepOverDiffusivity;
    expect(step(10) / step(20)).toBeCloseTo(4, 6);
  });

  it('a 35 g ball of dough is 38 mm across', () => {
    expect(2000 * ballRadiusM(35, 1174)).toBeCloseTo(38.5, 1);
  });

  it('a body that is none is refused', () => {
    expect(() => checkBody({ kind: 'slab', thicknessMm: 20, exposedFaces: 3 as 1 })).toThrow('exposed faces');
  });
});

describe('polynomials of the components', () => {
  it.each([
    ['fat', 'c', 20, 2011.7],
    ['protein', 'c', 20, 2031.9],
    ['carbohydrate', 'k', 20, 0.2274],
    ['ice', 'k', -10, 2.2922],
    ['water', 'rho', 20, 995.74],
  ] as const)('%s %s at %d °C is %d', (name, property, t, value) => {
    expect(polynomial(components[name][property], t) / value).toBeCloseTo(1, 3);
  });
  it('the integral is the area under the polynomial', () => {
    const { c } = components.fat;
    let area = 0;
    for (let t = 0; t < 40; t += 0.01) area += polynomial(c, t + 0.005) * 0.01;
    expect(integral(c, 40) / area).toBeCloseTo(1, 6);
    expect(integral(c, 0)).toBe(0);
  });
});

describe('a tabulated material', () => {
  const table = new TabulatedMaterial(
    constantMaterial({ conductivityWPerMK: 0.3, specificHeatJPerKgK: 2000, densityKgPerM3: 1000 }),
  );
  it('knows its fastest diffusivity', () =>
    expect(table.maxDiffusivity).toBeCloseTo(0.3 / (1000 * 2000), 12));
  it('reads conductivity and temperature back', () => {
    expect(table.conductivity(17)).toBeCloseTo(0.3, 12);
    expect(table.temperature(table.volumetricEnthalpy(17.3))).toBeCloseTo(17.3, 6);
  });
  it('stays inside its table', () => {
    expect(table.temperature(-1e12)).toBeCloseTo(-60, 6);
    expect(table.temperature(1e12)).toBeGreaterThan(129);
  });
});
