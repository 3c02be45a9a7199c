import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

const header = 'X-Request-Id';
const sound = /^[\w-]{1,64}$/;

/** The name under which a request stands in the log. */
export const requestIdOf = (response: ServerResponse): string => String(response.getHeader(header) ?? '');

/** Gives each request a name, or keeps that which whoever asks gave it, and tells it back. */
export const nameRequest = (request: IncomingMessage, response: ServerResponse, next: () => void): void => {
  const given = String(request.headers[header.toLowerCase()] ?? '');
  response.setHeader(header, sound.test(given) ? given : randomUUID());
  next();
};
