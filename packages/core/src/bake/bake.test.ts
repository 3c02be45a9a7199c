import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFormulas } from '../demo/index.js';
import { doughOf, typicalDough, type Doneness, type Dough, type Liner } from '../formula/index.js';
import { bake, stateAfterPull, type BakeResult } from './bake.js';
import { aimedIndex, darkLimitsFor } from './doneness.js';
import { bakeInput, type BakeRequest } from './input.js';
import { outcomeOf } from './outcome.js';
import { bakeModelVersion, type TrayMaterial } from './parameters.js';
import { advance, readRun, startRun } from './simulate.js';
import { usual } from './usual.testkit.js';

const memory = new Map<string, BakeResult>();
const baked = (change: Partial<BakeRequest> = {}): BakeResult => {
  const key = JSON.stringify(change);
  const known = memory.get(key) ?? bake(bakeInput({ ...usual, ...change }));
  memory.set(key, known);
  return known;
};
const pullMin = (change: Partial<BakeRequest> = {}) => (baked(change).pull?.value ?? Number.NaN) / 60;
const cooled = (change: Partial<BakeRequest> = {}) => {
  const reading = baked(change).cooled;
  if (!reading) throw new Error('the target is out of reach');
  return reading;
};
/** Whole bake with a given pull: the reading at the pull. */
const afterS = (pullS: number, change: Partial<BakeRequest> = {}) => {
  const run = startRun(bakeInput({ ...usual, ...change }).setup);
  advance(run, 'oven', pullS);
  return readRun(run);
};
/** When a colour is reached, s. */
const timeTo = (
  of: (r: ReturnType<typeof readRun>) => number,
  value: number,
  change: Partial<BakeRequest> = {},
) => {
  const run = startRun(bakeInput({ ...usual, ...change }).setup);
  for (let t = 10; t < 3600; t += 10) {
    advance(run, 'oven', t);
    if (of(readRun(run)) >= value) return t;
  }
  return Number.NaN;
};

