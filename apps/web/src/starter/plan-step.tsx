import { plural, t } from '@lingui/core/macro';
import { Link } from 'react-router';
import { DayPicker } from '../line/day-picker';
import { PlanButton, StalePlan } from '../line/plan-bar';
import { useNames } from '../line/actions';
import { useWallClock } from '../lib/clock';
import { useDay, useDayDate } from '../lib/queries';
import { buttonClass } from '../ui/button';
import { Failed, Loading } from '../ui/states';
import { Fact, Facts } from '../line/station';
import { Said } from '../ui/said';

/** The first plan of a day, what it comes to, and where to go from there. */
export const PlanStep = () => {
  const date = useDayDate() ?? '';
  const day = useDay();
  const wall = useWallClock();
  const names = useNames();
  if (day.isLoadingError) return <Failed error={day.error} onRetry={() => void day.refetch()} />;
  if (!day.data) return <Loading what={t`the day`} />;
  const { orders, plan } = day.data;
  const batches = plan?.plan.batches ?? [];
  const loads = batches.flatMap((batch) => batch.loads);
  const starts = batches.flatMap((batch) => batch.tasks.map(({ startS }) => startS));
  const unplaced = plan?.plan.unplaced ?? [];
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <DayPicker date={date} />
        <PlanButton label={plan ? t`Plan again` : t`Plan the day`} />
        {orders.length === 0 && <p className="text-ink-soft">{t`No order for this day yet.`}</p>}
      </div>
      <StalePlan />
      {loads.length > 0 && (
        <>
          <Facts>
            <Fact name={t`Batches`}>{batches.length}</Fact>
            <Fact name={t`Oven loads`}>{loads.length}</Fact>
            <Fact name={t`First work`}>
              {wall.near(Math.min(...starts) * 1000, Math.min(...loads.map(({ startS }) => startS)) * 1000)}
            </Fact>
            <Fact name={t`First load`}>
              {wall.time(Math.min(...loads.map(({ startS }) => startS)) * 1000)}
            </Fact>
            <Fact name={t`All ready`}>
              {wall.time(Math.max(...loads.map(({ readyS }) => readyS)) * 1000)}
            </Fact>
          </Facts>
          <p className="mt-4 flex flex-wrap gap-2">
            <Link to={`/day?day=${date}`} className={buttonClass()}>{t`Look at the day`}</Link>
            <Link to={`/floor?day=${date}`} className={buttonClass()}>{t`What the floor shows`}</Link>
          </p>
        </>
      )}
      {unplaced.length > 0 && (
        <section aria-label={t`What does not fit`} className="mt-4">
          <h3 className="font-semibold">{t`What does not fit, and why`}</h3>
          <ul className="mt-1 space-y-2">
            {unplaced.map(({ batchId, productCode, pieces, reason }) => (
              <li key={batchId} className="border-l-2 border-hand pl-2">
                <strong>{t`${names.product(productCode)}, ${plural(pieces, { one: '# piece', other: '# pieces' })}`}</strong>
                <span className="block text-[13.5px]">
                  <Said>{reason}</Said>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
};
