import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import { leftOut, sayDuration } from '@jokul/core';
import { useJournal } from '../journal/store';
import { useNow } from '../lib/clock';
import { buttonClass } from '../ui/button';
import { Alarm } from '../ui/states';
import { useLots } from '../line/lots';

/** Dough that stands out of the cold past its limit, said wherever one is. */
export const LeftOutWatch = () => {
  const lots = useLots();
  const floor = useJournal((s) => s.floor);
  const now = useNow(20_000);
  const { search } = useLocation();
  if (!lots) return null;
  const [first, ...others] = leftOut(floor.lots.values(), lots.ageRulesOf, now);
  if (!first) return null;
  return (
    <div className="no-print px-4 pt-3">
      <Alarm
        action={
          <Link
            to={`/rest/${first.lot}${search}`}
            className={buttonClass('plain', 'small')}
          >{t`Look at it`}</Link>
        }
      >
        <Trans>
          <strong className="font-semibold">
            {lots.formulaOf(first.lot)?.name ?? first.lot} has been out of the cold for{' '}
            {sayDuration(first.ageS)}.
          </strong>{' '}
          The limit is {sayDuration(first.limitS)}: the head baker decides whether it is baked; otherwise
          throw it away.
          {others.length > 0 &&
            t` ${others.length} more ${plural(others.length, { one: 'lot', other: 'lots' })} like it.`}
        </Trans>
      </Alarm>
    </div>
  );
};
