import { describe, expect, it } from '@jest/globals';
import type { ValidationError } from 'class-validator';
import { firstTrouble } from './first-trouble.js';

const of = (property: string, constraints: Record<string, string>, children: ValidationError[] = []) =>
  ({ property, constraints, children }) as ValidationError;

describe('what is wrong in an input', () => {
  it.each<[ValidationError[], string, string]>([
    [
      [of('amount', { isNumber: 'amount must be a number conforming to the specified constraints' })],
      'amount must be a number.',
      'amount',
    ],
    [
      [of('pieces', { max: 'That is too many.', isInt: 'Pieces must be a whole number.' })],
      'Pieces must be a whole number.',
      'pieces',
    ],
    [
      [of('code', { isString: 'code must be a string', matches: 'Choose a product.' })],
      'Choose a product.',
      'code',
    ],
    [
      [of('kind', { isIn: 'kind must be one of the following values: a, b' })],
      'kind must be one of a, b.',
      'kind',
    ],
    [
      [of('html', { whitelistValidation: 'property html should not exist' })],
      '"html" is not known here.',
      'html',
    ],
    [
      [of('lines', {}, [of('1', {}, [of('pieces', { min: 'At least one piece.' })])])],
      'At least one piece.',
      'lines.1.pieces',
    ],
  ])('%#: is said first, with where it is', (errors, message, path) =>
    expect(firstTrouble(errors)).toEqual({ message, path }),
  );
  it('is nothing where nothing is', () => expect(firstTrouble([of('a', {})])).toBeNull());
});
