import { randomUUID } from 'node:crypto';
import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import type { PlanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { examplesOf, type Example } from '../fuzz.testkit.js';
import { answerOf, bodyOf, describedAs, describedBy, type Described } from './described.testkit.js';

const date = '2026-11-27';
let app: TestApp;
let described: Described;
let check: (schema: unknown) => ValidateFunction;

beforeAll(async () => {
  app = await TestApp.start();
  described = await describedBy(app);
  const ajv = new Ajv2020({ strict: false, validateFormats: false, allErrors: true });
  ajv.addSchema({ $id: 'api', components: described.components });
  check = (schema) =>
    ajv.compile(
      JSON.parse(JSON.stringify(schema).replaceAll('"#/components/', '"api#/components/')) as object,
    );
}, 60_000);
afterAll(() => app.stop());

const all = () =>
  Object.entries(described.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, request]) => ({ key: `${method.toUpperCase()} ${path}`, request })),
  );

/** Requests that are answered with something else than JSON, or with nothing. */
const noJson = [
  'DELETE /api/days/{date}/standing/{id}',
  'DELETE /api/orders/{id}',
  'DELETE /api/standing/{id}',
  'GET /api/journal/stream',
  'GET /api/metrics',
  'POST /api/tablets',
];

describe('the description of the requests', () => {
  it('has no model that is empty, and none that is missing', () => {
    const { schemas } = described.components;
    const named = [...JSON.stringify(described).matchAll(/"#\/components\/schemas\/([^"]+)"/g)].map(
      ([, name = '']) => name,
    );
    expect(named.filter((name) => !(name in schemas))).toEqual([]);
    expect(Object.keys(schemas).filter((name) => !/^[\w.-]+$/.test(name))).toEqual([]);
    const empty = Object.entries(schemas).filter(
      ([, { type, properties, additionalProperties }]) =>
        type === 'object' && Object.keys(properties ?? {}).length === 0 && !additionalProperties,
    );
    // What is put in or taken out of nothing has no figures of its own.
    expect(empty.map(([name]) => name)).toEqual([]);
  });

  it('says of every request what it takes and what it answers', () => {
    const silent = all().filter(({ request }) => !answerOf(request));
    expect(silent.map(({ key }) => key).sort()).toEqual(noJson);
    for (const { request } of all())
      for (const schema of [bodyOf(request), answerOf(request)]) if (schema) check(schema);
    expect(all().length).toBeGreaterThan(60);
  });

  it('holds for requests that the server takes and for what it answers them', async () => {
    const { body: planned } = await app.post<PlanView>(`days/${date}/plan`, {});
    const load = planned.plan.batches.flatMap(({ loads }) => loads).at(-1);
    const { body: setup } = await app.get<object>('setup/file');
    const line = { customer: 'Late', productCode: 'CRD', pieces: 12, readyBy: '09:00' };
    const more: readonly Example[] = [
      { method: 'POST', path: `days/${date}/orders/many`, body: { lines: [{ ...line, id: randomUUID() }] } },
      { method: 'POST', path: `days/${date}/plan/replan`, body: {} },
      {
        method: 'POST',
        path: `days/${date}/plan/move`,
        body: { loadId: load?.id, ovenId: load?.ovenId, startS: (load?.startS ?? 0) + 600 },
      },
      {
        method: 'POST',
        path: `days/${date}/plan/held`,
        body: { batchId: planned.plan.batches.at(-1)?.batchId, held: true },
      },
      { method: 'POST', path: 'setup/file/look', body: { file: setup, withBakery: false } },
      ...['wellbeing', 'journal/verify', 'setup/file', 'setup/changes', `weeks/${date}`].map(
        (path): Example => ({ method: 'GET', path }),
      ),
      { method: 'POST', path: `days/${date}/plan`, body: {} },
      { method: 'POST', path: `days/${date}/plan/what-if/${randomUUID()}`, body: {} },
    ];
    const seen = new Set<string>();
    const wrong: unknown[] = [];
    for (const { method, path, body } of [...(await examplesOf(app)), ...more]) {
      const found = describedAs(described, method, path);
      if (!found) {
        wrong.push([method, path, 'is not described']);
        continue;
      }
      const { status, body: answer } = await app.call<unknown>(method, path, body);
      const takes = bodyOf(found.request);
      if (status < 300 && takes) {
        const fits = check(takes);
        if (!fits(body)) wrong.push([method, path, 'takes', fits.errors?.slice(0, 3)]);
      }
      const problem = found.request.responses.default?.content?.['application/json']?.schema;
      const gives = status < 300 ? answerOf(found.request) : problem;
      if (status < 300) seen.add(found.key);
      if (!gives) continue;
      const fits = check(gives);
      if (!fits(answer)) wrong.push([method, path, 'answers', status, fits.errors?.slice(0, 3)]);
    }
    expect(wrong).toEqual([]);
    expect(seen.size).toBeGreaterThan(44);
  }, 120_000);
});
