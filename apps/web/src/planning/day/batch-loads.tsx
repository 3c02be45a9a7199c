import { plural, t } from '@lingui/core/macro';
import { whyNotEarlier, whyNotLater, type BatchPlan, type Load, type WhyThenQuestion } from '@jokul/core';
import { useNames } from '../../line/actions';
import { useJournal } from '../../journal/store';
import { useWallClock } from '../../lib/clock';
import { useHold } from '../../lib/queries';
import { Button } from '../../ui/button';
import { useSaysHold } from './say-hold';

/** The loads of the chosen batch: each may be moved while it has not begun, and the batch held where it is. */
export const BatchLoads = ({
  batch,
  held,
  date,
  onMove,
  why,
}: {
  readonly batch: BatchPlan;
  readonly held: boolean;
  readonly date: string;
  readonly onMove: (load: Load) => void;
  /** What the reasons of its times are found in; none are said where it is left out. */
  readonly why?: WhyThenQuestion | undefined;
}) => {
  const names = useNames();
  const wall = useWallClock();
  const trays = useJournal((s) => s.floor.trays);
  const hold = useHold(date);
  const say = useSaysHold();
  return (
    <section
      aria-label={t`Loads of ${batch.batchId}`}
      className="mt-3 rounded-lg border bg-surface px-3 py-2"
    >
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="font-semibold">
          {names.product(batch.productCode)}{' '}
          <span className="font-normal text-ink-faint">{batch.batchId}</span>
        </h2>
        <Button
          size="small"
          aria-pressed={held}
          disabled={hold.isPending}
          onClick={() => hold.mutate({ batchId: batch.batchId, held: !held })}
        >
          {held ? t`Release` : t`Hold`}
        </Button>
      </div>
      <ul className="mt-1">
        {[...batch.loads]
          .sort((a, b) => a.startS - b.startS)
          .map((load) => {
            const begun = load.trays.some(({ id }) => trays.has(id));
            return (
              <li key={load.id} className="flex flex-wrap items-center gap-x-3 border-t py-1">
                <span className="figures w-14">{wall.time(load.startS * 1000)}</span>
                <span className="min-w-0 flex-1 basis-64">
                  {names.oven(load.ovenId)}, {load.trays.length}{' '}
                  {t`${plural(load.trays.length, { one: 'tray', other: 'trays' })}`}
                  {why && !begun && (
                    <span className="block text-[13px] text-ink-soft">
                      {say.later(whyNotLater(why, load.id))} {say.earlier(whyNotEarlier(why, load.id))}
                    </span>
                  )}
                </span>
                {begun ? (
                  <span className="text-[13px] text-ink-faint">{t`has begun`}</span>
                ) : (
                  <Button
                    size="small"
                    onClick={() => onMove(load)}
                    aria-label={t`Move ${load.id}`}
                  >{t`Move`}</Button>
                )}
              </li>
            );
          })}
      </ul>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`A held batch stays where it is when the day is planned again. A load can also be dragged along its oven, or into another one, on the picture above.`}</p>
    </section>
  );
};
