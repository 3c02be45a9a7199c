import { BakeRequestInput } from './calc-bake.js';
import { CalibrateRequest } from './calc-calibrate.js';
import { ColdRequest } from './calc-cold.js';
import { DayRequest } from './calc-day.js';
import { ReadRequest } from './calc-read.js';
import { ConvertRequest, ScaleRequest } from './calc-scale.js';
import { TrayRequest, WeighCheckRequest } from './calc-tray.js';

export const calcRequests = {
  convert: ConvertRequest,
  scale: ScaleRequest,
  cold: ColdRequest,
  bake: BakeRequestInput,
  tray: TrayRequest,
  'weigh-check': WeighCheckRequest,
  read: ReadRequest,
  calibrate: CalibrateRequest,
  day: DayRequest,
} as const;

/** `plan` takes the schedule problem itself; it is checked against planSchema. */
export type CalcName = keyof typeof calcRequests | 'plan';
