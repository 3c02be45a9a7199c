import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { describedBy } from './api/described.testkit.js';
import { madeRequests } from './api/made-requests.testkit.js';
import { TestApp } from './app.testkit.js';
import { examplesOf, spoiltRequests } from './fuzz.testkit.js';

/*
 * No input gives a fault: neither what the demo's own requests become when they are spoilt, nor what is made by the
 * server's description of itself. JOKUL_FUZZ sets how many requests, JOKUL_FUZZ_SEED which.
 */
const count = Number(process.env.JOKUL_FUZZ ?? 800);
const seed = Number(process.env.JOKUL_FUZZ_SEED ?? 20_261_127);

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(() => app.stop());

describe('no request', () => {
  it(
    `makes the server fail: ${count} spoilt ones (seed ${seed}), none answered with a fault, none longer than 5 s`,
    async () => {
      const half = Math.ceil(count / 2);
      const bySchema = madeRequests(await describedBy(app), half, seed);
      const requests = [
        ...spoiltRequests(await examplesOf(app), half, seed),
        ...spoiltRequests(bySchema, half, seed, 0),
      ];
      // What a server works out once after its start is not what one request costs.
      await app.post('days/2026-11-27/plan/retime', {});
      const faults: string[] = [];
      const send = async ({ method, path, body }: (typeof requests)[number]) => {
        const began = performance.now();
        const response = await fetch(`${app.url}/api/${path}`, {
          method,
          ...(body !== undefined && { body, headers: { 'content-type': 'application/json' } }),
        });
        const text = await response.text();
        const tookMs = performance.now() - began;
        // 503 says that it is busy, and passes.
        if (response.status >= 500 && response.status !== 503)
          faults.push(
            `${response.status} ${method} ${path.slice(0, 80)} ${body?.slice(0, 400) ?? ''}: ${text}`,
          );
        // Learning reads every logged bake anew; it runs beside the others and holds up nobody.
        if (tookMs > 5000 && !path.includes('calibration'))
          faults.push(
            `${Math.round(tookMs)} ms: ${method} ${path.slice(0, 80)} ${body?.slice(0, 300) ?? ''}`,
          );
      };
      for (let i = 0; i < requests.length; i += 8) await Promise.all(requests.slice(i, i + 8).map(send));
      expect(faults).toEqual([]);
      // What was there before is still whole.
      for (const path of [
        'health',
        'bakery',
        'days/2026-11-27',
        'journal?since=0',
        'days/2026-11-27/calibration',
      ])
        expect([path, (await app.get(path)).status]).toEqual([path, 200]);
      expect(
        (await app.get<{ firstBrokenSeq: number | null }>('journal/verify')).body.firstBrokenSeq,
      ).toBeNull();
    },
    Math.max(120_000, count * 60),
  );
});
