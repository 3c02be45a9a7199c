import { describe, expect, it, jest } from '@jest/globals';
import type { Resolver, ResolverResult } from 'react-hook-form';
import { checkLater } from './check-later';

interface Line {
  readonly pieces: number;
}
type Found = ResolverResult<Line>;
const options = { fields: {}, shouldUseNativeValidation: false };

describe('a check that is brought in later', () => {
  it('is not there until the form is sent, and then answers as the check itself', async () => {
    const check: Resolver<Line> = (values): Found =>
      values.pieces > 0
        ? { values, errors: {} }
        : { values: {}, errors: { pieces: { type: 'min', message: 'At least one piece.' } } };
    const load = jest.fn(() => Promise.resolve(check));
    const resolver = checkLater(load);
    expect(load).not.toHaveBeenCalled();
    expect(await resolver({ pieces: 3 }, undefined, options)).toEqual({ values: { pieces: 3 }, errors: {} });
    expect(await resolver({ pieces: 0 }, undefined, options)).toMatchObject({
      errors: { pieces: { message: 'At least one piece.' } },
    });
  });
  it('passes on that it could not be brought, so that what was typed stays and the press is not taken for done', async () => {
    const resolver = checkLater<Line>(() => Promise.reject(new Error('gone')));
    await expect(resolver({ pieces: 3 }, undefined, options)).rejects.toThrow('gone');
  });
});
