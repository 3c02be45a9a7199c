import type { INestApplication } from '@nestjs/common';
import type { IncomingMessage, RequestListener, Server, ServerResponse } from 'node:http';
import type { AppendView } from '@jokul/contracts';
import { isOwnHost } from '../common/own-host.js';
import { nameRequest } from '../common/request-id.js';
import { JournalService } from './journal.service.js';
import { draftOf } from './payload-check.js';
import { plainlySound } from './plainly-sound.js';

/** A press is a few hundred bytes; what is longer goes the usual way, bytes. */
const mostBytes = 16_384;

const couldBe = ({ method, url, headers }: IncomingMessage): boolean =>
  method === 'POST' &&
  url === '/api/journal' &&
  headers['content-type'] === 'application/json' &&
  headers['content-encoding'] === undefined &&
  Number(headers['content-length']) <= mostBytes &&
  isOwnHost(headers);

const goOn = () => undefined;

/**
 * Opens a short way for the press that everybody waits for: what other requests pass through on their way costs several
 * times the press itself. Whatever is not plainly a sound press, or is refused, is put back as it came and goes the usual way,
 * so that there is one place that says why; an entry that was stored all the same keeps its number.
 * @param secured sets the headers that every answer of this server has
 * @param count counts a request that began at a moment by the clock of this process, ms
 */
export const openShortWay = (
  app: INestApplication,
  secured: (request: IncomingMessage, response: ServerResponse, next: () => void) => void,
  count: (begun: number, request: IncomingMessage, response: ServerResponse) => void,
): void => {
  const server = app.getHttpServer() as Server;
  const [usual] = server.listeners('request') as [RequestListener];
  const journal = app.get(JournalService);
  const isSound = plainlySound();

  const answer = async (text: string): Promise<AppendView> => {
    const body: unknown = JSON.parse(text);
    if (!isSound(body, text)) throw new Error('left to the usual way');
    return journal.append(body.entries.map(draftOf), body.ledger);
  };

  const confirm = (request: IncomingMessage, response: ServerResponse, told: AppendView): void => {
    nameRequest(request, response, goOn);
    secured(request, response, goOn);
    const text = Buffer.from(JSON.stringify(told));
    response.writeHead(201, {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Length': text.length,
    });
    response.end(text);
  };

  server.off('request', usual).on('request', (request: IncomingMessage, response: ServerResponse) => {
    if (!couldBe(request)) return usual(request, response);
    const begun = performance.now();
    request.once('readable', () => {
      const bytes = request.read() as Buffer | null;
      const asItCame = () => {
        if (bytes) request.unshift(bytes);
        usual(request, response);
      };
      // It came in parts.
      if (bytes?.length !== Number(request.headers['content-length'])) return asItCame();
      Promise.resolve(bytes)
        .then((read) => answer(read.toString('utf8')))
        .then((told) => {
          request.resume();
          count(begun, request, response);
          confirm(request, response, told);
        }, asItCame)
        // Whoever sent it may have left: nothing of one press may end the server.
        .catch(() => response.destroy());
    });
  });
};
