import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import { JokulError, say } from '@jokul/core';
import type { ProblemView } from '@jokul/contracts';
import type { Request, Response } from 'express';
import { BrokenDatabase, brokenBy, codeOfBroken, sayBroken } from './broken-database.js';
import { LastTrouble } from './last-trouble.js';
import { requestIdOf } from './request-id.js';
import { pathOf } from './request-log.js';

interface Told {
  readonly status: number;
  readonly code: string;
  readonly message: string;
  readonly path: string;
}

/** Codes by which the database driver says that nobody answers. */
const awayCodes = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOTFOUND',
  'ETIMEDOUT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'POOL_CLOSED',
]);
/** Whether it only says that the database does not answer. */
export const isAway = (error: unknown): boolean => {
  if (typeof error !== 'object' || error === null) return false;
  if ('code' in error && typeof error.code === 'string' && awayCodes.has(error.code)) return true;
  if (
    error instanceof Error &&
    /Can't add new command when connection is in closed state/.test(error.message)
  )
    return true;
  return 'driverError' in error && error.driverError !== error && isAway(error.driverError);
};

const tooLarge = say`That is too much at once; send it in parts.`;
const conflictCodes = new Set(['changed-meanwhile', 'other-ledger', 'formula-changed', 'formula-exists']);

const sentence = (body: string | object, fallback: string): { message: string; path: string } => {
  if (typeof body === 'string') return { message: body, path: '' };
  const messages = 'message' in body ? body.message : undefined;
  const message = Array.isArray(messages)
    ? messages.join(' ')
    : typeof messages === 'string'
      ? messages
      : fallback;
  return { message, path: 'path' in body && typeof body.path === 'string' ? body.path : '' };
};

const tell = (error: unknown, log: (error: unknown) => void): Told => {
  if (error instanceof JokulError) {
    const status = conflictCodes.has(error.code) ? 409 : error.code.startsWith('unknown-') ? 404 : 422;
    return { status, code: error.code, message: error.message, path: error.path };
  }
  if (error instanceof HttpException) {
    const status = error.getStatus();
    const { message, path } = sentence(error.getResponse(), error.message);
    if (status === 413) return { status, code: 'too-large', message: tooLarge, path: '' };
    if (status === 503) return { status, code: 'busy', message, path };
    return { status, code: status === 404 ? 'not-found' : 'bad-request', message, path };
  }
  if (isAway(error)) {
    return {
      status: 503,
      code: 'database-away',
      message: say`The database does not answer just now. What you entered is kept on this device; try again in a moment.`,
      path: '',
    };
  }
  const broken = brokenBy(error);
  if (broken) {
    // What was found out by asking is written down where it was met first.
    if (!(error instanceof BrokenDatabase)) log(error);
    return { status: 503, code: codeOfBroken(broken), message: sayBroken(broken), path: '' };
  }
  const { status } =
    typeof error === 'object' && error !== null && 'status' in error ? error : { status: 500 };
  if (typeof status === 'number' && status >= 400 && status < 500) {
    return { status, code: 'bad-request', message: say`This request cannot be read.`, path: '' };
  }
  // The stack goes to the log, never into an answer.
  log(error);
  return {
    status: 500,
    code: 'fault',
    message: say`Something in Jokul failed. Nothing was changed; the log of the server has the details.`,
    path: '',
  };
};

/** Every error leaves as application/problem+json: a code for programs and a sentence for the baker. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('Problem');

  constructor(private readonly trouble: LastTrouble) {}

  catch(error: unknown, host: ArgumentsHost): void {
    // Whoever asked has left: there is nobody to answer, and nothing went wrong.
    if (error instanceof Error && error.name === 'AbortError') {
      host.switchToHttp().getResponse<Response>().end();
      return;
    }
    const response = host.switchToHttp().getResponse<Response>();
    const requestId = requestIdOf(response);
    const broken = error instanceof BrokenDatabase ? null : brokenBy(error);
    if (broken) this.trouble.note(broken);
    const request = host.switchToHttp().getRequest<Request>();
    const { status, code, message, path } = tell(error, (fault) =>
      this.logger.error({
        message: fault instanceof Error ? (fault.stack ?? fault.message) : String(fault),
        requestId,
        method: request.method,
        url: pathOf(request),
      }),
    );
    response.locals.code = code;
    if (response.headersSent) {
      response.end();
      return;
    }
    // Whoever is told that it does not go now is told when to try again, too.
    if (status === 503) response.setHeader('Retry-After', '3');
    const body: ProblemView = {
      type: 'about:blank',
      title: code,
      status,
      code,
      message,
      path,
      ...(requestId && { requestId }),
    };
    response.status(status).type('application/problem+json').send(JSON.stringify(body));
  }
}
