import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas } from '../demo/index.js';
import { conduct } from './conduct.js';
import { doughForms, standing } from './form.js';
import { benchTime, leadTime, lifeOf, type LifeQuestion } from './life.js';
import { loadedPlace } from './loaded-place.js';
import { constantMaterial } from './material.js';
import { placeAir, usualPower } from './place-air.js';
import { coldFrom, firstPast, measuredStays, restCurve, type Place } from './place.js';

const place = (kind: Place['kind']): Place => {
  const found = demoEquipment.places.find((p) => p.kind === kind);
  if (!found) throw new Error(kind);
  return found;
};
const [walkIn, freezer, bench] = [place('walk-in'), place('freezer'), place('bench')];
const formulaOf = (code: string) => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(code);
  return found;
};
const ginger = formulaOf('GNG');
const hour = 3600;

describe('a disc of finite height', () => {
  const material = constantMaterial({
    conductivityWPerMK: 0.25,
    specificHeatJPerKgK: 2500,
    densityKgPerM3: 1100,
  });
  const core = (body: Parameters<typeof conduct>[0]['body'], durationS: number, cells = 20) =>
    conduct({ body, material, startC: 20, steps: [{ airC: 4, hWPerM2K: 15, durationS }], cells }).coreC.at(
      -1,
    ) ?? 0;
  const share = (t: number) => (t - 4) / 16;
  it('is the product of its slab and its cylinder (Newman, 1936)', () => {
    for (const durationS of [900, 2400, 5400]) {
      const disc = share(core({ kind: 'disc', diameterMm: 60, heightMm: 30 }, durationS, 40));
      const slab = share(core({ kind: 'slab', thicknessMm: 30, exposedFaces: 2 }, durationS, 40));
      const cylinder = share(core({ kind: 'cylinder', diameterMm: 60 }, durationS, 40));
      expect(Math.abs(disc - slab * cylinder)).toBeLessThan(0.01);
    }
  });
  it('very tall it is a cylinder, very flat a slab', () => {
    const tall = core({ kind: 'disc', diameterMm: 40, heightMm: 600 }, 2400);
    expect(tall).toBeCloseTo(core({ kind: 'cylinder', diameterMm: 40 }, 2400), 0);
    const flat = core({ kind: 'disc', diameterMm: 600, heightMm: 30 }, 2400, 40);
    expect(flat).toBeCloseTo(core({ kind: 'slab', thicknessMm: 30, exposedFaces: 2 }, 2400), 0);
  });
  it('a closed face slows it, all faces closed stop it', () => {
    const faces = (top: number, side: number, bottom: number) =>
      core({ kind: 'disc', diameterMm: 60, heightMm: 30, faces: { top, side, bottom } }, 2400);
    expect(faces(0.2, 1, 0.5)).toBeGreaterThan(faces(1, 1, 1) + 1);
    expect(faces(0, 0, 0)).toBeCloseTo(20, 6);
  });
  it('keeps its heat: what went through the surface is what it lost', () => {
    const run = conduct({
      body: { kind: 'disc', diameterMm: 60, heightMm: 30, faces: { top: 0.4, side: 1, bottom: 0.5 } },
      material,
      startC: 20,
      steps: [{ airC: 4, hWPerM2K: 15, durationS: 3000 }],
    });
    expect(run.surfaceHeatJ / run.heatJ).toBeCloseTo(1, 6);
  });
});

describe('how dough stands', () => {
  it.each(doughForms)('%s has a body, and says what it is', (form) => {
    const { body, says } = standing(ginger, form, 4000, true);
    expect(body.kind).toBe({ pieces: 'sphere', tub: 'block', log: 'disc', bag: 'slab' }[form]);
    expect(says).toMatch(/\d+ mm/);
  });
  it('a mound of the same mass is a disc, and cools somewhat faster than a ball', () => {
    const mound = { ...ginger, piece: { ...ginger.piece, shape: 'puck' as const } };
    const ready = (formula: typeof ginger) =>
      restCurve({
        formula,
        form: 'pieces',
        tubMassG: 0,
        place: walkIn,
        cover: 'open',
        startC: 22,
        targetC: 8,
        durationS: 4 * hour,
      }).ready?.value ?? 0;
    expect(ready(mound)).toBeLessThan(ready(ginger));
    expect(ready(mound)).toBeGreaterThan(ready(ginger) * 0.6);
  });
  it('a lid keeps a tub warm longer', () => {
    const after = (cover: 'open' | 'covered') => {
      const { curve } = restCurve({
        formula: ginger,
        form: 'tub',
        tubMassG: 8000,
        place: walkIn,
        cover,
        startC: 22,
        targetC: 10,
        durationS: 10 * hour,
      });
      return curve.coreC.at(-1) ?? 0;
    };
    expect(after('covered')).toBeGreaterThan(after('open') + 0.3);
  });
});

