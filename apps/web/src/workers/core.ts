import { t } from '@lingui/core/macro';
import { wrap, type Remote } from 'comlink';
import { ingredients, isShipped } from '@jokul/core';
import type { CoreApi } from './core.worker';
import { failing } from './failing';

export interface CoreWorker {
  readonly api: Remote<CoreApi>;
  readonly stop: () => void;
}

/** Tells a worker the bakery's own ingredients; messages arrive in order, so before anything is asked of it. */
const tellOwn = (api: Remote<CoreApi>): void =>
  void api.takeIn([...ingredients.values()].filter(({ id }) => !isShipped(id))).catch(() => undefined);

/** A worker of its own, for long work that can be stopped. Its calls fail when it breaks or is stopped. */
export const startCore = (): CoreWorker => {
  const worker = new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' });
  const { api, fail } = failing(wrap<CoreApi>(worker));
  const broken = () => {
    worker.terminate();
    if (shared?.api === api) shared = undefined;
    fail(new Error(t`The computation broke off. Try again.`));
  };
  worker.addEventListener('error', broken);
  worker.addEventListener('messageerror', broken);
  tellOwn(api);
  return {
    api,
    stop: () => {
      worker.terminate();
      fail(new Error(t`The computation was stopped.`));
    },
  };
};

let shared: CoreWorker | undefined;

/** The worker that the pages share, started when it is first needed, and anew after one that broke. */
export const core = (): Remote<CoreApi> => (shared ??= startCore()).api;

/** The bakery's own ingredients changed: a worker that runs already is told. */
export const ownChanged = (): void => {
  if (shared) tellOwn(shared.api);
};
