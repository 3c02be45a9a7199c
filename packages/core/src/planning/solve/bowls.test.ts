import { describe, expect, it } from '@jest/globals';
import { chance } from '../../quantity/index.js';
import { checkPlan } from '../check/check.js';
import { type Plan } from '../problem/plan.js';
import { betweenMixesS, leftInBowl, type BowlRule, type PlanProblem } from '../problem/problem.js';
import { calm, smallProblem } from '../problem/problem.testkit.js';
import { solvePlan } from './solve.js';

const [one] = smallProblem().products;
if (!one) throw new Error('the small problem has a product');

const product = (code: string, readyByS: number) => ({
  ...one,
  code,
  name: code,
  demands: [{ name: 'Kiosk', readyByS, pieces: 20 }],
  batches: [{ id: `${code}-A`, mixerId: 'mixer', massG: 1500, pieces: 20 }],
});
/** Several doughs for about the same time, in one mixer: they are mixed close upon each other. */
const crowded = (readyBys: Readonly<Record<string, number>>, bowls?: BowlRule): PlanProblem => {
  const { resources } = smallProblem();
  return smallProblem({
    products: Object.entries(readyBys).map(([code, readyByS]) => product(code, readyByS)),
    resources: resources.map((resource) =>
      resource.id === 'hands'
        ? { ...resource, capacity: 3, when: [{ fromS: 0, toS: 40_000, capacity: 3 }] }
        : resource.id === 'mixer'
          ? resource
          : { ...resource, capacity: 40 },
    ),
    ...(bowls && { bowls }),
  });
};
const mixesOf = (plan: Plan) =>
  plan.batches
    .flatMap(({ productCode, tasks }) =>
      tasks
        .filter(({ kind }) => kind === 'mix')
        .map(({ startS, endS }) => ({ code: productCode, startS, endS })),
    )
    .sort((a, b) => a.startS - b.startS);
/** A count of its own, from the mixings alone. */
const shortest = (plan: Plan, { allergens }: BowlRule): number => {
  const mixes = mixesOf(plan);
  return Math.min(
    ...mixes.slice(1).flatMap((next, i) => {
      const before = mixes[i];
      const declared = new Set(allergens[next.code]);
      const dirty = before && (allergens[before.code] ?? []).some((allergen) => !declared.has(allergen));
      return before && dirty ? [next.startS - before.endS] : [];
    }),
  );
};

describe('what is left in a bowl', () => {
  const rule: BowlRule = { cleanS: 900, allergens: { NUT: ['peanut', 'gluten'], PLA: ['gluten'] } };
  it('is what the next dough does not declare', () => {
    expect(leftInBowl(rule, 'NUT', 'PLA')).toEqual(['peanut']);
    expect(leftInBowl(rule, 'PLA', 'NUT')).toEqual([]);
    expect(betweenMixesS(rule, 'm', 'NUT', 'PLA')).toBe(900);
    expect(betweenMixesS(rule, 'm', 'PLA', 'NUT')).toBe(0);
    // In another bowl nothing is left, and nobody waits.
    expect(betweenMixesS({ ...rule, spare: ['m'] }, 'm', 'NUT', 'PLA')).toBe(0);
    expect(betweenMixesS({ ...rule, spare: ['other'] }, 'm', 'NUT', 'PLA')).toBe(900);
  });
  it('of a product that nothing is known of, nothing', () =>
    expect([leftInBowl(rule, 'NUT', 'NEW'), leftInBowl(rule, 'NEW', 'PLA')]).toEqual([[], []]));
});

describe('a plan keeps the time to clean a bowl', () => {
  const bowls: BowlRule = {
    cleanS: 1500,
    allergens: { NUT: ['peanut'], PLA: [], SES: ['sesame'], ALL: ['peanut', 'sesame'] },
  };
  const readyBys = { NUT: 30_000, PLA: 30_300, SES: 30_000, ALL: 29_700 };

  it('where it would not without the rule', () => {
    const free = solvePlan(crowded(readyBys), calm);
    expect(shortest(free, bowls)).toBeLessThan(bowls.cleanS);
    const found = checkPlan(crowded(readyBys, bowls), free).map(({ code }) => code);
    expect(new Set(found)).toEqual(new Set(['bowl']));
    const kept = solvePlan(crowded(readyBys, bowls), calm);
    expect(kept.unplaced).toEqual([]);
    expect(shortest(kept, bowls)).toBeGreaterThanOrEqual(bowls.cleanS);
    expect(checkPlan(crowded(readyBys, bowls), kept)).toEqual([]);
  });

  it('around batches that have begun, which stay as they are', () => {
    const begun = solvePlan(crowded({ NUT: 30_000 }, bowls), calm).batches;
    const problem = { ...crowded({ PLA: 30_000, SES: 30_000 }, bowls), fixed: begun };
    const plan = solvePlan(problem, calm);
    const whole = { ...plan, batches: [...new Set([...begun, ...plan.batches])] };
    expect(mixesOf(whole).length).toBe(3);
    expect(shortest(whole, bowls)).toBeGreaterThanOrEqual(bowls.cleanS);
    expect(checkPlan(problem, whole).filter(({ code }) => code === 'bowl')).toEqual([]);
  });

  it('and leaves out what cannot be kept apart, rather than mix it in a bowl that is not clean', () => {
    // Both must be mixed within less than the two hours that cleaning would take.
    const readyAt = { NUT: 9000, SES: 9000 };
    expect(solvePlan(crowded(readyAt), calm).unplaced).toEqual([]);
    const problem = crowded(readyAt, { ...bowls, cleanS: 7200 });
    const plan = solvePlan(problem, calm);
    expect(plan.unplaced.length).toBe(1);
    expect(plan.unplaced[0]?.reason).toContain('is the limit');
    expect(checkPlan(problem, plan).filter(({ code }) => code === 'bowl')).toEqual([]);
  });

  it('but for a mixer with a bowl more, whose dirty one is cleaned while the next dough is mixed', () => {
    const readyAt = { NUT: 9000, SES: 9000 };
    const one = crowded(readyAt, { ...bowls, cleanS: 1200 });
    const mixers = new Set(one.products.flatMap((own) => own.batches.map(({ mixerId }) => mixerId)));
    const problem = crowded(readyAt, { ...bowls, cleanS: 7200, spare: [...mixers] });
    const plan = solvePlan(problem, calm);
    expect(plan.unplaced).toEqual([]);
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('for any doughs of any allergens, counted by the checker and once more', () => {
    const random = chance(7);
    const known = ['peanut', 'sesame', 'milk'];
    let needed = 0;
    for (let n = 0; n < 40; n++) {
      const codes = ['A', 'B', 'C', 'D', 'E'].slice(0, 3 + (n % 3));
      const rule: BowlRule = {
        cleanS: Math.round(random.between(300, 2400)),
        allergens: Object.fromEntries(
          codes.map((code) => [code, known.filter(() => random.between(0, 1) < 0.4)]),
        ),
      };
      const readyAt = Object.fromEntries(
        codes.map((code) => [code, Math.round(random.between(22_000, 32_000))]),
      );
      const problem = crowded(readyAt, rule);
      const plan = solvePlan(problem, calm);
      expect(checkPlan(problem, plan)).toEqual([]);
      const gap = shortest(plan, rule);
      if (Number.isFinite(gap)) needed += 1;
      expect(gap).toBeGreaterThanOrEqual(rule.cleanS);
    }
    expect(needed).toBeGreaterThan(20);
  });
});
