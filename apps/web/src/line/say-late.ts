import { t } from '@lingui/core/macro';
import type { LateOrder } from '@jokul/core';
import { useWallClock } from '../lib/clock';
import { useNames } from './actions';

/** One late order in a sentence. */
export const useSaysLate = (): ((late: LateOrder) => string) => {
  const names = useNames();
  const wall = useWallClock();
  return ({ order, latePieces, readyS }) => {
    const { pieces, productCode, customer, readyByS } = order;
    const what = t`${latePieces === pieces ? `${pieces}` : t`${latePieces} of ${pieces}`} ${names.product(productCode)} for ${customer}`;
    const due = wall.time(readyByS * 1000);
    return readyS === null
      ? t`${what}, due ${due}: not at all as things stand.`
      : t`${what}: ready ${wall.near(Math.ceil(readyS / 60) * 60_000, readyByS * 1000)}, due ${due}.`;
  };
};
