import { t } from '@lingui/core/macro';
import type { ClockView } from '@jokul/contracts';
import { sayDuration } from '@jokul/core';
import { deviceAheadMs, useNow } from '../lib/now';

/** A difference that nobody need know of, ms: two clocks are never quite alike. */
const leastMs = 90_000;

/**
 * Says that the clock of this device is off. Nothing goes by it, but whoever looks from one to the other should know which
 * counts. A demo clock is off by its nature.
 */
export const DeviceClock = ({ mode }: { mode: ClockView['mode'] }) => {
  useNow(10_000);
  const aheadMs = deviceAheadMs();
  if (mode !== 'real' || Math.abs(aheadMs) < leastMs) return null;
  const off = sayDuration(60 * Math.round(Math.abs(aheadMs) / 60_000));
  return (
    <span
      className="text-[12.5px] text-hand"
      title={t`What is entered here goes by the bakery’s clock, as shown. Set the clock of this device right.`}
    >
      {aheadMs > 0 ? t`this device is ${off} fast` : t`this device is ${off} slow`}
    </span>
  );
};
