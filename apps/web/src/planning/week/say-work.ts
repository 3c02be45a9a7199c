import { plural, t } from '@lingui/core/macro';
import type { WeekWork } from '@jokul/contracts';
import { useNames } from '../../line/actions';
import { useWallClock } from '../../lib/clock';

const doing = { mix: t`mixed`, portion: t`portioned`, bake: t`in the oven` } as const;

/** What a mixer, the bench or an oven is busy with, in words. */
export const useSayWork = (): ((work: WeekWork) => string) => {
  const wall = useWallClock();
  const names = useNames();
  return ({ kind, productCode, pieces, startS, endS }) =>
    t`${names.product(productCode)}, ${plural(pieces, { one: '# piece', other: '# pieces' })}, ${doing[kind]} ${wall.time(startS * 1000)} to ${wall.time(endS * 1000)}`;
};
