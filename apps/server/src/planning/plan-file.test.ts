import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { Ajv } from 'ajv';
import 'reflect-metadata';
import type { DayView, ReadPlanView, TakenView } from '@jokul/contracts';
import { dayPlanSchema } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

/* A day's plan as a file: saved, changed elsewhere, looked at, taken. */

let app: TestApp;
const date = '2026-11-27';
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date, time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

/** What Day saves as JSON. */
const saved = async () => {
  const found = (await app.get<DayView>(`days/${date}`)).body.plan;
  if (!found) throw new Error('the demo is planned');
  return JSON.parse(JSON.stringify({ date, ...found.plan, preparations: found.preparations })) as {
    date: string;
    batches: { batchId: string; loads: { id: string; startS: number; ovenId: string }[] }[];
  };
};
const read = (file: unknown) => app.post<ReadPlanView>(`days/${date}/plan/file`, file);

describe('a plan as a file', () => {
  it('fits its published schema as it is saved', async () => {
    const published = readFileSync(
      join(import.meta.dirname, '../../../../docs/day-plan.schema.json'),
      'utf8',
    );
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(dayPlanSchema)));
    const fits = new Ajv().compile(dayPlanSchema);
    expect([fits(await saved()), fits.errors]).toEqual([true, null]);
  });

  it('changes nothing when it is read as it was saved', async () => {
    const { status, body } = await read(await saved());
    expect([status, body.changes, body.faults, body.id !== null]).toEqual([201, [], [], true]);
  });

  it('is looked at, taken, and taken back', async () => {
    const file = await saved();
    // The last load goes in two minutes later; its tasks go along, whatever the file says of them.
    const batch = file.batches.at(-1);
    const load = batch?.loads.at(-1);
    if (!batch || !load) throw new Error('a load');
    load.startS += 120;
    const { body: whole } = await read(file);
    expect(whole.changes.map(({ loadId }) => loadId)).toEqual([load.id]);
    if (whole.id === null) throw new Error(JSON.stringify(whole.faults));
    const { body: taken } = await app.post<TakenView>(`days/${date}/plan/replan/${whole.id}`, {
      reason: 'worked out at the desk',
    });
    const starts = (of: TakenView['plan']) =>
      of.plan.batches.flatMap(({ loads }) => loads).find(({ id }) => id === load.id)?.startS;
    expect(starts(taken.plan)).toBe(load.startS);
    const { body: back } = await app.post<TakenView>(`days/${date}/plan/replan/${taken.back}`, {});
    expect(starts(back.plan)).toBe(load.startS - 120);
  });

  it.each<[string, (file: Awaited<ReturnType<typeof saved>>) => unknown, RegExp]>([
    ['nothing', () => ({}), /no plan that Jokul saved/],
    ['a list', () => [1, 2], /no plan that Jokul saved/],
    ['half a letter', (file) => ({ ...file, date: '\ud800' }), /half a letter/],
    [
      'text for a moment',
      (file) => ({ ...file, batches: [{ ...file.batches[0], massG: 'much' }] }),
      /no plan/,
    ],
    ['the plan of another day', (file) => ({ ...file, date: '2026-11-28' }), /plan of 2026-11-28/],
    [
      'a batch that is not there',
      (file) => ({ ...file, batches: [...file.batches, { ...file.batches[0], batchId: 'X' }] }),
      /not in this day/,
    ],
  ])('%s is refused with a sentence', async (_, spoil, says) => {
    const { status, body } = await read(spoil(await saved()));
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect((body as unknown as { message: string }).message).toMatch(says);
  });
});
