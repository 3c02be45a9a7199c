import { describe, expect, it } from '@jest/globals';
import { bake, stateAfterPull } from './bake.js';
import type { BakeState } from './doneness.js';
import { bakeInput, type BakeRequest } from './input.js';
import { usual } from './usual.testkit.js';

const order: readonly BakeState[] = ['under', 'soft-centre', 'chewy', 'crisp-edge', 'crisp-through'];

/** The pull at which a state ends, by halving: every trial a whole bake with its carryover, s. */
const endOf = (request: BakeRequest, state: BakeState, near: number): number => {
  const input = bakeInput(request);
  let [low, high] = [Math.max(10, near - 60), near + 60];
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (order.indexOf(stateAfterPull(input, middle)) > order.indexOf(state)) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
};

describe('where one state ends and the next begins', () => {
  it.each<[string, Partial<BakeRequest>]>([
    ['the usual piece', {}],
    ['a small one with a fan', { massG: 18, fan: true, setC: 185 }],
    ['a large frozen one', { massG: 80, start: -18 }],
    ['a warm puck', { shape: 'puck', start: 15, massG: 45 }],
    ['a mound in a hot oven', { shape: 'mound', setC: 205 }],
  ])('agrees with an exact search within 3 s: %s', (_, change) => {
    const request = { ...usual, ...change };
    for (const { state, toS } of bake(bakeInput(request)).windows.slice(0, 3))
      expect([state, Math.abs(endOf(request, state, toS) - toS) < 3]).toEqual([state, true]);
  });
});
