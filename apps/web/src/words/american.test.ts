import { describe, expect, it } from '@jest/globals';
import { ingredients, matchIngredient } from '@jokul/core';
import { inAmerican } from './american-words';

describe('names of ingredients in American words', () => {
  const renamed = [...ingredients.values()].filter(({ name }) => inAmerican(name) !== name);
  it('are many', () => expect(renamed.length).toBeGreaterThan(8));
  it.each(renamed.map(({ id, name }) => [inAmerican(name), id]))(
    '%s is read as what it is, so that a sheet that is given out can be taken back',
    (name, id) => expect(matchIngredient(name, ingredients)).toEqual({ ids: [id], left: [] }),
  );
});
