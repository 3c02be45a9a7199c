import type { Doneness } from '../formula/index.js';
import { bake } from './bake.js';
import type { BakeInput } from './input.js';

/**
 * The doneness that a bake of `pullS` seconds comes to, or comes nearest to: what would still be under counts as soft, and
 * whatever is beyond the last window as crisp through. The target of `input` plays no part.
 */
export const targetAfter = (input: BakeInput, pullS: number): Doneness => {
  const { target: _target, pullS: _pull, ...untargeted } = input;
  const { windows } = bake(untargeted);
  const done = windows.filter(
    (window): window is typeof window & { readonly state: Doneness } => window.state !== 'under',
  );
  return (done.find(({ toS }) => pullS < toS) ?? done.at(-1))?.state ?? 'soft-centre';
};
