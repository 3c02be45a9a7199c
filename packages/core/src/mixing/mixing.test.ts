import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoEquipment, demoFormulas } from '../demo/index.js';
import {
  amountsFor,
  browningLossShare,
  checkFormula,
  totalPercent,
  type Formula,
  type FormulaStage,
} from '../formula/index.js';
import { weighSheet } from '../scaling/index.js';
import { butterToBrown, coolBrownedButter, learnBrowningLoss } from './browned-butter.js';
import { softenButter } from './butter.js';
import { correctionsFor, doughAdvice } from './corrections.js';
import {
  butterTemperature,
  doughTemperature,
  frictionHeat,
  learnEfficiency,
  typicalMixerHeat,
  type Mixing,
} from './dough-temperature.js';
import { wholeEggs } from './eggs.js';
import { longerMixS, mixSteps, otherSchools, workedS } from './steps.js';
import { doughFor, stockLimits } from './targets.js';

const formula = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(`no formula ${code}`);
  return found;
};
const losses = { bowlShare: 0.01, portionShare: 0.01, testPieces: 4 };
const [small] = demoEquipment.mixers;
if (!small) throw new Error('no mixer');
const mixing = (code: string, change: Partial<Mixing> = {}): Mixing => ({
  amounts: amountsFor(formula(code), 5000),
  roomC: 20,
  temperaturesC: {},
  mixS: 300,
  heat: typicalMixerHeat(small),
  ...change,
});

describe('dough temperature', () => {
  it('with everything at room temperature and no mixing it is the room', () => {
    expect(doughTemperature(mixing('LEM', { mixS: 0 })).value).toBeCloseTo(20, 6);
  });
  it('the mixer warms it by its heat over the heat capacity of dough and bowl', () => {
    // 342 W × 300 s × 0.25 = 25.7 kJ into 5 kg of about 2.4 kJ/kgK and 0.8 kJ/K of steel: about 2 K.
    expect(frictionHeat(mixing('LEM')).value).toBeCloseTo(25_650, 0);
    expect(doughTemperature(mixing('LEM')).value - 20).toBeCloseTo(1.9, 0);
  });
  it('a motor that is set up counts as it is, any other by its bowl', () => {
    const heat = typicalMixerHeat({ ...small, powerW: 2 * 18 * small.bowlL });
    expect(frictionHeat(mixing('LEM', { heat })).value).toBeCloseTo(2 * 25_650, 0);
    const warmer = doughTemperature(mixing('LEM', { heat })).value - 20;
    expect(warmer).toBeCloseTo(2 * (doughTemperature(mixing('LEM')).value - 20), 1);
  });
  it('cold egg and cold butter cool it', () => {
    const warm = doughTemperature(mixing('LEM')).value;
    const egg = doughTemperature(mixing('LEM', { temperaturesC: { 'whole-egg': 4 } })).value;
    const both = doughTemperature(mixing('LEM', { temperaturesC: { 'whole-egg': 4, butter: 5 } })).value;
    expect(egg).toBeLessThan(warm);
    expect(both).toBeLessThan(egg - 3);
  });
  it('the butter temperature that is asked for gives the dough that is asked for, winter and summer', () => {
    for (const { code } of demoFormulas)
      for (const roomC of [15, 20, 26]) {
        const m = mixing(code, { roomC, temperaturesC: { 'whole-egg': 15 } });
        const butter = butterTemperature(m, 'butter', 21);
        if (!butter) continue;
        const check = doughTemperature({ ...m, temperaturesC: { ...m.temperaturesC, butter: butter.value } });
        expect(check.value).toBeCloseTo(21, 3);
      }
  });
  it('a hot room wants colder butter, and the impossible is said to be so', () => {
    const at = (roomC: number) =>
      butterTemperature(mixing('LEM', { roomC }), 'butter', 21)?.value ?? Number.NaN;
    expect(at(24)).toBeLessThan(at(19));
    expect(butterTemperature(mixing('LEM', { roomC: 40 }), 'butter', 10)).toBeNull();
  });
  it('nonsense is refused', () => {
    expect(() => doughTemperature(mixing('LEM', { roomC: 80 }))).toThrow('The room');
    expect(() => doughTemperature(mixing('LEM', { temperaturesC: { butter: 99 } }))).toThrow(
      'unsalted is 99',
    );
  });
});

