import { t } from '@lingui/core/macro';
import { ovenTasks, type PlannedWork } from '@jokul/core';
import { useNames } from '../../line/actions';
import { useWallClock } from '../../lib/clock';
import { useBakery, useDay } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { useSayWork } from './use-say-work';
import { workVerb } from './work-words';

/** One list, which is a sheet of its own on paper. */
export const Sheet = ({
  title,
  children,
}: {
  readonly title: string;
  readonly children: React.ReactNode;
}) => (
  <section aria-label={title} className="mb-8 max-w-3xl break-after-page last:break-after-auto">
    <h2 className="mb-1 text-lg font-semibold">{title}</h2>
    <div className="table-room">{children}</div>
  </section>
);

/** A box to tick on paper; on screen Floor is where it is written down. */
const Tick = () => (
  <td className="w-8 py-1 text-right align-top max-sm:hidden">
    <span aria-hidden className="inline-block size-4 border border-line-strong" />
  </td>
);

/** What one pair of hands does, in the order of its beginning. */
export const WorkTable = ({
  works,
  nearMs,
}: {
  readonly works: readonly PlannedWork[];
  readonly nearMs: number;
}) => {
  const names = useNames();
  const wall = useWallClock();
  const say = useSayWork();
  return (
    <table className="w-full">
      <tbody>
        {works.map((work) => (
          <tr key={work.id} className="border-t align-top">
            <td className="figures w-36 py-1 pr-3 whitespace-nowrap">
              {/* A minute that is begun counts: nothing is done from 08:20 to 08:20. */}
              {wall.near(work.startS * 1000, nearMs)} – {wall.time(Math.ceil(work.endS / 60) * 60_000)}
            </td>
            <td className="py-1 pr-3">
              {workVerb(work)} {names.product(work.productCode)}
              <span className="block text-[13px] text-ink-soft">
                {say(work)} <span className="figures whitespace-nowrap sm:hidden">{work.batchId}</span>
              </span>
            </td>
            <td className="figures w-28 py-1 text-right text-[13px] text-ink-soft max-sm:hidden">
              {work.batchId}
            </td>
            <Tick />
          </tr>
        ))}
      </tbody>
    </table>
  );
};

/** What one oven bakes, and when it is switched on. */
export const OvenTable = ({ ovenId, nearMs }: { readonly ovenId: string; readonly nearMs: number }) => {
  const names = useNames();
  const wall = useWallClock();
  const { temperature } = useUnits();
  const { data } = useBakery();
  const batches = useDay().data?.plan?.plan.batches ?? [];
  if (!data) return null;
  const loads = batches
    .flatMap((batch) => batch.loads.map((load) => ({ batch, load })))
    .filter(({ load }) => load.ovenId === ovenId)
    .sort((a, b) => a.load.startS - b.load.startS);
  // It was cold before its first load of the day.
  const nowS = (loads[0]?.load.startS ?? 0) - 86_400;
  const { equipment, rules } = data;
  const around = new Map(
    ovenTasks({ ovens: equipment.ovens, nowS, loadGapS: rules.loadGapS }, batches).map((task) => [
      task.loadId,
      task,
    ]),
  );
  return (
    <table className="w-full">
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          {[t`Load`, t`Pull`, t`Set to`, t`Product`, t`Trays`, t`Pieces`].map((head) => (
            <th key={head} className="py-1 pr-3 font-normal">
              {head}
            </th>
          ))}
          <th aria-label={t`Done`} />
        </tr>
      </thead>
      <tbody className="figures">
        {loads.map(({ batch, load }) => {
          const task = around.get(load.id);
          return (
            <tr key={load.id} className="border-t align-top">
              <td className="py-1 pr-3 whitespace-nowrap">
                {wall.near(load.startS * 1000, nearMs)}
                {task?.kind === 'oven-on' && (
                  <span className="block text-[12.5px] text-ink-soft">
                    {t`on from ${wall.time(task.startS * 1000)}`}
                  </span>
                )}
              </td>
              <td className="py-1 pr-3">{wall.exact((load.startS + load.pullS) * 1000)}</td>
              <td className="py-1 pr-3 whitespace-nowrap">{temperature(load.setC)}</td>
              <td className="py-1 pr-3 font-sans">
                {names.product(batch.productCode)}
                <span className="figures block text-[12.5px] text-ink-soft">{load.id}</span>
              </td>
              <td className="py-1 pr-3">{load.trays.length}</td>
              <td className="py-1 pr-3">{load.trays.reduce((n, tray) => n + tray.pieces, 0)}</td>
              <Tick />
            </tr>
          );
        })}
      </tbody>
    </table>
  );
};
