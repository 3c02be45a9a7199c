import { wrap, type Remote } from 'comlink';
import type { CoreApi } from './core.worker';

let remote: Remote<CoreApi> | undefined;

/** The worker, started when it is first needed. */
export const core = (): Remote<CoreApi> =>
  (remote ??= wrap<CoreApi>(new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' })));
