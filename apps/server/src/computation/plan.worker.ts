import { stepBack } from '../common/step-back.js';

stepBack();

/* Heavy computation, run in worker threads by these names: nothing here touches the database. */

export { predict, startC } from './bake-once.js';
export { answers, calibrate, logged } from './learning.worker.js';
export { moveDay, readDay, replanDay } from './change-plan.js';
export { plan } from './plan-day.js';
export { planDays } from './plan-days.js';
