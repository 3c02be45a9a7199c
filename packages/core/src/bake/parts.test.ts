import { describe, expect, it } from '@jest/globals';
import { typicalDough } from '../formula/index.js';
import { sorptionAt } from './cells.js';
import {
  aimedIndex,
  donenessIndex,
  drynessAt,
  drynessOf,
  isTooDark,
  setIndex,
  stateOf,
  surelyFirm,
} from './doneness.js';
import { bakeInput, type BakeRequest } from './input.js';
import { defaultBakeParameters, liners, trayMaterials } from './parameters.js';
import { passingIndex, passingSet, probeOf, type Probe } from './probe.js';
import type { Reading } from './reading.js';
import { emptyRings, placeRings, ringLayout } from './rings.js';
import { prepare, startAspect } from './setup.js';
import { advance, fork, readRun, startRun } from './simulate.js';
import { initialState } from './state.js';
import { convection, naturalAtK, radiation, surroundingsAt, type Surroundings } from './surroundings.js';
import { at, bakeTables, placeOf, saturationPa, slopeAt } from './tables.js';
import { usual } from './usual.testkit.js';

const { setup } = bakeInput(usual);
const fixed = prepare(setup);

describe('vapour pressure of water', () => {
  it.each([
    [20, 2339],
    [60, 19_946],
    [80, 47_414],
    [100, 101_420],
    [120, 198_670],
    [150, 476_160],
  ])('at %d °C is %d Pa within 6 % (steam table)', (t, pa) =>
    expect(Math.abs(saturationPa(t) / pa - 1)).toBeLessThan(0.06),
  );
  it('rises all the way', () => {
    for (let t = -20; t < 250; t++) expect(saturationPa(t + 1)).toBeGreaterThan(saturationPa(t));
  });
});

describe('tables by temperature', () => {
  const tables = bakeTables(typicalDough);
  it('read what was put in, between the points too', () => {
    for (const t of [-30, 7.25, 99.9, 212.3])
      expect(at(tables.saturationPa, t) / saturationPa(t)).toBeCloseTo(1, 2);
  });
  it('the slope is the difference over half a kelvin', () => {
    expect(slopeAt(tables.dryEnthalpy, placeOf(60.1))).toBeCloseTo(
      (at(tables.dryEnthalpy, 60.5) - at(tables.dryEnthalpy, 60)) / 0.5,
      6,
    );
  });
  it('are made once for a dough', () => {
    expect(bakeTables(typicalDough)).toBe(tables);
    expect(bakeTables({ ...typicalDough })).not.toBe(tables);
  });
  it('hold at their ends', () => expect(at(tables.solidFat, 900)).toBeCloseTo(0, 12));
});

