import { describe, expect, it } from '@jest/globals';
import { readRecipe } from '@jokul/core';
import { readWeights } from './read-weights';

const settings = { measures: 'metric', schools: {}, eggSize: 'large' } as const;
const weights = (...lines: readonly string[]) =>
  readWeights(readRecipe(lines.join('\n'), settings).filter(({ state }) => state === 'read'));

describe('what a recipe that is read weighs', () => {
  it('is all that is eaten, and the dough alone', () => {
    expect(
      weights(
        '250 g flour',
        '125 g butter, of which 25 g for greasing',
        '150 g sugar, of which 50 g for rolling',
      ),
    ).toEqual({ totalG: 500, doughG: 450 });
  });
  it('leaves out what is still asked about', () => {
    expect(weights('250 g flour', '100 g unicorn glitter')).toEqual({ totalG: 250, doughG: 250 });
    expect(weights()).toEqual({ totalG: 0, doughG: 0 });
  });
});
