import { say } from '../../shown/index.js';
import type { Formula } from '../formula.js';
import { butterSwaps } from './butter.js';
import { drinkSwaps } from './drinks.js';
import { eggSwaps } from './egg.js';
import { flourSwaps } from './flour.js';
import { inclusionSwaps } from './inclusions.js';
import { leaveningSwaps } from './leavening.js';
import type { Swap } from './lines.js';
import { sugarSwaps } from './sugar.js';

export { blendFlour } from './flour.js';
export { molassesShare } from './sugar.js';
export type { Swap, Swapped } from './lines.js';

/** Swaps that stand together, by what they change. */
export interface SwapGroup {
  readonly name: string;
  readonly swaps: readonly Swap[];
}

/** The swaps that this formula allows, by what they change; groups without any are left out. */
export const swapGroups = (formula: Formula): readonly SwapGroup[] =>
  [
    { name: say`Butter and fat`, swaps: butterSwaps(formula) },
    { name: say`Egg`, swaps: eggSwaps(formula) },
    { name: say`Milk`, swaps: drinkSwaps(formula) },
    { name: say`Sugar, syrup, vanilla`, swaps: sugarSwaps(formula) },
    { name: say`Flour`, swaps: flourSwaps(formula) },
    { name: say`Leavening and cocoa`, swaps: leaveningSwaps(formula) },
    { name: say`Chocolate, nuts, pieces`, swaps: inclusionSwaps(formula) },
  ].filter(({ swaps }) => swaps.length > 0);

export const swapsFor = (formula: Formula): readonly Swap[] =>
  swapGroups(formula).flatMap(({ swaps }) => swaps);
