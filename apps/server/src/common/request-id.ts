import { randomUUID } from 'node:crypto';
import type { NextFunction, Request, Response } from 'express';

const header = 'X-Request-Id';
const sound = /^[\w-]{1,64}$/;

/** The name under which a request stands in the log. */
export const requestIdOf = (response: Response): string => String(response.getHeader(header) ?? '');

/** Gives each request a name, or keeps that which whoever asks gave it, and tells it back. */
export const nameRequest = (request: Request, response: Response, next: NextFunction): void => {
  const given = request.get(header) ?? '';
  response.setHeader(header, sound.test(given) ? given : randomUUID());
  next();
};
