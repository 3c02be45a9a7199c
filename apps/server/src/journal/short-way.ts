import type { INestApplication } from '@nestjs/common';
import { ServerResponse, type IncomingMessage, type RequestListener, type Server } from 'node:http';
import type { AppendView } from '@jokul/contracts';
import { isOwnHost } from '../common/own-host.js';
import { namedBy } from '../common/request-id.js';
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

type Step = (request: IncomingMessage, response: ServerResponse, next: () => void) => void;

/** The names and values of the headers that a step sets on any answer. */
const headersOf = (request: IncomingMessage, step: Step): readonly string[] => {
  const answer = new ServerResponse(request);
  step(request, answer, () => undefined);
  return answer.getHeaderNames().flatMap((name) => [name, String(answer.getHeader(name))]);
};

/**
 * Opens a short way for the press that everybody waits for: what other requests pass through on their way costs several
 * times the press itself. Whatever is not plainly a sound press, or is refused, is put back as it came and goes the usual way,
 * so that there is one place that says why; an entry that was stored all the same keeps its number.
 * @param secured sets the headers that every answer of this server has
 * @param count counts a request that is answered, which began at a moment by the clock of this process, ms
 */
export const openShortWay = (
  app: INestApplication,
  secured: Step,
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

  // The same in every answer: asked for once.
  let always: readonly string[] | undefined;

  const confirm = (request: IncomingMessage, response: ServerResponse, told: AppendView): void => {
    always ??= headersOf(request, secured);
    const text = JSON.stringify(told);
    // As one list, and the text as text: so they leave together, without being looked at one by one.
    response.writeHead(201, [
      ...namedBy(request),
      ...always,
      'content-type',
      'application/json; charset=utf-8',
      'content-length',
      String(Buffer.byteLength(text)),
    ]);
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
          confirm(request, response, told);
          count(begun, request, response);
        }, asItCame)
        // Whoever sent it may have left: nothing of one press may end the server.
        .catch(() => response.destroy());
    });
  });
};
