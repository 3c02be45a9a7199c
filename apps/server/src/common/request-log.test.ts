import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { Controller, Get, Module, Post, Res } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Response } from 'express';
import { setTimeout as pause } from 'node:timers/promises';
import 'reflect-metadata';
import { QuietLogger } from './quiet-logger.js';
import { LastTrouble } from './last-trouble.js';
import { ProblemFilter } from './problem.filter.js';
import { nameRequest } from './request-id.js';
import { logRequests } from './request-log.js';

/* What becomes of a request stands in the log, one JSON object a line, under its name. */

@Controller('api')
class Answers {
  @Get('plain')
  plain() {
    return { fine: true };
  }
  @Get('slow')
  async slow() {
    await pause(1050);
    return { fine: true };
  }
  @Get('broken')
  broken() {
    throw new Error('a secret of the house');
  }
  @Get('away')
  away() {
    throw Object.assign(new Error('nobody there'), { code: 'ECONNREFUSED' });
  }
  @Post(['orders', 'journal', 'tablets', 'calc/bake'])
  taken() {
    return { fine: true };
  }
  @Get('stream')
  stream(@Res() response: Response) {
    response.type('text/event-stream').write(': hello\n\n');
  }
  @Get('never')
  never() {
    return pause(60_000, null, { ref: false });
  }
}
@Module({ controllers: [Answers] })
class Only {}

interface Line {
  readonly level: string;
  readonly context: string;
  readonly message: {
    readonly message: string;
    readonly requestId: string;
    readonly status: number;
    readonly ms: number;
  };
}
let app: NestExpressApplication;
let url: string;
const written: string[] = [];
const lines = (): readonly Line[] => written.map((text) => JSON.parse(text) as Line);
beforeAll(async () => {
  app = await NestFactory.create<NestExpressApplication>(Only, { logger: new QuietLogger() });
  app.use(nameRequest);
  app.use(logRequests());
  app.useGlobalFilters(new ProblemFilter(new LastTrouble()));
  await app.listen(0, '127.0.0.1');
  url = await app.getUrl();
  for (const out of [process.stdout, process.stderr])
    jest.spyOn(out, 'write').mockImplementation((text) => written.push(String(text).trim()) > 0);
});
afterAll(async () => {
  jest.restoreAllMocks();
  await app.close();
});
beforeEach(() => {
  written.length = 0;
});
const ask = async (path: string, method = 'GET') => {
  const requestId = randomUUID();
  const { status } = await fetch(`${url}/api/${path}`, { method, headers: { 'x-request-id': requestId } });
  // The line is written when the answer has left.
  await pause(20);
  return { requestId, status };
};

describe('the log of requests', () => {
  it.each([
    ['plain', 'GET'] as const,
    ['journal', 'POST'] as const,
    ['tablets', 'POST'] as const,
    ['calc/bake', 'POST'] as const,
  ])('has no line for %s: it would hide the rest', async (path, method) => {
    await ask(path, method);
    expect(written).toEqual([]);
  });

  it('has a line for what changed something', async () => {
    const { requestId } = await ask('orders?secret=1', 'POST');
    expect(lines()).toMatchObject([
      {
        level: 'log',
        context: 'Request',
        message: { message: 'changed', requestId, method: 'POST', url: '/api/orders', status: 201 },
      },
    ]);
    expect(written.join()).not.toContain('secret');
  });

  it('has a line for what was refused, with its code', async () => {
    const { requestId } = await ask('nowhere');
    expect(lines()).toMatchObject([
      {
        level: 'log',
        message: { message: 'refused', requestId, url: '/api/nowhere', status: 404, code: 'not-found' },
      },
    ]);
    written.length = 0;
    const away = await ask('away');
    expect(away.status).toBe(503);
    expect(lines()).toMatchObject([
      { level: 'warn', message: { requestId: away.requestId, status: 503, code: 'database-away' } },
    ]);
  });

  it('has a fault with its stack, and the request, under one name', async () => {
    const { requestId } = await ask('broken');
    const [fault, request] = lines();
    expect(fault).toMatchObject({ level: 'error', context: 'Problem', message: { requestId } });
    expect(fault?.message.message).toMatch(/a secret of the house\s+at /);
    expect(request).toMatchObject({ level: 'warn', message: { requestId, status: 500, code: 'fault' } });
  });

  it('has what took long, and for how long', async () => {
    await ask('slow');
    expect(lines()).toMatchObject([{ message: { message: 'slow', status: 200 } }]);
    expect(lines()[0]?.message.ms).toBeGreaterThanOrEqual(1000);
  });

  it('has what was left after long without an answer, and no stream that its screen left', async () => {
    for (const [path, ms] of [
      ['stream', 1050],
      ['never', 50],
      ['never', 1050],
    ] as const) {
      const leave = new AbortController();
      const asked = fetch(`${url}/api/${path}`, { signal: leave.signal }).catch(() => null);
      await pause(ms);
      leave.abort();
      await asked;
      await pause(50);
    }
    expect(lines()).toMatchObject([{ message: { message: 'left', url: '/api/never', status: 200 } }]);
  });
});
