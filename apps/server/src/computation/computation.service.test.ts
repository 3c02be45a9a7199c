import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import 'reflect-metadata';
import { ServiceUnavailableException } from '@nestjs/common';
import type { DaysTask, MoveTask, PlanTask } from './plan-tasks.js';

/* Who waits for whom. The threads are the test's: each computation lasts until the test answers it. */

interface Running {
  readonly name: string;
  readonly answer: (result: unknown) => void;
  readonly fail: (error: Error) => void;
}
const running: Running[] = [];
const pool = {
  queueSize: 0,
  destroy: async () => running.splice(0),
  run: (_: object, { name, signal }: { name: string; signal: AbortSignal }) =>
    new Promise((resolve, reject) => {
      const one = {
        name,
        answer: (result: unknown) => (leave(), resolve({ result })),
        fail: (error: Error) => (leave(), reject(error)),
      };
      const leave = () => running.splice(running.indexOf(one), 1);
      signal.addEventListener('abort', () => (leave(), reject(signal.reason)));
      running.push(one);
    }),
};
interface Threads {
  readonly maxThreads: number;
  readonly resourceLimits: { readonly maxOldGenerationSizeMb: number };
}
const threads = jest.fn<(options: Threads) => typeof pool>(() => pool);
jest.unstable_mockModule('piscina', () => ({ Piscina: threads }));

const { ComputationService } = await import('./computation.service.js');

let computation: InstanceType<typeof ComputationService>;
beforeEach(() => {
  computation = new ComputationService(null);
});
afterEach(() => computation.onModuleDestroy());

const input = { formulas: new Map() };
const fixedFormulas = {};
const planDays = (signal?: AbortSignal) => computation.planDays({ input } as unknown as DaysTask, signal);
const plan = (keep: boolean) =>
  computation.plan({ input, fixedFormulas, keep } as unknown as PlanTask).then(() => 'planned');
const move = () => computation.move({ input, fixedFormulas } as unknown as MoveTask).then(() => 'moved');
const names = () => running.map(({ name }) => name);
const soon = () => new Promise((resolve) => setTimeout(resolve, 5));

describe('what is computed', () => {
  it('leaves a thread to what an oven waits for, however much is planned', async () => {
    const planned = [plan(false), plan(false), plan(false), planDays()].map((one) =>
      one.catch(() => 'given up'),
    );
    await soon();
    expect(names()).toEqual(['plan', 'plan']);
    expect(computation.waiting()).toBe(2);
    const quick = [move(), plan(true)];
    await soon();
    expect(names()).toEqual(['plan', 'plan', 'moveDay', 'plan']);
    expect(threads.mock.lastCall?.[0].maxThreads).toBeGreaterThan(2);
    running.slice(2).forEach(({ answer }) => answer({}));
    expect(await Promise.all(quick)).toEqual(['moved', 'planned']);
    expect(computation.waiting()).toBe(2);
    running[0]?.answer({});
    await soon();
    expect(names()).toEqual(['plan', 'plan']);
    running.splice(0).forEach(({ answer }) => answer({}));
    await soon();
    running.forEach(({ answer }) => answer({}));
    expect(await Promise.all(planned)).toHaveLength(4);
    expect(computation.waiting()).toBe(0);
  });

  it('is let go of when the asker leaves, whether it waits or has begun', async () => {
    const leaves = new AbortController();
    const gone = [1, 2, 3, 4].map(() => planDays(leaves.signal).catch(() => 'gone'));
    await soon();
    leaves.abort();
    expect(await Promise.all(gone)).toEqual(['gone', 'gone', 'gone', 'gone']);
    expect([names(), computation.waiting()]).toEqual([[], 0]);
  });

  it('may take so much memory and no more; what takes more is refused with a sentence', async () => {
    expect(threads.mock.lastCall?.[0].resourceLimits.maxOldGenerationSizeMb).toBe(1024);
    const large = plan(false);
    await soon();
    const error = Object.assign(new Error('heap'), { code: 'ERR_WORKER_OUT_OF_MEMORY' });
    running[0]?.fail(error);
    await expect(large).rejects.toMatchObject({
      code: 'takes-too-long',
      message:
        'The computation was stopped: it takes more than 1024 MB of memory. Plan fewer products at once.',
    });
    const broken = plan(false);
    await soon();
    running[0]?.fail(new Error('a fault'));
    await expect(broken).rejects.toThrow('a fault');
  });

  it('is refused while two dozen are planned or wait, and taken again when one is done', async () => {
    const many = Array.from({ length: 24 }, () => plan(false).catch(() => 'given up'));
    await soon();
    await expect(plan(false)).rejects.toBeInstanceOf(ServiceUnavailableException);
    running[0]?.answer({});
    expect(await many[0]).toBe('planned');
    const again = plan(false).catch(() => 'given up');
    await soon();
    expect(computation.waiting()).toBe(22);
    await computation.onModuleDestroy();
    void again;
  });

  it('is not begun any more when the server is stopped', async () => {
    const all = [planDays(), planDays(), planDays()].map((one) => one.catch((error: unknown) => error));
    await soon();
    const [first, second] = running;
    await computation.onModuleDestroy();
    first?.answer({});
    second?.answer({});
    expect((await Promise.all(all))[2]).toBeInstanceOf(ServiceUnavailableException);
  });
});
