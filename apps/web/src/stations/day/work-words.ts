import type { PlannedWork } from '@jokul/core';
import { preparationWords } from '../../app/preparation-words';

/** What is done, as a person says it; the product follows. */
const verbs: Readonly<Record<string, string>> = {
  ...preparationWords,
  mix: 'Mix',
  portion: 'Portion',
  temper: 'Out of the cold:',
  load: 'Load',
  bake: 'Bake',
  turn: 'Turn',
  pull: 'Pull',
  flatten: 'Press flat',
  ice: 'Ice',
  pack: 'Pack',
};

export const workVerb = ({ kind }: Pick<PlannedWork, 'kind'>): string => verbs[kind] ?? kind;
