import { say } from '@jokul/core';
import type { NextFunction, Request, Response } from 'express';
import { existsSync } from 'node:fs';
import { join, normalize } from 'node:path';

/**
 * A bundle that is not there any more is missing, in plain words: a page in its place would be run as a script, and an
 * old tab would never notice that it is old.
 */
export const missingAsset =
  (webRoot: string) =>
  (request: Request, response: Response, next: NextFunction): void => {
    const { path } = request;
    // Bundles have plain names: what needs decoding is none of them.
    if (!/^\/(?:assets\/|sw\.js$)/.test(path) || existsSync(join(webRoot, normalize(path)))) return next();
    response
      .status(404)
      .type('text/plain')
      .send(say`There is no such file in this version. Load the page anew.`);
  };
