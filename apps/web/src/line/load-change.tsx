import { plural, t } from '@lingui/core/macro';
import type { LoadChange } from '@jokul/core';
import { useWallClock } from '../lib/clock';
import { useNames } from './actions';

/** What changes for one load, as people at the ovens say it. */
export const LoadChangeRow = ({ change }: { change: LoadChange }) => {
  const names = useNames();
  const wall = useWallClock();
  const { from, to, loadId, productCode, pieces } = change;
  const at = (s: number) => wall.time(s * 1000);
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-t py-1.5 first:border-t-0">
      <span className="min-w-0 flex-1 basis-48">
        <span className="font-semibold">{names.product(productCode)}</span>{' '}
        <span className="text-[13px] text-ink-faint">{t`${loadId}, ${plural(pieces, { one: '# piece', other: '# pieces' })}`}</span>
      </span>
      <span className="figures">
        {from && <span className="text-ink-soft">{at(from.startS)}</span>}
        {from && to && ' → '}
        {to ? <strong className="font-semibold">{at(to.startS)}</strong> : t` not baked`}
        {to && from?.ovenId !== to.ovenId && (
          <>
            , <strong className="font-semibold">{names.oven(to.ovenId)}</strong>
            {from && <span className="text-ink-soft"> {t`instead of ${names.oven(from.ovenId)}`}</span>}
          </>
        )}
      </span>
    </li>
  );
};
