import { t } from '@lingui/core/macro';
import { Check } from 'lucide-react';
import { openActions, urgencyOf, type BatchPlan, type Load } from '@jokul/core';
import { doTrayAction, verb, verbs } from '../line/actions';
import { useLots } from '../line/lots';
import { useJournal } from '../journal/store';
import { countdown, useNow, useWallClock } from '../lib/clock';
import { Button } from '../ui/button';

const steps = ['load', 'turn', 'pull', 'flatten', 'rack', 'ice', 'pack'] as const;
const doneAs = {
  load: 'loaded',
  turn: 'turned',
  pull: 'pulled',
  flatten: 'flattened',
  rack: 'racked',
  ice: 'iced',
  pack: 'packed',
} as const;
const always: ReadonlySet<string> = new Set(['load', 'turn', 'pull', 'rack']);

/** Load, turn, pull, rack, and what the product asks for after it: what was done when, and the next press. */
export const LoadSteps = ({ batch, load }: { batch: BatchPlan; load: Load }) => {
  const floor = useJournal((s) => s.floor);
  const lots = useLots();
  const now = useNow();
  const wall = useWallClock();
  const actions = openActions([batch], floor).filter((action) => action.load?.id === load.id);
  const first = load.trays.map((tray) => floor.trays.get(tray.id)).find(Boolean);
  const own = steps.filter(
    (step) => always.has(step) || batch.tasks.some((task) => task.loadId === load.id && task.kind === step),
  );
  return (
    <ol className="grid grid-cols-[repeat(auto-fit,minmax(6rem,1fr))] overflow-hidden rounded-lg border border-line-strong bg-surface">
      {own.map((step) => {
        const action = actions.find((a) => a.kind === step);
        const stamp = first?.[doneAs[step]];
        const urgency = action ? urgencyOf(action, now) : null;
        const hand = urgency === 'late' || urgency === 'now';
        return (
          <li
            key={step}
            className={`flex min-w-0 flex-wrap items-center justify-between gap-x-2 border-r border-line px-3 py-1.5 last:border-r-0 ${hand ? 'bg-hand-ground' : ''}`}
          >
            <span>
              <span className="block text-[13px] text-ink-soft">{verbs[step]}</span>
              <span className="figures block text-lg leading-tight">
                {stamp && !action ? (
                  <>
                    <Check size={16} className="inline" aria-label={t`done`} /> {wall.exact(stamp.atMs)}
                  </>
                ) : action ? (
                  <>
                    {wall.time(action.dueMs)}{' '}
                    <span className="text-[13px] text-ink-soft">{countdown(action.dueMs - now)}</span>
                  </>
                ) : (
                  '–'
                )}
              </span>
            </span>
            {action && (
              <Button size="small" look={hand ? 'hand' : 'plain'} onClick={() => doTrayAction(action, lots)}>
                {verb(action)}
              </Button>
            )}
          </li>
        );
      })}
    </ol>
  );
};