describe('learning from logged doughs', () => {
  const logged = (efficiency: number) => {
    const m = mixing('LEM');
    return { mixing: m, doughC: doughTemperature({ ...m, heat: { ...m.heat, efficiency } }).value };
  };
  it('without any the typical value holds', () => expect(learnEfficiency([]).value).toBeCloseTo(0.25, 9));
  it('one dough moves it a third of the way, many all the way', () => {
    expect(learnEfficiency([logged(0.4)]).value).toBeCloseTo(0.25 + (0.4 - 0.25) / 3, 3);
    expect(learnEfficiency(Array.from({ length: 40 }, () => logged(0.4))).value).toBeCloseTo(0.4, 1);
  });
  it('a thermometer read wrong does not wreck it', () => {
    expect(learnEfficiency([{ mixing: mixing('LEM'), doughC: 55 }]).value).toBeLessThan(0.5);
  });
});

describe('butter on the bench', () => {
  it('cubes are ready long before the block, and a warm room before a cool one', () => {
    const time = (form: 'cubes' | 'block-500', roomC: number) =>
      softenButter({ form, wrapped: false, roomC, startC: 4, targetC: 18 }).time?.value ?? Number.NaN;
    expect(time('cubes', 22) * 2).toBeLessThan(time('block-500', 22));
    expect(time('block-500', 26)).toBeLessThan(time('block-500', 21));
  });
  it('in a room that is colder than what is wanted it never gets there', () => {
    const { time, curve } = softenButter({ form: 'cubes', wrapped: true, roomC: 15, startC: 4, targetC: 18 });
    expect(time).toBeNull();
    expect(curve.meanC.at(-1)).toBeLessThan(15.01);
  });
});

describe('browned butter', () => {
  it('by hand: 500 g of browned butter without a logged pan', () => {
    // 1 − 0.84/0.995 + 0.02 = 0.1758: 500 / 0.8242 = 606.6 g.
    const loss = learnBrowningLoss([]);
    expect(loss.value).toBeCloseTo(browningLossShare, 3);
    expect(butterToBrown(500, loss).value).toBeCloseTo(606.6, 0);
  });
  it('learns from pans, not from slips of the pen', () => {
    const pans = [
      { inG: 1000, outG: 800 },
      { inG: 1000, outG: 800 },
      { inG: 1000, outG: 80 },
    ];
    expect(learnBrowningLoss(pans).value).toBeCloseTo((2 * 0.1757 + 0.4) / 4, 3);
  });
  const pan = { massG: 800, areaM2: 0.06, startC: 130, place: { name: 'Bench', airC: 22, hWPerM2K: 8 } };
  it('cools to the limit for egg in the place, faster in the cold', () => {
    const bench = coolBrownedButter(pan, 40)?.value ?? Number.NaN;
    const freezer =
      coolBrownedButter({ ...pan, place: { name: 'Freezer', airC: -20, hWPerM2K: 12 } }, 40)?.value ??
      Number.NaN;
    // 0.8 kg × 2.1 kJ/kgK over 8 W/m²K × 0.12 m²: a time constant of half an hour; ln(108/18) = 1.8 of it.
    expect(bench / 60).toBeGreaterThan(40);
    expect(bench / 60).toBeLessThan(65);
    expect(freezer).toBeLessThan(bench / 2);
  });
  it('never cools below its place', () => expect(coolBrownedButter(pan, 20)).toBeNull());
});

describe('whole eggs', () => {
  it('by hand: 240 g by eggs of 50 g', () => {
    const { count, difference, balanceG, sentence } = wholeEggs(240, 50);
    expect([count, difference.value]).toEqual([5, 10]);
    expect(balanceG).toBeCloseTo(-7.6, 1);
    expect(sentence).toContain('leave 7.6 g out');
  });
  it('the egg and its balance hold the water of the formula', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 5000, noNaN: true }),
        fc.constantFrom(44, 50, 56, 63),
        (target, each) => {
          const { mass, balanceG } = wholeEggs(target, each);
          expect((mass.value * 0.76 + balanceG) / (target * 0.76)).toBeCloseTo(1, 9);
        },
      ),
    );
  });
});

