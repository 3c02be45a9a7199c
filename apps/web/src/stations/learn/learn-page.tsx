import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import { Undo2 } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import { useNames } from '../../app/actions';
import { nowMs, useWallClock } from '../../lib/clock';
import { useCalibration, useCalibrationChoices, useCalibrationStep, useDayDate } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { WhyPane, Cautions, Fact, Facts, WhySection } from '../../ui/station';
import { Alarm, Empty, Failed, Loading } from '../../ui/states';
import { LearnedTable } from './learned-table';
import { LoggedTable } from './logged-table';
import { PullChanges } from './pull-changes';

/** What the bakery's own bakes say of its ovens and doughs, what that changes, and the way back. */
export const LearnPage = () => {
  const date = useDayDate();
  const query = useCalibration(date);
  const use = useCalibrationStep(date ?? '', 'use');
  const undo = useCalibrationStep(date ?? '', 'undo');
  const choose = useCalibrationChoices(date ?? '');
  const names = useNames();
  const wall = useWallClock();
  const { duration } = useUnits();
  const { search } = useLocation();
  const title = <h1 className="text-[22px] leading-tight font-semibold">{t`What your bakes show`}</h1>;
  if (!query.data)
    return (
      <section className="px-5 py-4">
        {title}
        {query.isError ? (
          <Failed error={query.error} onRetry={() => void query.refetch()} />
        ) : (
          <Loading what={t`what the logged bakes say; the first time takes some seconds`} />
        )}
      </section>
    );
  const view = query.data;
  // Not while it is only looked at anew: a press in that moment would be lost. What is old is told by its version.
  const busy = use.isPending || undo.isPending || choose.isPending;
  const leftOut = view.bakes.filter((bake) => bake.leftOut).map(({ id }) => id);
  const held = view.learned.filter((row) => row.held).map(({ key }) => key);
  const toggle = (list: readonly string[], item: string, on: boolean) =>
    on ? [...list, item] : list.filter((known) => known !== item);
  const counted = view.bakes.length - leftOut.length;
  const outliers = view.bakes.filter((bake) => !bake.leftOut && bake.figures.some(({ outlier }) => outlier));
  const [first] = view.next;
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_276px] max-[1000px]:grid-cols-1">
      <section aria-label={t`What your bakes show`} className="min-h-0 overflow-y-auto px-5 py-4">
        <header className="mb-3 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
          <div>
            {title}
            <p className="text-ink-soft">
              {t`${counted} measured ${plural(counted, { one: 'bake', other: 'bakes' })} of the last five weeks: how do these ovens and doughs differ from the model?`}
            </p>
          </div>
          <div className="flex flex-wrap gap-2">
            <Button
              icon={<Undo2 size={16} />}
              disabled={busy || view.undoable === 0}
              onClick={() => undo.mutate(view.version)}
            >{t`Undo`}</Button>
            <Button look="primary" disabled={busy || counted === 0} onClick={() => use.mutate(view.version)}>
              {use.isPending ? t`Timing the loads …` : t`Use these settings`}
            </Button>
          </div>
        </header>
        {outliers.length > 0 && (
          <Alarm>
            {t`${plural(outliers.length, { one: 'One bake has', other: '# bakes have' })} a figure far from what all others say: ${outliers
              .slice(0, 4)
              .map(({ trayId }) => trayId)
              .join(', ')}. It counts little. Look at the entry; leave the bake out if it is wrong.`}
          </Alarm>
        )}
        {view.bakes.length === 0 ? (
          <Empty
            title={t`No bake was measured yet`}
          >{t`Measure a tray on the Log page, or bake a few pieces as a test on the Bake page: one bake already helps.`}</Empty>
        ) : (
          <>
            <h2 className="mb-1 text-lg font-semibold">{t`What it changes`}</h2>
            <PullChanges view={view} />
            <h2 className="mt-5 mb-1 text-lg font-semibold">{t`What was learned`}</h2>
            <LearnedTable
              view={view}
              busy={busy}
              onHold={(key, hold) =>
                choose.mutate({ leftOut, held: toggle(held, key, hold), version: view.version })
              }
            />
            <p className="mt-1 text-[12.5px] text-ink-faint">{t`Dashed: assumed before any bake. Black: by the log. Coloured mark: in use.`}</p>
            <h2 className="mt-5 mb-1 text-lg font-semibold">{t`From these bakes`}</h2>
            <p className="mb-1 text-[12.5px] text-ink-faint">{t`Measured, and in brackets what the model says with everything learned.`}</p>
            <LoggedTable
              view={view}
              busy={busy}
              onLeaveOut={(id, leave) =>
                choose.mutate({ leftOut: toggle(leftOut, id, leave), held, version: view.version })
              }
            />
          </>
        )}
      </section>
      <WhyPane>
        <WhySection title={t`In use`}>
          <Facts>
            <Fact name={t`learned from`}>
              {view.inForce ? t`${view.inForce.bakes} bakes` : t`nothing yet`}
            </Fact>
            {view.inForce && <Fact name={t`looked at`}>{wall.near(view.inForce.atMs, nowMs())}</Fact>}
            <Fact name={t`steps that can be undone`}>{view.undoable}</Fact>
          </Facts>
        </WhySection>
        <WhySection title={t`The bake to measure next`}>
          {first ? (
            <>
              <p>
                <Trans>
                  <strong className="font-semibold">{names.product(first.code)}</strong> in{' '}
                  {names.oven(first.ovenId)}: measured whole, it makes the pulls of the trays to come surer by
                  ±{'\u00a0'}
                  {duration(Math.max(1, Math.round(1.645 * first.gainS)))}.
                </Trans>
              </p>
              <ol className="mt-2 divide-y divide-line text-[13.5px] text-ink-soft">
                {view.next.slice(1).map((next) => (
                  <li key={`${next.code}/${next.ovenId}`} className="flex justify-between gap-2 py-1">
                    <span>
                      {names.product(next.code)}, {names.oven(next.ovenId)}
                    </span>
                    <span className="figures whitespace-nowrap">{(1.645 * next.gainS).toFixed(0)} s</span>
                  </li>
                ))}
              </ol>
              <Link
                to={`/bake${search}`}
                className="mt-2 inline-block underline underline-offset-4"
              >{t`To the loads`}</Link>
            </>
          ) : (
            <p className="text-ink-soft">{t`No load of this day is still to come.`}</p>
          )}
        </WhySection>
        <WhySection title={t`How it is learned`}>
          <p className="text-[13.5px] text-ink-soft">{t`Every measured tray is baked again in the model. The ovens and doughs are adjusted until model and measurements agree best, no further than the bakes say. A figure far off counts little. An oven’s temperature and how fast it heats look alike in one product; together they hold for the others.`}</p>
        </WhySection>
        <Cautions
          items={[
            t`A forecast helps to know when to look. The eye at the oven door decides.`,
            t`Measure a hot core with a clean, thin needle, in the middle of the middle piece.`,
          ]}
        />
      </WhyPane>
    </div>
  );
};
