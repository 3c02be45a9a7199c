import { say } from '@jokul/core';
import type { IncomingHttpHeaders } from 'node:http';
import type { NextFunction, Request, Response } from 'express';

/** A browser may be tricked into calling 127.0.0.1 under a foreign name; only our own names are answered. */
const own = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

export const isOwnHost = ({ origin, host }: IncomingHttpHeaders): boolean =>
  own.test(host ?? '') &&
  // A page of another port of this machine is another program's.
  (origin === undefined || origin.replace(/^https?:\/\//, '') === host);

export const ownHostOnly = (request: Request, response: Response, next: NextFunction): void => {
  if (!isOwnHost(request.headers)) {
    const message = say`Jokul answers on this machine only. Open it as http://127.0.0.1.`;
    response
      .status(403)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: 'about:blank',
          title: 'foreign-host',
          status: 403,
          code: 'foreign-host',
          message,
          path: '',
        }),
      );
    return;
  }
  next();
};
