import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

const header = 'X-Request-Id';
const sound = /^[\w-]{1,64}$/;

/** The name under which a request stands in the log. */
export const requestIdOf = (response: ServerResponse): string => String(response.getHeader(header) ?? '');

/** The header that names a request: by the name that whoever asks gave it, or by one of its own. */
export const namedBy = ({ headers }: IncomingMessage): readonly [string, string] => {
  const given = String(headers[header.toLowerCase()] ?? '');
  return [header, sound.test(given) ? given : randomUUID()];
};

/** Gives each request a name, and tells it back. */
export const nameRequest = (request: IncomingMessage, response: ServerResponse, next: () => void): void => {
  response.setHeader(...namedBy(request));
  next();
};
