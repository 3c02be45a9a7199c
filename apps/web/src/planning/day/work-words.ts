import { t } from '@lingui/core/macro';
import type { PlannedWork } from '@jokul/core';
import { preparationWords } from '../../line/preparation-words';

/** What is done, as a person says it; the product follows. */
const verbs: Readonly<Record<string, string>> = {
  ...preparationWords,
  mix: t`Mix`,
  portion: t`Portion`,
  temper: t`Out of the cold:`,
  load: t`Load`,
  bake: t`Bake`,
  turn: t`Turn`,
  pull: t`Pull`,
  flatten: t`Press flat`,
  ice: t`Ice`,
  pack: t`Pack`,
};

export const workVerb = ({ kind }: Pick<PlannedWork, 'kind'>): string => verbs[kind] ?? kind;
