import { describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { getMetadataStorage } from 'class-validator';
import * as contracts from './index.js';
import { sayUnsound, unsoundAt } from './sound-input.js';

type Class = new () => object;
const classes = Object.values(contracts as Record<string, unknown>).filter(
  (value): value is Class => typeof value === 'function' && /^class\s/.test(String(value)),
);
/** Where null is an answer of its own: a fault without an end, the usual folder. */
const meant = new Set(['PlaceFaultInput.toMs', 'BackupChoiceInput.folder']);

const optionalOf = (type: Class): readonly string[] => [
  ...new Set(
    getMetadataStorage()
      .getTargetValidationMetadatas(type, '', false, false)
      .filter(({ name }) => name === 'isOptional')
      .map(({ propertyName }) => propertyName),
  ),
];

describe('what may be left out', () => {
  const all = classes.flatMap((type) => optionalOf(type).map((property) => ({ type, property })));
  it('is in many inputs', () => {
    expect(classes.length).toBeGreaterThan(80);
    expect(all.length).toBeGreaterThan(90);
  });
  it('is left out where null is sent, in every one of them', () => {
    const kept = all
      .filter(({ type, property }) => {
        const read = plainToInstance(type, { [property]: null }) as Record<string, unknown>;
        return read[property] !== undefined;
      })
      .map(({ type, property }) => `${type.name}.${property}`);
    expect(new Set(kept)).toEqual(meant);
  });
  it('stays as it is where something is sent', () => {
    const read = plainToInstance(contracts.FormulaLineInput, {
      ingredientId: 'a',
      percent: 1,
      browned: false,
    });
    expect(read.browned).toBe(false);
  });
});

describe('text with half a letter', () => {
  it.each([
    ['in a value', { who: 'a\ud800b' }, 'who'],
    ['in a list deep inside', { a: [{ b: ['x', '\udc00'] }] }, 'a.0.b.1'],
    ['as a name', { 'k\ud83d': 1 }, 'k\ud83d'],
    ['alone', '\ud800', 'text'],
  ])('%s is found', (_, value, path) => {
    expect(unsoundAt(value)).toBe(path);
  });
  it('is none where both halves stand', () => {
    expect(unsoundAt({ text: 'croissant 🥐, é, \u0000' })).toBeNull();
    expect(sayUnsound('who')).toContain('half a letter');
  });
});