describe('what is generally known of drop cookies', () => {
  it('a 35 g ball is soft in the middle after about 12 minutes', () => {
    expect(pullMin()).toBeGreaterThan(10.5);
    expect(pullMin()).toBeLessThan(13.5);
  });
  it('it is 75 to 90 mm across and 9 to 13 mm high', () => {
    expect(cooled().diameterMm).toBeGreaterThan(75);
    expect(cooled().diameterMm).toBeLessThan(90);
    expect(cooled().heightMm).toBeGreaterThan(9);
    expect(cooled().heightMm).toBeLessThan(13);
  });
  it('it loses 6 to 11 % in the bake', () => {
    for (const target of ['soft-centre', 'chewy', 'crisp-edge'] as const) {
      expect(cooled({ target }).lossShare).toBeGreaterThan(0.06);
      expect(cooled({ target }).lossShare).toBeLessThan(0.11);
    }
  });
  const softs: readonly (readonly [string, Partial<BakeRequest>])[] = [
    ['the usual piece', {}],
    ['a small one', { massG: 20 }],
    ['a large one', { massG: 90 }],
    ['60 g, hot', { massG: 60, setC: 190 }],
    ['a frozen one', { start: -18 }],
    ['with a fan', { fan: true }],
    ['a puck', { shape: 'puck' }],
    ['a mound, warm', { shape: 'mound', start: 18 }],
    ['on dark steel', { tray: 'dark-steel' }],
  ];
  it.each(softs)(
    'soft is a matter of a few minutes, and not hotter than 95 °C in the middle: %s',
    (_, change) => {
      const soft = baked(change).windows.find(({ state }) => state === 'soft-centre');
      if (!soft) throw new Error('never soft');
      const share = (soft.toS - soft.fromS) / ((soft.toS + soft.fromS) / 2);
      expect(share).toBeGreaterThan(0.15);
      expect(share).toBeLessThanOrEqual(0.4);
      expect(baked(change).atPull?.centreC).toBeGreaterThan(84);
      expect(baked(change).atPull?.centreC).toBeLessThan(95);
    },
  );
  it('its centre is at 85 to 95 °C at a soft pull and past 100 °C at a crisp one', () => {
    expect(baked().atPull?.centreC).toBeGreaterThan(85);
    expect(baked().atPull?.centreC).toBeLessThan(95);
    expect(baked({ target: 'crisp-through' }).atPull?.centreC).toBeGreaterThan(100);
  });
  it('frozen takes 2 to 4 minutes longer than cold', () => {
    const more = pullMin({ start: -18 }) - pullMin({ start: 4 });
    expect(more).toBeGreaterThan(2);
    expect(more).toBeLessThan(4);
  });
  it('10 K more browns the rim 8 to 15 % sooner', () => {
    const ratio = timeTo((r) => r.colour.edge, 35, { setC: 187 }) / timeTo((r) => r.colour.edge, 35);
    expect(ratio).toBeGreaterThan(0.85);
    expect(ratio).toBeLessThan(0.92);
  });
  it.each<[Doneness]>([['soft-centre'], ['chewy'], ['crisp-edge'], ['crisp-through']])(
    '10 K more shortens the bake to %s by about 8 to 15 %%',
    (target) => {
      const ratio = pullMin({ target, setC: 187 }) / pullMin({ target });
      expect(ratio).toBeGreaterThan(0.85);
      expect(ratio).toBeLessThan(0.925);
    },
  );
  it.each([150, 165, 180, 195, 210])('10 K more shortens a soft bake by 8 to 15 %%, at %d °C too', (setC) => {
    const ratio = pullMin({ setC: setC + 10 }) / pullMin({ setC });
    expect(ratio).toBeGreaterThan(0.85);
    expect(ratio).toBeLessThan(0.92);
  });
  it.each([165, 180, 195])('a hotter oven leaves it less time to spread: %d °C and 15 more', (setC) => {
    const [cooler, hotter] = [cooled({ setC }), cooled({ setC: setC + 15 })];
    expect(hotter.diameterMm).toBeLessThan(cooler.diameterMm);
    expect(hotter.heightMm).toBeGreaterThan(cooler.heightMm);
  });
  it('remembers its shape: a ball ends higher than a mound, a mound higher than a puck, which is soonest done', () => {
    const [ball, mound, puck] = (['ball', 'mound', 'puck'] as const).map(
      (shape) => cooled({ shape }).heightMm,
    );
    expect((ball ?? 0) - (mound ?? 0)).toBeGreaterThan(0.3);
    expect((mound ?? 0) - (puck ?? 0)).toBeGreaterThan(0.5);
    expect((ball ?? 0) - (puck ?? 0)).toBeGreaterThan(1);
    expect(pullMin({ shape: 'puck' }) / pullMin()).toBeLessThan(0.97);
    expect(cooled({ shape: 'puck' }).diameterMm).toBeGreaterThan(cooled().diameterMm);
  });
  it('honey browns it sooner than white sugar, strong flour spreads less than soft', () => {
    const rim = (dough: Partial<Dough>) =>
      timeTo((r) => r.colour.edge, 35, { dough: { ...typicalDough, ...dough } });
    expect(rim({ reducing: 0.06 })).toBeLessThan(rim({ reducing: 0 }) - 30);
    const wide = (flourProtein: number) => cooled({ dough: { ...typicalDough, flourProtein } }).diameterMm;
    expect(wide(0.085) - wide(0.13)).toBeGreaterThan(1);
    expect(wide(0.085) / wide(0.13)).toBeLessThan(1.08);
  });
  it('goes through its first minutes as a thick piece: the foot spreads before the dome sinks', () => {
    const run = startRun(bakeInput(usual).setup);
    advance(run, 'oven', 150);
    const [early] = run.state.heightShare;
    expect(early).toBeGreaterThan(1.4);
    expect(readRun(run).diameterMm).toBeGreaterThan(40);
    advance(run, 'oven', 700);
    expect(run.state.heightShare[0]).toBeLessThan((early ?? 0) - 0.04);
  });
  it('a dark tray browns the bottom sooner', () => {
    const bright = timeTo((r) => r.colour.bottom, 35);
    expect(timeTo((r) => r.colour.bottom, 35, { tray: 'dark-steel' }) / bright).toBeGreaterThan(0.78);
    expect(timeTo((r) => r.colour.bottom, 35, { tray: 'dark-steel' }) / bright).toBeLessThan(0.95);
  });
  it('time grows with mass to the power of 0.30 to 0.45', () => {
    const power = Math.log(pullMin({ massG: 70 }) / pullMin({ massG: 20 })) / Math.log(70 / 20);
    expect(power).toBeGreaterThan(0.3);
    expect(power).toBeLessThan(0.45);
  });
  it('cold dough spreads 5 to 12 % less than warm, frozen less again', () => {
    const ratio = cooled({ start: 4 }).diameterMm / cooled({ start: 20 }).diameterMm;
    expect(ratio).toBeGreaterThan(0.88);
    expect(ratio).toBeLessThan(0.95);
    expect(cooled({ start: -18 }).diameterMm).toBeLessThan(cooled({ start: 4 }).diameterMm * 0.98);
  });
  it('warm dough is flatter', () => {
    expect(cooled({ start: 28 }).heightMm).toBeLessThan(cooled({ start: 7 }).heightMm);
  });
  it('a fan shortens the bake by about 10 to 15 %, and 160 with it is 177 without', () => {
    const ratio = pullMin({ fan: true }) / pullMin();
    expect(ratio).toBeGreaterThan(0.85);
    expect(ratio).toBeLessThan(0.92);
    expect(Math.abs(pullMin({ fan: true, setC: 160 }) / pullMin() - 1)).toBeLessThan(0.04);
  });
  it.each<[Liner]>([['greased'], ['mat']])('on %s it spreads further than on parchment', (liner) => {
    expect(cooled({ liner }).diameterMm - cooled().diameterMm).toBeGreaterThan(2);
    expect(cooled({ liner }).diameterMm - cooled().diameterMm).toBeLessThan(9);
  });
  it('two minutes more are clearly drier and darker', () => {
    const pullS = baked().pull?.value ?? 0;
    const [at, later] = [afterS(pullS), afterS(pullS + 120)];
    expect(later.lossShare - at.lossShare).toBeGreaterThan(0.008);
    expect(later.colour.edge - at.colour.edge).toBeGreaterThan(12);
  });
  it('it goes on baking on the hot tray, mostly within 3 minutes', () => {
    const run = startRun(bakeInput(usual).setup);
    const pullS = baked().pull?.value ?? 0;
    advance(run, 'oven', pullS);
    const atPull = readRun(run).set;
    advance(run, 'tray', pullS + 180);
    const after3 = readRun(run).set;
    advance(run, 'tray', pullS + 600);
    const after10 = readRun(run).set;
    expect(after3).toBeGreaterThan(atPull);
    expect(after3 - atPull).toBeGreaterThan(2 * (after10 - after3));
  });
  it('pulls in the order soft, chewy, crisp edge, crisp through', () => {
    const targets: Doneness[] = ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'];
    const pulls = targets.map((target) => pullMin({ target }));
    expect(pulls).toEqual([...pulls].sort((a, b) => a - b));
    expect((pulls[1] ?? 0) / (pulls[0] ?? 1)).toBeGreaterThan(1.1);
  });
});

