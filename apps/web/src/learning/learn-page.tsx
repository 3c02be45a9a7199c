import { plural, t } from '@lingui/core/macro';
import type { CalibrationView } from '@jokul/contracts';
import { Undo2 } from 'lucide-react';
import { useCalibration, useCalibrationChoices, useCalibrationStep, useDayDate } from '../lib/queries';
import { Button } from '../ui/button';
import { Alarm, Empty, Failed, Loading } from '../ui/states';
import { LearnWhy } from './learn-why';
import { LearnedTable } from './learned-table';
import { LoggedTable } from './logged-table';
import { PullChanges } from './pull-changes';

interface WhatWasLearnedProps {
  readonly view: CalibrationView;
  readonly busy: boolean;
  readonly choose: ReturnType<typeof useCalibrationChoices>;
}

/** What it changes, what was learned, and from which bakes; of either something can be left out. */
const WhatWasLearned = ({ view, busy, choose }: WhatWasLearnedProps) => {
  const leftOut = view.bakes.filter((bake) => bake.leftOut).map(({ id }) => id);
  const held = view.learned.filter((row) => row.held).map(({ key }) => key);
  const toggle = (list: readonly string[], item: string, on: boolean) =>
    on ? [...list, item] : list.filter((known) => known !== item);
  return (
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
  );
};

/** What the bakery's own bakes say of its ovens and doughs, what that changes, and the way back. */
export const LearnPage = () => {
  const date = useDayDate();
  const query = useCalibration(date);
  const use = useCalibrationStep(date ?? '', 'use');
  const undo = useCalibrationStep(date ?? '', 'undo');
  const choose = useCalibrationChoices(date ?? '');
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
  const counted = view.bakes.filter((bake) => !bake.leftOut).length;
  const outliers = view.bakes.filter((bake) => !bake.leftOut && bake.figures.some(({ outlier }) => outlier));
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
          <WhatWasLearned view={view} busy={busy} choose={choose} />
        )}
      </section>
      <LearnWhy view={view} />
    </div>
  );
};
