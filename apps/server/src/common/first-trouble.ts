import { say } from '@jokul/core';
import type { ValidationError } from 'class-validator';

export interface Trouble {
  readonly message: string;
  /** Where in the input, "lines.0.pieces". */
  readonly path: string;
}

/** The words of the checks, as a person would say them. */
const plainly = (message: string): string =>
  message
    .replace(' conforming to the specified constraints', '')
    .replace('must be one of the following values:', 'must be one of')
    .replace(/^each value in (\S+) /, 'each of $1 ')
    .replace(/\.*$/, '.');

/**
 * Of several complaints about one field: words of our own before those of the check, and that it is no number before how
 * large it may be.
 */
const worthSaying = ({ constraints = {}, property }: ValidationError): readonly [string?, string?] => {
  const rank = ([name, message]: readonly [string, string]) =>
    (message.startsWith(property) || message.startsWith('each value') ? 2 : 0) +
    (name.startsWith('is') ? 0 : 1);
  return Object.entries(constraints).sort((a, b) => rank(a) - rank(b))[0] ?? [];
};

/** The first thing that is wrong in an input, with the path to it; null where nothing is. */
export const firstTrouble = (errors: readonly ValidationError[], path = ''): Trouble | null => {
  for (const error of errors) {
    const here = path ? `${path}.${error.property}` : error.property;
    const [code, message] = worthSaying(error);
    if (message)
      return {
        message: code === 'whitelistValidation' ? say`"${here}" is not known here.` : plainly(message),
        path: here,
      };
    const inner = firstTrouble(error.children ?? [], here);
    if (inner) return inner;
  }
  return null;
};
