import { t } from '@lingui/core/macro';
import { inUse, mostUrgent } from '@jokul/core';
import { useActions } from '../line/actions';
import { NeedPlan } from '../line/need-plan';
import { useJournal } from '../journal/store';
import { useNow } from '../lib/clock';
import { useBakery, useDay } from '../lib/queries';
import { Loading } from '../ui/states';
import { NextRow } from './next-row';
import { Notices } from './notices';
import { NowCard } from './now-card';
import { OvenCard } from './oven-card';
import { useDo } from './use-do';
import { useKeepAwake } from './keep-awake';

const FloorWall = () => {
  const { data } = useBakery();
  const loaded = useJournal((s) => s.loaded);
  const actions = useActions();
  const now = useNow(500);
  const act = useDo();
  useKeepAwake();
  const loads = useDay().data?.plan?.plan.batches.flatMap((batch) => batch.loads) ?? [];
  if (!data || !loaded) return <Loading what={t`the floor`} />;
  const first = mostUrgent(actions, now);
  const rest = actions.filter((action) => action !== first);
  // A retired oven stays on the wall for as long as a load of this day is in it.
  const planned = new Set(loads.map(({ ovenId }) => ovenId));
  const { ovens } = inUse(data.equipment, (id) => planned.has(id));
  return (
    <div className="flex h-full min-h-0 flex-col gap-3 p-3 max-sm:overflow-y-auto">
      <Notices />
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)] gap-3 max-sm:block max-sm:flex-none max-sm:space-y-3">
        {first ? (
          <NowCard action={first} now={now} onDo={act} />
        ) : (
          <section className="grid place-items-center rounded-xl border-2 border-line-strong bg-surface p-6 text-center">
            <div>
              <h1 className="text-4xl font-semibold">{t`Everything is done`}</h1>
              <p className="mt-2 text-2xl text-ink-soft">{t`No tray, batch or load of this day is open. Measure the last trays and write them into the log.`}</p>
            </div>
          </section>
        )}
        <section
          aria-label={t`What comes next`}
          className="min-h-0 overflow-hidden rounded-xl border bg-surface max-sm:max-h-[60vh] max-sm:overflow-y-auto"
        >
          <ol className="h-full overflow-y-auto max-sm:h-auto">
            {rest.slice(0, 60).map((action) => (
              <NextRow key={action.id} action={action} now={now} onDo={act} />
            ))}
          </ol>
        </section>
      </div>
      <section
        aria-label={t`Ovens`}
        className="grid shrink-0 gap-3 max-[900px]:!grid-cols-2"
        style={{ gridTemplateColumns: `repeat(${Math.min(ovens.length, 6)}, minmax(0, 1fr))` }}
      >
        {ovens.map((oven) => (
          <OvenCard key={oven.id} oven={oven} actions={actions} now={now} bakery={data} />
        ))}
      </section>
    </div>
  );
};

export const FloorPage = () => (
  <NeedPlan>
    <FloorWall />
  </NeedPlan>
);
