import { parentPort, workerData } from 'node:worker_threads';
import { twinTrial } from '../../packages/core/dist/bake/calibration/twin.js';

/* Half of the twin test of the bench: each trial is a hidden oven of its own. */
for (const seed of workerData.seeds) {
  // oxlint-disable-next-line unicorn/require-post-message-target-origin -- a thread, not a window
  parentPort.postMessage(twinTrial(seed));
}
