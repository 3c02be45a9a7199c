import { describe, expect, it } from '@jest/globals';
import Papa from 'papaparse';
import { demoRules } from '../../demo/index.js';
import { plannedWork, planToCsv } from './give-out.js';
import { demoProblem } from '../problem/problem.testkit.js';
import { solvePlan } from '../solve/solve.js';

describe('a plan given out', () => {
  const { batches } = solvePlan(demoProblem(), { tries: 0 });
  const work = plannedWork(batches);
  const names = { product: (code: string) => `the ${code}`, place: (id: string) => `"${id}", here` };
  const { data } = Papa.parse<Record<string, string>>(planToCsv(batches, demoRules.timeZone, names), {
    header: true,
  });

  it('holds every task once, in the order of the day', () => {
    // What is made ready before a mixing comes from the preparations.
    expect(work.map(({ id }) => id).sort()).toEqual(
      batches
        .flatMap(({ tasks }) => tasks.filter(({ kind }) => kind !== 'prepare').map(({ id }) => id))
        .sort(),
    );
    for (const [i, { startS }] of work.slice(1).entries())
      expect(startS).toBeGreaterThanOrEqual(work[i]?.startS ?? 0);
  });

  it('loads have their oven, degrees, trays and pieces; mixing its mixer', () => {
    const bakes = work.filter(({ kind }) => kind === 'bake');
    expect(bakes).toHaveLength(batches.flatMap(({ loads }) => loads).length);
    for (const { where, setC, trays, pieces } of bakes) {
      expect(where).not.toBe('');
      expect(setC).toBeGreaterThan(100);
      expect(pieces).toBeGreaterThanOrEqual(trays ?? Infinity);
    }
    const atOven = work.filter(({ kind }) => kind === 'load' || kind === 'turn' || kind === 'pull');
    expect(atOven).toHaveLength(3 * bakes.length);
    expect(atOven.every(({ where }) => where !== '')).toBe(true);
    expect(work.filter(({ kind }) => kind === 'mix').every(({ where }) => where.startsWith('mixer'))).toBe(
      true,
    );
  });

  it('is a table by the bakery’s clock, whatever stands in the names', () => {
    expect(data).toHaveLength(work.length);
    const mix = data.find(({ what }) => what === 'mix');
    expect(mix?.['where']).toMatch(/^"mixer-.*", here$/);
    expect(mix?.['from']).toMatch(/^\d\d:\d\d$/);
    expect(data.every(({ date }) => /^2026-11-2\d$/.test(date ?? ''))).toBe(true);
  });

  it('a name that begins like a formula stays text', () => {
    const csv = planToCsv(batches, demoRules.timeZone, { ...names, product: () => '=1+1' });
    expect(csv).not.toMatch(/(^|,)"?=1\+1/m);
  });

  it('of nothing is nothing', () => expect(planToCsv([], demoRules.timeZone, names)).toBe(''));
});
