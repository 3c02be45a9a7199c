import { outcome, type Outcome } from '../plan/outcome.js';
import { calculate } from './calculate.js';

/* The calculations of /api/calc, off the event loop: whatever one costs, the floor does not wait for it. */

export default ({ name, json }: { name: string; json: unknown }): Outcome<object> =>
  outcome(() => calculate(name, json));
