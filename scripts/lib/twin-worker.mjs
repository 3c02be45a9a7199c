import { parentPort, workerData } from 'node:worker_threads';
import { otherOvenTrial, twinTrial } from '../../packages/core/dist/learning/twin.js';

/* Half of a twin test of the bench: each trial is a hidden oven of its own, by the model or by other equations. */
const trial = workerData.kind === 'other' ? otherOvenTrial : twinTrial;
for (const seed of workerData.seeds) {
  // oxlint-disable-next-line unicorn/require-post-message-target-origin -- a thread, not a window
  parentPort.postMessage(trial(seed));
}
