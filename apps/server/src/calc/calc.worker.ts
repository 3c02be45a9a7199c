import { stepBack } from '../common/step-back.js';
import { outcome, type Outcome } from '../computation/outcome.js';
import { calculate, readyFor } from './calculate.js';

stepBack();

/* The calculations of /api/calc, off the event loop: whatever one costs, the floor does not wait for it. */

export default async ({ name, json }: { name: string; json: unknown }): Promise<Outcome<object>> => {
  await readyFor(name);
  return outcome(() => calculate(name, json));
};