describe('the piece as it is set down', () => {
  it('has its mass, area and volume dealt out without loss', () => {
    const mass = fixed.cellMass.reduce((sum, m) => sum + m * fixed.nz, 0);
    expect(mass).toBeCloseTo(0.035, 12);
    const { areaShare, heightShare } = initialState(fixed);
    expect(areaShare.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(heightShare.reduce((sum, g, i) => sum + g * (areaShare[i] ?? 0), 0)).toBeCloseTo(1, 12);
  });
  it('is lowest at the rim', () => {
    const { heightShare } = initialState(fixed);
    for (let i = 1; i < fixed.nr; i++) expect(heightShare[i]).toBeLessThanOrEqual(heightShare[i - 1] ?? 0);
  });
  it('keeps the dough of every ring while its top sinks, and lets the foot go out', () => {
    const layout = ringLayout(8);
    const [round, flat] = [emptyRings(8), emptyRings(8)];
    placeRings(layout, Math.log(2), round);
    placeRings(layout, Math.log(6), flat);
    for (let i = 0; i < 8; i++) {
      for (const { areaShare, heightShare } of [round, flat])
        expect((areaShare[i] ?? 0) * (heightShare[i] ?? 0)).toBeCloseTo(layout.massShare[i] ?? 0, 12);
      expect(flat.faces[i + 1]).toBeGreaterThanOrEqual(round.faces[i + 1] ?? 0);
    }
    // Of an ellipsoid the middle is one and a half times as high as the mean.
    expect(round.heightShare[0]).toBeGreaterThan(1.4);
    expect(round.heightShare[0]).toBeLessThan(1.5);
    expect(flat.heightShare[0]).toBeLessThan(1.2);
  });
  it.each(Object.entries(startAspect))('a %s has its height over diameter', (shape, aspect) => {
    const own = prepare(bakeInput({ ...usual, shape: shape as BakeRequest['shape'] }).setup);
    const { radius } = initialState(own);
    const height = own.volume0 / (Math.PI * radius ** 2);
    expect(height / (2 * radius)).toBeCloseTo(aspect, 9);
  });
  it('starts even, or from the core of a profile outward', () => {
    expect(new Set(initialState(fixed).T)).toEqual(new Set([7]));
    const cold = initialState(prepare(bakeInput({ ...usual, start: [-10, -5, 5] }).setup));
    const middle = cold.T[Math.floor(fixed.nz / 2)] ?? 0;
    const rim = cold.T[(fixed.nr - 1) * fixed.nz] ?? 0;
    expect(middle).toBeLessThan(-8);
    expect(rim).toBeCloseTo(5, 6);
  });
  it('a stone is hot from the start, a tray is not', () => {
    expect(initialState(prepare(bakeInput({ ...usual, tray: 'stone' }).setup)).trayUnderC).toBe(177);
    expect(initialState(fixed).trayUnderC).toBe(24);
  });
});

describe('what surrounds it', () => {
  const out: Surroundings = {
    phase: 'oven',
    airC: 0,
    wallC: 0,
    wallBelowC: 0,
    h: 0,
    hUnder: 0,
    natural: false,
  };
  it('the oven dips when the door was open, and recovers', () => {
    surroundingsAt(setup, 'oven', 0, out);
    const { dipStillK } = defaultBakeParameters;
    expect(out.airC).toBeCloseTo(177 - dipStillK, 9);
    surroundingsAt(setup, 'oven', setup.parameters.dipStillS, out);
    expect(out.airC).toBeCloseTo(177 - dipStillK / Math.E, 6);
    surroundingsAt(setup, 'oven', 3000, out);
    expect(out.airC).toBeCloseTo(177, 3);
    // The setup's room is at 24 °C: what the walls exceed the air by is stated there.
    expect(out.wallBelowC - out.wallC).toBeCloseTo(defaultBakeParameters.belowK, 9);
  });
  it('a fan oven dips less and moves more air', () => {
    surroundingsAt(bakeInput({ ...usual, fan: true }).setup, 'oven', 0, out);
    expect(out.airC).toBeCloseTo(177 - defaultBakeParameters.dipFanK, 9);
    expect(out.h).toBe(defaultBakeParameters.hFan);
    expect(convection(out, 10, 20)).toBe(10);
    expect(out.wallBelowC).toBe(out.wallC);
  });
  it('still air carries more heat the colder the surface: 2^¼ times at twice the difference', () => {
    surroundingsAt(setup, 'oven', 3000, out);
    expect(convection(out, 6, 177 - naturalAtK)).toBeCloseTo(6, 4);
    expect(convection(out, 6, 177 - 2 * naturalAtK)).toBeCloseTo(6 * 2 ** 0.25, 3);
    expect(convection(out, 6, out.airC)).toBe(0);
    expect(convection(out, 6, 200)).toBeGreaterThan(0);
  });
  it('after the pull it is the room', () => {
    surroundingsAt(setup, 'rack', 900, out);
    expect([out.airC, out.wallC, out.wallBelowC]).toEqual([24, 24, 24]);
  });
  it('radiation as a coefficient is the difference of the fourth powers', () => {
    const [a, b] = [450.15, 300.15];
    expect(radiation(0.9, 177, 27) * (a - b)).toBeCloseTo(0.9 * 5.67e-8 * (a ** 4 - b ** 4), 6);
  });
});

describe('sorption', () => {
  it('holds less water above the boil, within bounds', () => {
    expect(sorptionAt(0.12, 0.01, 100)).toBe(0.12);
    expect(sorptionAt(0.12, 0.01, 120)).toBeCloseTo(0.096, 12);
    expect(sorptionAt(0.12, 0.01, 20)).toBe(0.12);
    expect(sorptionAt(0.12, 0.01, 250)).toBeCloseTo(0.036, 12);
  });
});

const reading = (change: Partial<Reading>): Reading => ({
  centreC: 96,
  edgeC: 110,
  bottomC: 120,
  diameterMm: 79,
  heightMm: 12,
  lossShare: 0.07,
  colour: { edge: 35, centre: 6, bottom: 28 },
  centreMoisture: 0.1,
  edgeMoisture: 0.05,
  crispEdgeMm: 8,
  set: 0.95,
  setEdge: 0.97,
  setCentre: 0.99,
  coldestReachedC: 96,
  ...change,
});

const judged = { startMoisture: 0.1367, centreC: 71 };

describe('pulls that were tried', () => {
  const tried = (pulls: readonly (readonly [number, Partial<Reading>])[]) =>
    pulls.reduce<Probe[]>(
      (found, [pullS, change]) => [...found, probeOf(pullS, reading(change), judged, found.at(-1))],
      [],
    );
  it('are read between by what the doneness is made of, also across its corners', () => {
    const found = tried([
      [600, { set: 0.5, centreMoisture: 0.13 }],
      [660, { set: 0.9, centreMoisture: 0.12 }],
      [780, { centreMoisture: 0.08 }],
    ]);
    // Half a hundredth above firm, a hair after where it crosses.
    expect(passingSet(found)).toBeCloseTo(600 + (60 * 0.35 * surelyFirm) / 0.4, 6);
    // Dryness by a parabola through the three: between its straight lines and the next corner, never past a probe.
    const chewy = passingIndex(found, 2.4) ?? 0;
    expect(chewy).toBeGreaterThan(660 + 60 * 0.4);
    expect(chewy).toBeLessThan(780);
    expect(passingIndex(found, 3.2)).toBeNull();
  });
  it('wait for the rim where a crisp edge is asked for, and never go back', () => {
    const found = tried([
      [600, { centreMoisture: 0.075, crispEdgeMm: 3 }],
      [720, { centreMoisture: 0.07, crispEdgeMm: 7 }],
      [840, { centreMoisture: 0.072, crispEdgeMm: 6 }],
    ]);
    expect(passingIndex(found, 3)).toBe(660);
    expect(found.at(-1)?.dryness).toBeCloseTo(7, 9);
    expect(found.at(-1)?.crispEdgeMm).toBe(7);
  });
});

describe('doneness', () => {
  it.each([
    [{ set: 0.66 }, 'under'],
    [{ setEdge: 0.6 }, 'under'],
    [{ coldestReachedC: 70.9 }, 'under'],
    [{ colour: { edge: 3, centre: 0, bottom: 0 } }, 'under'],
    [{ centreMoisture: 0.13 }, 'soft-centre'],
    [{ centreMoisture: 0.105 }, 'soft-centre'],
    [{ centreMoisture: 0.09 }, 'chewy'],
    [{ centreMoisture: 0.06 }, 'crisp-edge'],
    [{ centreMoisture: 0.06, crispEdgeMm: 2 }, 'chewy'],
    [{ centreMoisture: 0.036 }, 'crisp-through'],
    [{ centreMoisture: 0.001 }, 'crisp-through'],
  ] as const)('%j is %s', (change, state) =>
    expect(stateOf(donenessIndex(reading(change), judged))).toBe(state),
  );
  it('goes up as the piece dries', () => {
    const by = (m: number) => donenessIndex(reading({ centreMoisture: m }), judged);
    for (let m = 0.02; m < 0.12; m += 0.002) expect(by(m)).toBeGreaterThanOrEqual(by(m + 0.002));
  });
  it('a wetter dough is judged by its own water', () => {
    expect(
      donenessIndex(reading({ centreMoisture: 0.085 }), { ...judged, startMoisture: 0.17 }),
    ).toBeGreaterThan(donenessIndex(reading({ centreMoisture: 0.085 }), judged));
  });
  it('set is all of: bulk, rim and a first colour', () => {
    expect(setIndex(reading({}), judged)).toBeGreaterThan(1);
    expect(setIndex(reading({ set: 0.5 }), judged)).toBe(0);
  });
  it('has a dryness for every doneness, and back', () => {
    for (const index of [1.2, 2, 2.4, 3.5, 4.15]) {
      const centreMoisture = drynessAt(index) / 100;
      expect(donenessIndex(reading({ centreMoisture }), judged)).toBeCloseTo(index, 9);
      expect(drynessOf(reading({ centreMoisture }), 0.1367)).toBeCloseTo(drynessAt(index), 9);
    }
    expect(() => drynessAt(6)).toThrow('no doneness of 6');
  });
  it('is allowed to be browner the crisper it is meant to be', () => {
    expect(isTooDark('soft-centre', 75, 40)).toBe(true);
    expect(isTooDark('chewy', 75, 40)).toBe(false);
    expect(isTooDark('chewy', 40, 85)).toBe(true);
    expect(isTooDark('crisp-through', 90, 85)).toBe(false);
  });
  it('each target lies inside its own state', () => {
    for (const [target, index] of Object.entries(aimedIndex)) expect(stateOf(index)).toBe(target);
  });
});

describe('a run', () => {
  it('can be forked without touching the one it came from', () => {
    const run = startRun(setup);
    advance(run, 'oven', 300);
    const before = readRun(run);
    const other = fork(run);
    advance(other, 'tray', 600);
    expect(readRun(run)).toEqual(before);
    expect(readRun(other).centreC).not.toBe(before.centreC);
  });
  it('in one go or in parts is the same bake', () => {
    const whole = startRun(setup);
    advance(whole, 'oven', 600);
    const parts = startRun(setup);
    for (let t = 30; t <= 600; t += 30) advance(parts, 'oven', t);
    expect(readRun(parts).centreC).toBeCloseTo(readRun(whole).centreC, 0);
    expect(readRun(parts).diameterMm / readRun(whole).diameterMm).toBeCloseTo(1, 2);
  });
  it('every tray and liner there is can be baked on', () => {
    for (const tray of Object.keys(trayMaterials) as BakeRequest['tray'][]) {
      for (const liner of Object.keys(liners) as BakeRequest['liner'][]) {
        const run = startRun(bakeInput({ ...usual, tray, liner }).setup);
        advance(run, 'oven', 400);
        expect(readRun(run).bottomC).toBeGreaterThan(60);
      }
    }
  });
});
