import { t } from '@lingui/core/macro';
import { placesOf, productIs, type Action, type Oven, type TrayState } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useNames } from '../line/actions';
import { useJournal } from '../journal/store';
import { countdown, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { OvenOut } from './oven-out';

interface OvenCardProps {
  readonly oven: Oven;
  readonly actions: readonly Action[];
  readonly now: number;
  readonly bakery: BakeryView;
}

/** One chamber: what is in it and until when, or what comes next. */
export const OvenCard = ({ oven, actions, now, bakery }: OvenCardProps) => {
  const { trays, lots } = useJournal((s) => s.floor);
  const names = useNames();
  const wall = useWallClock();
  const { temperature } = useUnits();
  const inside = [...trays.values()].filter((tray) => tray.ovenId === oven.id && !tray.pulled);
  const first = inside[0];
  const next = actions.find((action) => action.kind === 'load' && action.ovenId === oven.id);
  const whole = (tray: TrayState) => tray.loaded.atMs + tray.pullS * 1000;
  const pullMs = Math.min(...inside.map(whole));
  const done = first ? Math.min(1, (now - first.loaded.atMs) / (first.pullS * 1000)) : 0;
  return (
    <div
      className={`rounded-xl border-2 bg-surface px-4 py-2 max-sm:px-3 ${first && now > pullMs ? 'border-hand' : 'border-line'}`}
    >
      <div className="flex items-center gap-x-2 text-lg">
        <strong className="min-w-0 flex-1 leading-tight font-semibold break-words">{oven.name}</strong>
        <span className="figures shrink-0 text-ink-soft">
          {first ? temperature(first.setC) : next?.load ? temperature(next.load.setC) : ''}
        </span>
        <OvenOut oven={oven} bakery={bakery} actions={actions} />
      </div>
      {first ? (
        <>
          <p className="line-clamp-2 text-lg leading-tight">
            {names.product(productIs(first.batchId, lots.get(first.batchId)))}, {inside.length}/
            {placesOf(oven, bakery.rules.trayId)}
          </p>
          <p className="figures text-[48px] leading-none max-sm:text-[34px]">{countdown(pullMs - now)}</p>
          <div
            className="mt-1.5 h-2 rounded bg-line"
            role="img"
            aria-label={t`${Math.round(done * 100)} % of the bake${first.turned ? t`, turned` : ''}`}
          >
            <div className="h-2 rounded bg-ink-soft" style={{ width: `${done * 100}%` }} />
          </div>
        </>
      ) : next ? (
        <>
          <p className="line-clamp-2 text-lg leading-tight text-ink-soft">
            {t`next: ${names.product(next.productCode)}`}
          </p>
          <p className="figures text-[48px] leading-none max-sm:text-[34px] text-ink-soft">
            {wall.time(next.dueMs)}
          </p>
          <div className="mt-1.5 h-2" />
        </>
      ) : (
        <>
          <p className="text-lg text-ink-soft">{t`nothing more today`}</p>
          <p className="text-[48px] leading-none max-sm:text-[34px] text-ink-faint">–</p>
          <div className="mt-1.5 h-2" />
        </>
      )}
    </div>
  );
};