describe('corrections on the scale', () => {
  const f = formula('CLM');
  const sheet = weighSheet(amountsFor(f, 5000), demoEquipment.scales);
  const sugar = sheet.lines.find(({ ingredientId }) => ingredientId === 'white-sugar');
  if (!sugar) throw new Error('no sugar');
  const butter = sheet.lines.find(({ ingredientId }) => ingredientId === 'butter');
  if (!butter) throw new Error('no butter');
  const of = (
    actualG: number,
    maxG = 7000,
    inBowl = false,
    weighed: Record<string, number> = { [butter.key]: butter.roundedG },
  ) => correctionsFor(sheet, sugar, actualG, weighed, maxG, inBowl);
  it('over: take out, scale with what is weighed topped up, or accept', () => {
    const [out, scale, accept] = of(sugar.roundedG * 1.1);
    expect([out?.kind, out?.possible, scale?.kind, scale?.possible, accept?.kind]).toEqual([
      'take-out',
      true,
      'scale',
      true,
      'accept',
    ]);
    expect(scale?.factor).toBeCloseTo(1.1, 9);
    expect(scale?.topUps?.[0]?.addG).toBeCloseTo(butter.roundedG * 0.1, 6);
    expect(accept?.figure.value).toBeCloseTo(110, 6);
  });
  it('scaling keeps the ratios of the formula to the sum of roundings', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.01, max: 1.3, noNaN: true }), (over) => {
        const scale = of(sugar.roundedG * over).find(({ kind }) => kind === 'scale');
        const scaled = sheet.lines.reduce((sum, line) => sum + line.roundedG * (scale?.factor ?? 0), 0);
        const resolution = sheet.lines.reduce((sum, line) => sum + line.resolutionG / 2, 0);
        expect(Math.abs(scaled - (scale?.figure.value ?? 0))).toBeLessThanOrEqual(resolution * over + 1e-6);
      }),
    );
  });
  it('a full bowl cannot be scaled, what fell on others cannot be taken out', () => {
    const [out, scale] = of(sugar.roundedG * 1.2, 5500, true);
    expect([out?.possible, scale?.possible]).toEqual([false, false]);
    expect(scale?.sentence).toContain('the bowl holds');
  });
  it('under: top up, or accept', () => {
    const [top] = of(sugar.roundedG - 40);
    expect([top?.kind, top?.sentence]).toEqual(['top-up', 'Add the 40 g that are missing.']);
  });
  it('a crumbly dough gets liquid up to its limit, a loose one none', () => {
    expect(doughAdvice('crumbly', 2000, 22, 0).liquidG).toBeCloseTo(60, 9);
    expect(doughAdvice('crumbly', 2000, 22, 60).sentence).toContain('do not add more');
    expect(doughAdvice('loose', 2000, 27, 0)).toMatchObject({ liquidG: 0 });
    expect(doughAdvice('loose', 2000, 27, 0).sentence).toContain('give no flour');
  });
});

describe('steps at the mixer', () => {
  it('follow the stages and the school', () => {
    const steps = mixSteps(formula('GNG'));
    expect(steps.map(({ picture, durationS }) => [picture, durationS])).toEqual([
      ['cream', 180],
      ['egg', 75],
      ['dry', 40],
    ]);
    expect(longerMixS(formula('SES'))).toBe(0);
    expect(
      longerMixS({ ...formula('SES'), method: { cream: 'long', egg: 'fully', finish: 'machine' } }),
    ).toBe(180);
    const byHand = formula('SES').stages.map((stage) => ({ ...stage, tool: 'spoon' as const }));
    expect(longerMixS({ ...formula('SES'), stages: byHand })).toBeGreaterThan(300);
    const timed = formula('SES').stages.map((stage, i) => (i === 0 ? { ...stage, workS: 60 } : stage));
    expect(longerMixS({ ...formula('SES'), stages: timed })).toBe(-120);
    const other = mixSteps({ ...formula('SES'), method: { cream: 'long', egg: 'barely', finish: 'hand' } });
    expect(other.map(({ picture, speed }) => [picture, speed])).toEqual([
      ['cream', '2'],
      ['egg', '1'],
      ['dry', 'lowest'],
      ['hand', 'off'],
    ]);
    expect(workedS(formula('GNG'))).toBe(295);
  });
  it('have the tool, the parts and the time that their stages have', () => {
    const own = formula('GNG');
    const [cream, egg, dry] = own.stages;
    const steps = mixSteps({
      ...own,
      stages: [
        { ...(cream as FormulaStage), tool: 'hand-mixer' },
        { ...(egg as FormulaStage), parts: 6, workS: 240 },
        { ...(dry as FormulaStage), tool: 'spoon', parts: 3 },
      ],
    });
    // A hand mixer takes half as long again, a spoon two and a half times.
    expect(steps.map(({ tool, parts, durationS, speed }) => [tool, parts, durationS, speed])).toEqual([
      ['hand-mixer', 1, 270, '2'],
      ['mixer', 6, 240, '1'],
      ['spoon', 3, 100, 'off'],
    ]);
    expect(steps.map(({ changesTool }) => changesTool)).toEqual([false, true, true]);
    // It is scraped at the same part of a longer step.
    expect(steps[1]?.scrapeAtS).toEqual([128]);
    expect(steps[2]?.scrapeAtS).toEqual([]);
    // Only the stand mixer warms the dough by its work.
    expect(
      workedS({
        ...own,
        stages: own.stages.map((stage, i) =>
          i === 1 ? { ...stage, workS: 240 } : { ...stage, tool: 'spoon' as const },
        ),
      }),
    ).toBe(240);
  });
  it('a stage with a tool of its own keeps it where the method ends by hand', () => {
    const own = formula('SES');
    const last = { ...(own.stages.at(-1) as FormulaStage), tool: 'mixer' as const };
    const steps = mixSteps({
      ...own,
      method: { cream: 'standard', egg: 'fully', finish: 'hand' },
      stages: [...own.stages.slice(0, -1), last],
    });
    expect(steps.at(-1)).toMatchObject({ tool: 'mixer', speed: 'lowest', changesTool: false });
  });
  it.each([{ parts: 0 }, { parts: 2.5 }, { parts: 99 }, { workS: 1 }, { workS: 9000 }])(
    'refuses %o',
    (own) => {
      const whole = formula('GNG');
      const [first, ...rest] = whole.stages as readonly [FormulaStage, ...FormulaStage[]];
      expect(() => checkFormula({ ...whole, stages: [{ ...first, ...own }, ...rest] })).toThrow(first.name);
    },
  );
});

