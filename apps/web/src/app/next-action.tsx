import { t } from '@lingui/core/macro';
import { mostUrgent, urgencyOf } from '@jokul/core';
import { Link, useLocation } from 'react-router';
import { countdown, useNow, useWallClock } from '../lib/clock';
import { pathOf, useActions, useNames, verb } from '../line/actions';

/** The one most urgent thing, wherever one is. */
export const NextAction = () => {
  const actions = useActions();
  const now = useNow();
  const action = mostUrgent(actions, now);
  const names = useNames();
  const wall = useWallClock();
  const { search } = useLocation();
  if (!action) return null;
  const urgency = urgencyOf(action, now);
  const hand = urgency === 'late' || urgency === 'now';
  const where = action.ovenId ? ` · ${names.oven(action.ovenId)}` : '';
  return (
    <Link
      to={{ pathname: pathOf(action), search }}
      title={t`What is due next ( n )`}
      className={`inline-flex max-w-full items-baseline thumb pointer-coarse:items-center gap-2 rounded-md border px-2.5 py-1 ${hand ? 'border-hand bg-hand-ground' : 'border-line hover:border-line-strong'}`}
    >
      <span className="text-[12.5px] text-ink-faint max-[1100px]:sr-only">{t`Next`}</span>
      <span className="truncate">
        <strong className="font-semibold">{verb(action)}</strong> {names.product(action.productCode)}
        {where}
      </span>
      <span className="figures shrink-0 text-[13px] text-ink-soft">
        {wall.time(action.dueMs)} ({countdown(action.dueMs - now)})
      </span>
    </Link>
  );
};
