import { t } from '@lingui/core/macro';
import { wrap, type Remote } from 'comlink';
import type { CoreApi } from './core.worker';
import { spokenHere } from '../words/language';
import { failing } from './failing';

export interface CoreWorker {
  readonly api: Remote<CoreApi>;
  readonly stop: () => void;
}

/** A worker of its own, for long work that can be stopped. Its calls fail when it breaks or is stopped. */
export const startCore = (): CoreWorker => {
  const worker = new Worker(new URL('./core.worker.ts', import.meta.url), {
    type: 'module',
    name: spokenHere(),
  });
  const { api, fail } = failing(wrap<CoreApi>(worker));
  const broken = () => {
    worker.terminate();
    if (shared?.api === api) shared = undefined;
    fail(new Error(t`The computation broke off. Try again.`));
  };
  worker.addEventListener('error', broken);
  worker.addEventListener('messageerror', broken);
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