describe('what other schools do', () => {
  const names = (f: Formula) => f.stages.map(({ id }) => otherSchools(f, id).map(({ name }) => name));
  it('is said where they do something else, and never what this one does', () => {
    const gng = formula('GNG');
    const usual = names(gng).flat();
    expect(usual).toEqual(expect.arrayContaining(['creamed long', 'just combined', 'egg barely blended']));
    expect(usual).not.toContain('creamed as usual');
    const other = names({ ...gng, method: { cream: 'long', egg: 'barely', finish: 'hand' } }).flat();
    expect(other).toEqual(expect.arrayContaining(['creamed as usual', 'egg worked in fully']));
    expect(other).not.toContain('creamed long');
    expect(otherSchools(gng, 'none')).toEqual([]);
  });
});

describe('what a batch is made for', () => {
  const f = formula('NIB');
  it('the scarcest ingredient sets the dough, and the rest is left', () => {
    // 267.2 % in all: a kilo of dough holds 213.3 g butter and 112.3 g nibs.
    const lines = stockLimits(f, { butter: 2000, 'cocoa-nibs': 500 });
    expect(lines.map(({ ingredientId, limits }) => [ingredientId, limits])).toEqual([
      ['cocoa-nibs', true],
      ['butter', false],
    ]);
    expect(lines[0]?.enoughFor.value).toBeCloseTo((500 * 267.2) / 30, 6);
    expect(lines[1]?.leftG).toBeCloseTo(2000 - (57 / 30) * 500, 6);
  });
  it('mass is conserved: no ingredient of which there is stock is used beyond it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...demoFormulas),
        fc.array(fc.double({ min: 10, max: 1e5, noNaN: true }), { minLength: 1, maxLength: 5 }),
        (g, stocks) => {
          const stock = Object.fromEntries(
            amountsFor(g, 1000)
              .slice(0, stocks.length)
              .map(({ line }, i) => [line.ingredientId, stocks[i] ?? 1]),
          );
          const dough = doughFor({ kind: 'stock', stockG: stock }, g, losses).value;
          for (const [id, grams] of Object.entries(stock)) {
            const used = amountsFor(g, Math.min(dough, 1e6))
              .filter(({ line }) => line.ingredientId === id)
              .reduce((sum, { mass }) => sum + mass.value, 0);
            expect(used).toBeLessThanOrEqual(grams * (1 + 1e-9));
          }
        },
      ),
    );
  });
  it('pieces, trays, fill and dough', () => {
    expect(doughFor({ kind: 'dough', massG: 4000 }, f, losses).value).toBe(4000);
    expect(
      doughFor({ kind: 'fill', mixer: small, fill: 0.3, densityGPerMl: 1.15 }, f, losses).value,
    ).toBeCloseTo(6555, 6);
    const pieces = doughFor({ kind: 'pieces', pieces: 60 }, f, losses).value;
    expect(doughFor({ kind: 'trays', trays: 5, perTray: 12 }, f, losses).value).toBeCloseTo(pieces, 9);
    expect(pieces).toBeCloseTo((64 * 26) / 0.99 ** 2, 6);
    expect(totalPercent(f)).toBeCloseTo(267.2, 9);
  });
  it('what is not in the formula, and no stock at all, is refused', () => {
    expect(() => stockLimits(f, { walnuts: 100 })).toThrow('no walnuts');
    expect(() => stockLimits(f, {})).toThrow('at least one');
  });
});
