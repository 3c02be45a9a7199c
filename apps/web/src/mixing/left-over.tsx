import { plural, t } from '@lingui/core/macro';
import type { IngredientsNeeded } from '@jokul/core';
import { useUnits } from '../lib/units';

/** Less than this of a pack left is nothing to put away, g. */
const worthKeepingG = 5;

/** What is over when it is mixed: the other half of parted eggs, and what a pack keeps; null where nothing is. */
export const useSayLeftOver = () => {
  const { mass } = useUnits();
  return ({ needed, left }: IngredientsNeeded): readonly string[] => [
    ...left.map(({ food, count, massG }) =>
      food.id === 'egg-white'
        ? t`${plural(count, { one: '# egg white', other: '# egg whites' })}, ${mass(massG)}`
        : t`${plural(count, { one: '# egg yolk', other: '# egg yolks' })}, ${mass(massG)}`,
    ),
    ...needed.flatMap(({ food, packs }) =>
      packs && packs.leftG >= worthKeepingG
        ? [t`${mass(packs.leftG)} of ${food.name.toLowerCase()}, of a pack of ${mass(packs.packG)}`]
        : [],
    ),
  ];
};
