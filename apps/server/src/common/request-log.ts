import { Logger } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { requestIdOf } from './request-id.js';

/** A request that takes longer is told as slow, ms. */
const slowMs = 1000;

/** What comes so often that it would hide the rest: presses, what devices say of themselves, figures that are asked for. */
const often = /^\/api\/(?:journal|tablets|calc\/)/;

const reads = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Where it went, without what was asked there. */
export const pathOf = ({ originalUrl }: Request): string => originalUrl.split('?', 1)[0] ?? '';

/** What a person who reads the log looks for; null for what went as it always does. */
const whatOf = (request: Request, response: Response, ms: number): string | null => {
  if (response.statusCode >= 400) return 'refused';
  // A stream ends when its screen goes.
  if (String(response.getHeader('content-type')).startsWith('text/event-stream')) return null;
  // A page that is left gives up what it asked for: only what had taken long says something.
  if (ms >= slowMs) return response.writableFinished ? 'slow' : 'left';
  const isPlain = !response.writableFinished || reads.has(request.method) || often.test(pathOf(request));
  return isPlain ? null : 'changed';
};

/**
 * Writes down each request that was refused, was slow, was left after long or changed something, under its name: enough to find out
 * what became of it, and nothing of who sent it or what it carried.
 */
export const logRequests = (logger = new Logger('Request')) => {
  const say = (request: Request, response: Response, begun: number): void => {
    const ms = Math.round(performance.now() - begun);
    const message = whatOf(request, response, ms);
    if (message === null) return;
    const { code } = response.locals as { code?: string };
    const { statusCode: status } = response;
    const { method, path: url } = request;
    const line = {
      message,
      requestId: requestIdOf(response),
      method,
      url,
      status,
      ms,
      ...(code && { code }),
    };
    if (status >= 500) logger.warn(line);
    else logger.log(line);
  };
  return (request: Request, response: Response, next: NextFunction): void => {
    const begun = performance.now();
    response.once('close', () => say(request, response, begun));
    next();
  };
};
