import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import type { ProblemView } from '@jokul/contracts';
import { TestApp } from './app.testkit.js';
import { makeApp } from './make-app.js';
import { readConfig } from './config/config.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start('empty');
}, 60_000);
afterAll(() => app.stop());

/** fetch does not let one set Host: the plain client does. */
const withHeaders = (headers: Record<string, string>): Promise<number> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(app.url);
    request({ hostname, port, path: '/api/health', headers }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    })
      .on('error', reject)
      .end();
  });

describe('from outside', () => {
  it('listens on loopback', () => expect(app.url).toMatch(/^http:\/\/(127\.0\.0\.1|\[::1\]):/));
  it.each([
    [{ host: 'jokul.example' }, 403],
    [{ host: '127.0.0.1', origin: 'http://elsewhere.example' }, 403],
    [{ host: '127.0.0.1:4310', origin: 'http://127.0.0.1:8080' }, 403],
    [{ host: 'localhost:4310' }, 200],
    [{ host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4310' }, 200],
  ])('a call with %j is answered with %d', async (headers, status) =>
    expect(await withHeaders(headers)).toBe(status),
  );

  it('answers carry a content policy that needs nothing from outside', async () => {
    const { headers } = await app.get('health');
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("object-src 'none'");
    expect(policy).not.toMatch(/https?:/);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
  });
});

describe('bad requests', () => {
  it('too large is refused before it is read', async () => {
    const { status, body } = await app.post('calc/convert', `{"amount":1,"unit":"${'x'.repeat(1_200_000)}"}`);
    expect(status).toBe(413);
    expect(body).toMatchObject({ code: 'too-large' });
  });
  it('that are no JSON get a sentence and no stack', async () => {
    const { status, body, type } = await app.call('POST', 'calc/convert', '{"amount":');
    expect(status).toBe(400);
    expect(type).toContain('application/problem+json');
    expect(JSON.stringify(body)).not.toMatch(/node_modules|\bat \S+ \(/);
  });
  it('to nowhere are not found, as JSON', async () => {
    const { status, body } = await app.get<ProblemView>('nowhere');
    expect(status).toBe(404);
    expect(body.code).toBe('not-found');
  });
  it('with an injection in a name do no more than name it', async () => {
    const { status } = await app.get("formulas/'; DROP TABLE journal_entry; --/versions");
    expect(status).toBe(404);
    expect((await app.get('health')).status).toBe(200);
  });
});

describe('a database that is away', () => {
  it('in mid-use: 503 with a sentence, and no stack', async () => {
    await app.app.get(DataSource).destroy();
    const { status, body } = await app.get<ProblemView>('health');
    expect([500, 503]).toContain(status);
    expect(JSON.stringify(body)).not.toContain('node_modules');
    await app.app.get(DataSource).initialize();
    expect((await app.get('health')).status).toBe(200);
  });
  it('at start: refused with the code that main turns into a sentence', async () => {
    const config = readConfig();
    const nowhere = { ...config, database: { ...config.database, port: 1 } };
    await expect(makeApp(nowhere, false)).rejects.toMatchObject({ code: 'ECONNREFUSED' });
  }, 30_000);
});