describe('the answer of the model', () => {
  it('has windows that follow one another without a gap', () => {
    const { windows } = baked();
    expect(windows.map((w) => w.state)).toEqual([
      'under',
      'soft-centre',
      'chewy',
      'crisp-edge',
      'crisp-through',
    ]);
    windows.slice(1).forEach((w, i) => expect(w.fromS).toBe(windows[i]?.toS));
  });
  it.each<[Doneness]>([['soft-centre'], ['chewy'], ['crisp-through']])(
    'a pull for %s ends as that',
    (target) => {
      const input = bakeInput({ ...usual, target });
      expect(stateAfterPull(input, baked({ target }).pull?.value ?? 0)).toBe(target);
    },
  );
  it('finds pulls within the first minutes: a small piece in a hot oven', () => {
    const small = { massG: 10, setC: 225, fan: true, target: 'soft-centre' } as const;
    const pullS = baked(small).pull?.value ?? Number.NaN;
    expect(pullS).toBeGreaterThan(90);
    expect(pullS).toBeLessThan(300);
    expect(stateAfterPull(bakeInput({ ...usual, ...small }), pullS)).toBe('soft-centre');
  });
  it('turns at half time', () => {
    expect(baked().turnS).toBeCloseTo((baked().pull?.value ?? 0) / 2, 9);
  });
  it('takes a given pull as it is', () => {
    const { target: _, ...rest } = usual;
    const result = bake(bakeInput({ ...rest, pullS: 500 }));
    expect(result.pull?.value).toBe(500);
    expect(result.curves.timesS).toContain(500);
  });
  it('says when a target cannot be reached', () => {
    const result = baked({ massG: 200, setC: 120, target: 'crisp-through' });
    expect(result.pull).toBeNull();
    expect(result.warnings[0]?.message).toContain('Bake hotter, or make it smaller');
  });
  it('shows what went in, and that it is a forecast', () => {
    const { pull } = baked();
    expect(pull?.terms.map((term) => term.symbol)).toEqual(['m', 'T₀', 'T_set', 'h', 'h_c', 'w', 's', 'f']);
    expect(pull?.note).toContain('Not calibrated on this oven yet');
  });
  it('starts from a profile: a core that is still frozen takes longer than the same mean all through', () => {
    const profile = [-15, -13, -8, 0, 8];
    expect(pullMin({ start: profile })).toBeGreaterThan(pullMin({ start: 3 }));
    expect(pullMin({ start: profile })).toBeLessThan(pullMin({ start: -15 }));
  });
  it.each<[Partial<BakeRequest>, string]>([
    [{ massG: 0 }, 'The piece weight'],
    [{ massG: 2000 }, 'The piece weight'],
    [{ setC: 20 }, 'The oven temperature'],
    [{ setC: 400 }, 'The oven temperature'],
    [{ start: 60 }, 'The dough temperature'],
    [{ start: [4, Number.NaN] }, 'The dough temperature'],
    [{ pullS: -5 }, 'The pull time'],
    [{ tray: 'paper' as TrayMaterial }, 'no tray that Jokul knows'],
    [{ liner: 'sand' as Liner }, 'no liner that Jokul knows'],
  ])('%j is refused', (change, sentence) =>
    expect(() => bake(bakeInput({ ...usual, ...change }))).toThrow(sentence),
  );
});

