import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { doughOf, typicalDough } from '../formula/index.js';
import { doughDensity, enthalpy, iceShare, porousConductivity } from './dough-material.js';
import { TabulatedMaterial, doughMaterial, tabulated } from './material.js';
import { solidFatShare } from '../ingredient/index.js';
import { coreAt, restCurve, type Place } from './place.js';

describe('properties of the typical dough', () => {
  it('density with 8 % air is about 1174 kg/m³', () => {
    expect(doughDensity(typicalDough, 15, 0.08)).toBeGreaterThan(1165);
    expect(doughDensity(typicalDough, 15, 0.08)).toBeLessThan(1180);
  });
  it.each([
    [-10, 0.21],
    [10, 0.22],
    [90, 0.25],
  ])('conductivity at %d °C is about %d W/mK', (t, k) =>
    expect(porousConductivity(typicalDough, t, 0.08)).toBeCloseTo(k, 1),
  );
  it('holds 95.5 kJ/kg between −20 and 20 °C, 43.5 between 4 and 22 °C', () => {
    expect((enthalpy(typicalDough, 20) - enthalpy(typicalDough, -20)) / 1000).toBeCloseTo(95.5, 0);
    expect((enthalpy(typicalDough, 22) - enthalpy(typicalDough, 4)) / 1000).toBeCloseTo(43.5, 0);
  });
  it('has only about 2 % of ice at −20 °C: frozen dough is mainly cold, hard fat', () => {
    expect(iceShare(typicalDough, -20)).toBeGreaterThan(0.01);
    expect(iceShare(typicalDough, -20)).toBeLessThan(0.03);
    expect(iceShare(typicalDough, -9)).toBe(0);
  });
});

describe.each(demoFormulas.map((f) => [f.code, doughOf(f)] as const))('the dough of %s', (_, dough) => {
  it('takes up heat at every temperature', () => {
    for (let t = -40; t < 60; t += 0.5) expect(enthalpy(dough, t + 0.5)).toBeGreaterThan(enthalpy(dough, t));
  });
  it('reads the temperature back from its heat', () => {
    const table = new TabulatedMaterial(doughMaterial(dough));
    for (let t = -44; t <= 58; t += 3.7)
      expect(table.temperature(table.volumetricEnthalpy(t))).toBeCloseTo(t, 1);
  });
});

describe('milk fat', () => {
  it('melts from the cold on and is liquid at 38 °C', () => {
    let before = 1;
    for (let t = -50; t <= 45; t++) {
      const share = solidFatShare(t);
      expect(share).toBeLessThanOrEqual(before + 1e-12);
      before = share;
    }
    expect(solidFatShare(38)).toBeCloseTo(0, 12);
    expect(solidFatShare(20)).toBeCloseTo(0.2, 9);
    expect(solidFatShare(-60)).toBe(0.85);
  });
});

describe('a rest in a place', () => {
  const walkIn: Place = {
    id: 'walk-in',
    name: 'Walk-in',
    kind: 'walk-in',
    airC: 4,
    hWPerM2K: 12,
    trayPlaces: 1,
    tubPlaces: 1,
    bagPlaces: 1,
  };
  const [formula] = demoFormulas;
  if (!formula) throw new Error('no formula');
  const ask = {
    formula,
    form: 'pieces' as const,
    tubMassG: 6000,
    place: walkIn,
    cover: 'open' as const,
    startC: 22,
    targetC: 8,
    durationS: 6 * 3600,
  };

  it('says when the core is cold, and shows what went in', () => {
    const { ready } = restCurve(ask);
    expect((ready?.value ?? 0) / 60).toBeGreaterThan(45);
    expect((ready?.value ?? 0) / 60).toBeLessThan(60);
    expect(ready?.terms.map((term) => term.symbol)).toEqual(['body', 'T₀', 'T_air', 'h', 'ρ', 'k', 'Δh']);
  });
  it('a cover more than doubles the time', () => {
    const open = restCurve(ask).ready?.value ?? 0;
    const covered = restCurve({ ...ask, cover: 'covered' }).ready?.value ?? 0;
    expect(covered / open).toBeGreaterThan(2);
    expect(covered / open).toBeLessThan(3.5);
  });
  it('a tub needs many times as long as pieces', () => {
    const tub = restCurve({ ...ask, form: 'tub', durationS: 172_800 }).ready?.value ?? 0;
    expect(tub / (restCurve(ask).ready?.value ?? 1)).toBeGreaterThan(6);
  });
  it('the curve reads in between its points', () => {
    const curve = { timesS: [0, 100, 200], coreC: [20, 10, 6] };
    expect(coreAt(curve, 0)).toBe(20);
    expect(coreAt(curve, 50)).toBe(15);
    expect(coreAt(curve, 150)).toBe(8);
    expect(coreAt(curve, 900)).toBe(6);
  });
  it('what the air cannot reach has no time', () => {
    expect(restCurve({ ...ask, targetC: 3 }).ready).toBeNull();
  });
});

describe('what is made once', () => {
  it('the material and the tables of a dough are the same for the same dough, and others for another', () => {
    const own = doughMaterial(typicalDough);
    expect(doughMaterial({ ...typicalDough })).toBe(own);
    expect(tabulated(own)).toBe(tabulated(doughMaterial(typicalDough)));
    expect(doughMaterial(typicalDough, 0)).not.toBe(own);
    expect(doughMaterial({ ...typicalDough, fats: { 'milk-fat': 0.1 } }).enthalpyJPerKg(10)).not.toBe(
      own.enthalpyJPerKg(10),
    );
  });
});
