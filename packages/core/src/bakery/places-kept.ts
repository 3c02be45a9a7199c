import type { Place } from '../thermal/index.js';

/**
 * Cold places as somebody gives them, with what they do not say: what needles taught of one that is there stays with it, and
 * so does its probe. A new one has none until somebody says that it has: nothing is made up for it.
 */
export const placesKept = (before: readonly Place[], given: readonly Place[]): readonly Place[] => {
  const known = new Map(before.map((place) => [place.id, place]));
  return given.map((place) => {
    const was = known.get(place.id);
    const probe = place.probe ?? (was ? was.probe : false);
    return {
      ...place,
      ...(probe !== undefined && { probe }),
      ...(was?.learned && { learned: was.learned }),
    };
  });
};