/** Total heat and water of the piece, J and kg. */
const totals = (run: ReturnType<typeof startRun>) => ({
  heat: run.state.U.reduce((sum, u) => sum + u, 0),
  water: run.state.W.reduce((sum, w) => sum + w, 0),
});

describe('nothing is made or lost', () => {
  it.each<[string, Partial<BakeRequest>]>([
    ['the usual bake', {}],
    ['a frozen ball', { start: -18 }],
    ['a large puck, greased, fan', { massG: 90, shape: 'puck', liner: 'greased', fan: true }],
    ['a stone', { tray: 'stone', setC: 200 }],
  ])('%s: heat and water balance to 0.1 %', (_, change) => {
    const run = startRun(bakeInput({ ...usual, ...change }).setup);
    const before = totals(run);
    advance(run, 'oven', 720);
    advance(run, 'tray', 1000);
    advance(run, 'rack', 1800);
    const after = totals(run);
    expect((before.water - after.water) / run.scratch.vapourOut).toBeCloseTo(1, 3);
    const went = run.scratch.heatIn - run.scratch.vapourHeat;
    expect(Math.abs(after.heat - before.heat - went)).toBeLessThan(0.001 * run.scratch.heatIn);
  });
});

describe('it stays sane', () => {
  it('to the end of cooling, where an unstable step would show', () => {
    const run = startRun(bakeInput({ ...usual, fan: true, setC: 200 }).setup);
    advance(run, 'oven', 700);
    advance(run, 'tray', 940);
    advance(run, 'rack', 4000);
    for (const t of run.state.T) {
      expect(t).toBeGreaterThan(5);
      expect(t).toBeLessThan(60);
    }
  });

  it.each(demoFormulas.map((f) => [f.code, f] as const))('%s bakes to its target', (_, f) => {
    const result = bake(
      bakeInput({
        massG: f.piece.massG,
        shape: f.piece.shape,
        dough: doughOf(f),
        start: 6,
        tray: 'bright-aluminium',
        liner: 'parchment',
        setC: f.bake.setC,
        fan: f.bake.fan,
        target: f.bake.target,
      }),
    );
    expect(result.pull?.value).toBeGreaterThan(8 * 60);
    expect(result.pull?.value).toBeLessThan(26 * 60);
    expect(result.warnings.filter((w) => w.code === 'burnt-bottom')).toEqual([]);
  });
  it('warns of a rim or an underside that is too dark for its target, each by its limit, and of no other', () => {
    const warned = { 'burnt-rim': 0, 'burnt-bottom': 0, none: 0 };
    for (const target of Object.keys(aimedIndex) as Doneness[])
      for (const tray of ['bright-aluminium', 'dark-steel'] as const)
        for (const pullS of [600, 960, 1300, 1800]) {
          const { atPull, warnings } = bake(bakeInput({ ...usual, tray, pullS, target }));
          const limits = darkLimitsFor(target);
          const codes = warnings.map(({ code }) => code).filter((code) => code.startsWith('burnt-'));
          const { edge = 0, bottom = 0 } = atPull?.colour ?? {};
          expect(codes.toSorted()).toEqual([
            ...(bottom > limits.bottom ? ['burnt-bottom'] : []),
            ...(edge > limits.edge ? ['burnt-rim'] : []),
          ]);
          if (codes.length === 0) warned.none += 1;
          for (const code of codes) warned[code as keyof typeof warned] += 1;
        }
    expect(Object.values(warned).every((n) => n > 0)).toBe(true);
  });

  it('for any dough and oven of its domain: no NaN, no runaway, nothing negative', () => {
    const anything = fc.record({
      massG: fc.double({ min: 8, max: 200, noNaN: true }),
      shape: fc.constantFrom('ball', 'mound', 'puck', 'slice'),
      start: fc.double({ min: -30, max: 35, noNaN: true }),
      tray: fc.constantFrom('bright-aluminium', 'dark-aluminium', 'dark-steel', 'stainless', 'stone'),
      liner: fc.constantFrom('bare', 'greased', 'parchment', 'double-parchment', 'mat'),
      setC: fc.double({ min: 120, max: 260, noNaN: true }),
      fan: fc.boolean(),
      formula: fc.constantFrom(...demoFormulas),
    });
    fc.assert(
      fc.property(anything, ({ formula, ...on }) => {
        const run = startRun(bakeInput({ ...(on as BakeRequest), dough: doughOf(formula) }).setup);
        advance(run, 'oven', 900);
        advance(run, 'tray', 1100);
        advance(run, 'rack', 1500);
        const { diameterMm, heightMm, lossShare, colour, centreC } = readRun(run);
        for (const value of [diameterMm, heightMm, lossShare, colour.edge, colour.bottom]) {
          expect(Number.isFinite(value)).toBe(true);
          expect(value).toBeGreaterThan(-0.005);
        }
        expect(lossShare).toBeLessThan(0.2);
        expect(centreC).toBeLessThan(on.setC + 5);
        for (const t of run.state.T) expect(t > -35 && t < on.setC + 10).toBe(true);
        for (const w of run.state.W) expect(w).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 60 },
    );
  });

  it('a finer mesh moves the pull by less than the model is good for', () => {
    const coarse = pullMin();
    const fine = pullMin({ rings: 11, layers: 9 });
    expect(Math.abs(fine / coarse - 1)).toBeLessThan(0.08);
  });
});

describe('how long it lies on the hot tray', () => {
  it('says nothing of the pull: doneness is read after the carryover on it', () => {
    for (const trayRestS of [0, 60, 900]) expect(pullMin({ trayRestS })).toBe(pullMin());
  });
  it('the curves cool from when it is taken off', () => {
    const bottomAt = (trayRestS: number) => {
      const { curves } = baked({ trayRestS, pullS: 600 });
      return curves.bottomC[curves.timesS.findIndex((time) => time >= 690)] as number;
    };
    expect(bottomAt(0)).toBeLessThan(bottomAt(60) - 1);
    expect(bottomAt(60)).toBeLessThan(bottomAt(240) - 1);
  });
  it('on the rack the underside dries too', () =>
    expect(cooled({ trayRestS: 0, pullS: 600 }).lossShare).toBeGreaterThan(
      cooled({ trayRestS: 240, pullS: 600 }).lossShare,
    ));
});

describe('the outcome, shown', () => {
  it('is what the model says, on the terms of the pull', () => {
    const result = baked();
    const outcome = outcomeOf(result);
    expect(outcome?.diameter.value).toBe(result.cooled?.diameterMm);
    expect(outcome?.loss.value).toBe(result.cooled?.lossShare);
    expect(outcome?.centre.value).toBe(result.atPull?.centreC);
    expect(outcome?.turn.filled).toMatch(/ \/ 2 = /);
    expect(outcome?.diameter.terms.at(-1)?.shown).toBe(result.pull);
    expect(outcome?.diameter.note).toContain('A forecast');
  });
  it('of a target out of reach is none', () => {
    expect(outcomeOf(baked({ massG: 200, setC: 120, target: 'crisp-through' }))).toBeNull();
  });
});

describe('the version of the model', () => {
  // Plans carry it, so that what an older Jokul baked is said to be old. Whoever changes these figures counts it up.
  it('belongs to these figures of the usual piece', () => {
    const { pull, cooled: end } = baked();
    expect([
      bakeModelVersion,
      Math.round(pull?.value ?? 0),
      Math.round((end?.diameterMm ?? 0) * 10) / 10,
      Math.round((end?.lossShare ?? 0) * 1000) / 1000,
    ]).toEqual([5, 643, 79.6, 0.067]);
  });
});
