import { EventEmitter } from 'node:events';
import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import express from 'express';
import { request as ask, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { describe, expect, it, jest } from '@jest/globals';
import { saidOnce } from './said-once.js';

/** A body that counts how often it is put into words. */
const counted = (length: number) => {
  const toJSON = jest.fn(() => ({ text: 'x'.repeat(length) }));
  return { toJSON };
};

const answering = async (
  body: unknown,
  run: (get: (accept?: string, ifNone?: string) => Promise<Answer>) => Promise<void>,
): Promise<void> => {
  const app = express();
  app.use(saidOnce());
  app.get('/', (_, response) => {
    response.json(body);
  });
  const server = app.listen(0, '127.0.0.1');
  await EventEmitter.once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  try {
    await run((accept, ifNone) => get(port, accept, ifNone));
  } finally {
    server.close();
    server.closeAllConnections();
  }
};

interface Answer {
  readonly status: number | undefined;
  readonly headers: IncomingMessage['headers'];
  readonly bytes: Buffer;
}

const get = (port: number, accept?: string, ifNone?: string): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const headers = {
      ...(accept !== undefined && { 'accept-encoding': accept }),
      ...(ifNone !== undefined && { 'if-none-match': ifNone }),
    };
    ask({ host: '127.0.0.1', port, headers }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('end', () =>
        resolve({ status: answer.statusCode, headers: answer.headers, bytes: Buffer.concat(parts) }),
      );
    })
      .on('error', reject)
      .end();
  });

describe('an answer that several wait for', () => {
  it('is put into words once, packed as each understands it', async () => {
    const body = counted(50_000);
    await answering(body, async (get) => {
      const answers = await Promise.all([
        get('gzip, deflate, br, zstd'),
        get('gzip'),
        get('br;q=0, gzip'),
        get(),
        get('identity'),
      ]);
      const texts = answers.map(({ headers, bytes }) =>
        headers['content-encoding'] === 'br'
          ? brotliDecompressSync(bytes).toString()
          : headers['content-encoding'] === 'gzip'
            ? gunzipSync(bytes).toString()
            : bytes.toString(),
      );
      expect(answers.map(({ headers }) => headers['content-encoding'])).toEqual([
        'br',
        'gzip',
        'gzip',
        undefined,
        undefined,
      ]);
      expect(new Set(texts)).toEqual(new Set([JSON.stringify({ text: 'x'.repeat(50_000) })]));
      expect(body.toJSON).toHaveBeenCalledTimes(1);
    });
  });

  it('says that it is as it was to whoever has it', async () => {
    await answering(counted(50_000), async (get) => {
      const { headers } = await get('br');
      const again = await get('br', headers.etag);
      expect(headers['content-type']).toMatch('application/json');
      expect(headers.vary).toMatch('Accept-Encoding');
      expect(again.status).toBe(304);
    });
  });

  it('is written anew when it is short, and whatever is no object as ever', async () => {
    const short = counted(10);
    await answering(short, async (get) => {
      expect((await get('br')).bytes.toString()).toBe('{"text":"xxxxxxxxxx"}');
      expect((await get('br')).headers['content-encoding']).toBeUndefined();
      expect(short.toJSON).toHaveBeenCalledTimes(2);
    });
    await answering(null, async (get) => expect((await get('br')).bytes.toString()).toBe('null'));
  });
});