describe('a whole life in one run', () => {
  const ask = (steps: LifeQuestion['steps'], change: Partial<LifeQuestion> = {}) =>
    lifeOf({ formula: ginger, form: 'pieces', massG: 1000, startC: 22, readyC: 8, steps, ...change });
  const step = (at: Place, hours: number) => ({ place: at, cover: 'open' as const, durationS: hours * hour });
  const life = ask([step(bench, 0.5), step(walkIn, 3), step(freezer, 12), step(walkIn, 6), step(bench, 3)]);
  const mark = (id: string) => life.marks.find((m) => m.id === id)?.atS ?? null;
  it('begins each step where the one before ended', () => {
    expect(life.beginsS).toEqual([0, 0.5, 3.5, 15.5, 21.5].map((h) => h * hour));
    expect(life.curve.timesS.at(-1)).toBeCloseTo(24.5 * hour, 0);
  });
  it('is cold in the walk-in, hard in the freezer, workable and then too soft on the bench, in that order', () => {
    const order = ['bakeable', 'frozen', 'workable', 'too-soft'].map(mark);
    expect(order.every((s) => s !== null)).toBe(true);
    expect(order).toEqual([...order].sort((a, b) => (a ?? 0) - (b ?? 0)));
    expect(mark('bakeable')).toBeGreaterThan(0.5 * hour);
    expect(mark('frozen')).toBeGreaterThan(3.5 * hour);
    expect(mark('too-soft')).toBeGreaterThan(21.5 * hour);
    expect(life.end.solidFat).toBeLessThan(0.3);
  });
  it('what does not happen is said as such', () => {
    expect(
      ask([step(walkIn, 2)])
        .marks.filter(({ atS }) => atS === null)
        .map(({ id }) => id),
    ).toEqual(['frozen', 'workable', 'too-soft']);
  });
  it('needs a step', () => {
    expect(() => ask([])).toThrow('Say at least one place and how long.');
  });
});

const seconds = (of: ReturnType<typeof benchTime>) => (of === null || of === 'now' ? Number.NaN : of.value);

describe('questions with one answer', () => {
  it('a ball of 40 g may stand on the bench for a good half hour, a bigger one longer, a cold tub for hours', () => {
    const minutes = seconds(benchTime(ginger, 6, bench)) / 60;
    expect(minutes).toBeGreaterThan(20);
    expect(minutes).toBeLessThan(70);
    expect(seconds(benchTime(formulaOf('RYE'), 6, bench))).toBeGreaterThan(
      seconds(benchTime(ginger, 6, bench)) * 1.2,
    );
    expect(seconds(benchTime(ginger, 6, bench, 'tub', 8000))).toBeGreaterThan(3 * hour);
  });
  it('in a cool kitchen it never gets too soft, warm dough is now', () => {
    expect(benchTime(ginger, 6, { ...bench, airC: 16 })).toBeNull();
    expect(benchTime(ginger, 19, bench)).toBe('now');
  });
  it('a frozen bag comes out of the freezer hours before, single pieces less', () => {
    const lead = (form: 'bag' | 'pieces') =>
      leadTime({
        formula: ginger,
        form,
        massG: 2000,
        fromC: -18,
        into: walkIn,
        cover: 'open',
        targetC: 2,
        where: 'core',
      });
    expect(lead('bag')?.value).toBeGreaterThan(2 * hour);
    expect(lead('pieces')?.value).toBeLessThan((lead('bag')?.value ?? 0) / 2);
    expect(lead('bag')?.terms.map(({ value }) => value)).toEqual(expect.arrayContaining([2000, -18, 4]));
  });
  it('a place that never brings it there gives no answer', () => {
    expect(
      leadTime({
        formula: ginger,
        form: 'pieces',
        massG: 0,
        fromC: -18,
        into: freezer,
        cover: 'open',
        targetC: 4,
        where: 'core',
      }),
    ).toBeNull();
  });
});

describe('where a curve passes a temperature', () => {
  const curve = { timesS: [0, 10, 20, 30, 40], coreC: [20, 10, 4, 6, 12] };
  it('first, from either side', () => {
    expect(firstPast(curve, 'coreC', 15)).toBeCloseTo(5);
    expect(firstPast(curve, 'coreC', 9, 20)).toBeCloseTo(35);
    expect(firstPast(curve, 'coreC', 30)).toBeNull();
    expect(firstPast(curve, 'coreC', 20)).toBe(0);
  });
  it('for good: dough that warms again is not cold', () => {
    expect(coldFrom(curve, 8)).toBeNull();
    expect(coldFrom({ timesS: [0, 10, 20], coreC: [20, 10, 4] }, 8)).toBeCloseTo(10 + 10 / 3);
    expect(coldFrom({ timesS: [0, 10], coreC: [4, 4] }, 8)).toBe(0);
  });
});

