import { describe, expect, it } from '@jest/globals';
import { demoEquipment } from '../demo/index.js';
import type { Place } from '../thermal/index.js';
import { placesKept } from './places-kept.js';

const [first] = demoEquipment.places as readonly [Place, ...Place[]];
const learned = { factor: 0.8, sd: 0.1, cores: 3 } as never;
const of = (before: Partial<Place>, given: Partial<Place>) =>
  placesKept([{ ...first, ...before }], [{ ...first, ...given }])[0];

describe('cold places that somebody gives', () => {
  it('keep what was learned of them, and their probe where nothing is said of it', () => {
    expect(of({ learned, probe: false }, {})).toMatchObject({ learned, probe: false });
    expect(of({ probe: true }, {})).toHaveProperty('probe', true);
    expect(of({}, {})).not.toHaveProperty('probe');
  });
  it('get a probe, or lose it, when that is said', () => {
    expect(of({ probe: false }, { probe: true })).toHaveProperty('probe', true);
    expect(of({}, { probe: false })).toHaveProperty('probe', false);
  });
  it('have none where they are new and nothing is said', () => {
    const [fresh] = placesKept([], [first]);
    expect(fresh).toEqual({ ...first, probe: false });
    expect(placesKept([], [{ ...first, probe: true }])[0]).toHaveProperty('probe', true);
  });
});
