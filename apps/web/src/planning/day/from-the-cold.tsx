import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import type { BatchPlan } from '@jokul/core';
import { useNames } from '../../line/actions';
import { useMakePlan } from '../../lib/queries';
import { Button } from '../../ui/button';
import { WhySection } from '../../line/station';

/** Dough that the plan takes from the cold before anything is mixed, and lots that it was told to leave there. */
export const FromTheCold = ({
  batches,
  leave,
  date,
}: {
  readonly batches: readonly BatchPlan[];
  readonly leave: readonly string[];
  readonly date: string;
}) => {
  const names = useNames();
  const make = useMakePlan(date);
  const { search } = useLocation();
  const used = batches.filter(({ stock }) => stock);
  if (used.length === 0 && leave.length === 0) return null;
  const lotOf = (batch: BatchPlan) => batch.stock?.from ?? batch.batchId;
  return (
    <WhySection title={t`From the cold first`}>
      <ul className="space-y-2">
        {used.map((batch) => (
          <li key={batch.batchId}>
            <Trans>
              {batch.pieces} {names.product(batch.productCode)} of{' '}
              <Link className="whitespace-nowrap underline" to={`/rest/${lotOf(batch)}${search}`}>
                {lotOf(batch)}
              </Link>
            </Trans>
            <div className="mt-1">
              <Button
                size="small"
                disabled={make.isPending}
                onClick={() => make.mutate({ leave: [...leave, lotOf(batch)] })}
              >{t`Mix new dough instead`}</Button>
            </div>
          </li>
        ))}
        {leave.map((lot) => (
          <li key={lot}>
            {t`${lot} is left where it is.`}
            <div className="mt-1">
              <Button
                size="small"
                disabled={make.isPending}
                onClick={() => make.mutate({ leave: leave.filter((other) => other !== lot) })}
              >{t`Use it after all`}</Button>
            </div>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-ink-soft">{t`What lies in the cold and is still good is used before anything is mixed; what goes off first goes first.`}</p>
    </WhySection>
  );
};
