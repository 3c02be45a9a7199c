import { t } from '@lingui/core/macro';
import type { Action } from '@jokul/core';
import { useNames, verb } from '../line/actions';
import { countdown, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { amount, isForHands, label, place } from './floor-words';

/** One of the things that come next. */
export const NextRow = ({
  action,
  now,
  onDo,
}: {
  action: Action;
  now: number;
  onDo: (action: Action) => void;
}) => {
  const names = useNames();
  const units = useUnits();
  const wall = useWallClock();
  const hand = isForHands(action, now);
  return (
    <li
      className={`flex items-center gap-3 border-t px-3 py-1.5 first:border-t-0 ${hand ? 'bg-hand-ground' : ''}`}
    >
      <span className="figures w-[4.6rem] shrink-0 text-2xl">{wall.time(action.dueMs)}</span>
      <span className="min-w-0 flex-1">
        <span className="line-clamp-3 text-[19px] leading-tight font-semibold">
          {verb(action)} {names.product(action.productCode)}
        </span>
        <span className="figures block text-[15px] text-ink-soft">
          {amount(action, units)}
          {place(action, names)},{' '}
          {action.dueMs < now
            ? t`${countdown(now - action.dueMs)} late`
            : t`in ${countdown(action.dueMs - now)}`}
        </span>
      </span>
      <Button
        size="floor"
        look={hand ? 'hand' : 'plain'}
        className="!min-h-14 !px-4 !text-xl"
        onClick={() => onDo(action)}
        aria-label={label(action)}
      >
        {action.prepare ? t`Done` : action.load ? verb(action) : t`Go`}
      </Button>
    </li>
  );
};