describe('air as it was measured', () => {
  it('becomes stays of about the same air, as long as the whole', () => {
    const stays = measuredStays(4, 12, 3600, [
      { afterS: 0, airC: 4.1 },
      { afterS: 600, airC: 4.2 },
      { afterS: 1200, airC: 9 },
      { afterS: 1800, airC: 9.1 },
    ]);
    expect(stays.reduce((sum, { durationS }) => sum + durationS, 0)).toBeCloseTo(3600);
    expect(stays.map(({ airC }) => Math.round(airC))).toEqual([4, 9]);
    expect(stays[1]?.durationS).toBeCloseTo(2400);
  });
  it('before the first reading is as set, after the last as last seen', () => {
    expect(
      measuredStays(4, 12, 3000, [{ afterS: 1000, airC: 8 }]).map(({ airC, durationS }) => [airC, durationS]),
    ).toEqual([
      [4, 1000],
      [8, 2000],
    ]);
    expect(measuredStays(4, 12, 100, [])).toEqual([{ airC: 4, hWPerM2K: 12, durationS: 100 }]);
  });
});

describe('air that answers', () => {
  const power = usualPower['walk-in'];
  const after = (seconds: number, conditions: Parameters<typeof placeAir>[3], heatW = 0, startC = 4) => {
    const air = placeAir(walkIn, power, startC, conditions);
    for (let s = 0; s < seconds; s += 20) air.next(heatW, 20);
    return air.now();
  };
  it('rests at its setting', () => {
    expect(after(7200, {})).toBeCloseTo(4, 1);
    expect(after(7200, {}, 0, 10)).toBeCloseTo(4, 0);
  });
  it('warms with the door open, more with the machine off, toward the room and never past it', () => {
    const open = after(3600, { doorOpen: () => true });
    expect(open).toBeGreaterThan(8);
    const off = after(86_400 * 2, { machineShare: () => 0 });
    expect(off).toBeGreaterThan(22);
    expect(off).toBeLessThanOrEqual(24);
  });
  it('46 kg of warm dough warm it for a while, and slow their own cooling', () => {
    const balls = 240;
    const run = (bodies: number) => {
      const { body, material } = standing(ginger, 'pieces', 0, false);
      return conduct({
        body,
        material,
        startC: 22,
        steps: [{ airC: 4, hWPerM2K: 12, durationS: 3 * hour, air: placeAir(walkIn, power, 4, { bodies }) }],
      });
    };
    const [one, many] = [run(1), run(balls * 6)];
    expect(Math.max(...many.airC)).toBeGreaterThan(Math.max(...one.airC) + 0.4);
    expect(firstPast(many, 'coreC', 8) ?? 0).toBeGreaterThan((firstPast(one, 'coreC', 8) ?? 0) * 1.02);
    expect(many.airC.at(-1)).toBeLessThan(5.5);
  });
});

describe('a place that takes much at once', () => {
  const ask = (bodies: number, openings: number) =>
    loadedPlace({
      formula: ginger,
      form: 'pieces',
      massG: 0,
      startC: 22,
      place: walkIn,
      cover: 'open',
      targetC: 8,
      bodies,
      openings,
    });
  it('one piece and a shut door change nothing', () => {
    const { aloneS, together, warmestC } = ask(1, 0);
    expect(together?.value).toBeCloseTo(aloneS ?? 0, -1);
    expect(warmestC).toBeLessThan(4.2);
  });
  it('is warmed less by it where its machine is a strong one', () => {
    const at = (powerW?: number) =>
      loadedPlace({
        formula: ginger,
        form: 'pieces',
        massG: 0,
        startC: 22,
        place: { ...walkIn, ...(powerW !== undefined && { powerW }) },
        cover: 'open',
        targetC: 8,
        bodies: 1500,
        openings: 4,
      });
    const [weak, usual, strong] = [at(500), at(), at(6000)];
    expect(weak.warmestC).toBeGreaterThan(usual.warmestC);
    expect(strong.warmestC).toBeLessThan(usual.warmestC);
    expect(usual.together?.note).toContain('a typical figure');
    expect(strong.together?.note).toContain('that of Setup');
  });
  it('many pieces and many openings warm it and take longer, more of each', () => {
    const [few, many, opened] = [ask(200, 4), ask(1500, 4), ask(1500, 20)];
    expect(many.warmestC).toBeGreaterThan(few.warmestC);
    expect(opened.warmestC).toBeGreaterThan(many.warmestC);
    expect(opened.together?.value).toBeGreaterThan(few.together?.value ?? 0);
    expect(opened.together?.value).toBeGreaterThan((opened.aloneS ?? 0) * 1.01);
    expect(opened.together?.terms.find(({ symbol }) => symbol === 'T_air')?.value).toBe(opened.warmestC);
  });
});
