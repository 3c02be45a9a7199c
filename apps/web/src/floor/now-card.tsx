import { plural, t } from '@lingui/core/macro';
import type { Action } from '@jokul/core';
import { useNames, verb } from '../line/actions';
import { useLots } from '../line/lots';
import { countdown, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { amount, cueOf, dueWord, icing, isForHands, label, place } from './floor-words';

/** The most urgent thing, as large as the wall allows. */
export const NowCard = ({
  action,
  now,
  onDo,
}: {
  action: Action;
  now: number;
  onDo: (action: Action) => void;
}) => {
  const lots = useLots();
  const names = useNames();
  const wall = useWallClock();
  const units = useUnits();
  const { temperature, about } = units;
  const hand = isForHands(action, now);
  const formula = lots?.formulaOf(action.batchId);
  return (
    <section
      aria-label={t`Due next`}
      className={`flex flex-col justify-between rounded-xl border-2 p-5 ${hand ? 'border-hand bg-hand-ground' : 'border-line-strong bg-surface'}`}
    >
      <div>
        <p className="text-xl text-ink-soft">
          {dueWord(action, now)}, {wall.time(action.dueMs)}
        </p>
        <h1 className="text-[44px] leading-[1.05] font-semibold max-[1100px]:text-[38px] max-sm:text-[30px]">
          {verb(action)} {names.product(action.productCode)}
        </h1>
        <p className="mt-1 text-3xl max-sm:text-2xl">
          {amount(action, units)}
          {icing(action, formula, about)}
          {place(action, names)}
          {action.load && `, ${plural(action.trayIds.length, { one: '# tray', other: '# trays' })}`}
          {action.kind === 'load' && action.load && t`, set to ${temperature(action.load.setC)}`}
        </p>
        <p className="mt-4 max-w-[30ch] text-2xl text-ink-soft max-sm:mt-2 max-sm:text-lg">
          {cueOf(action, formula)}
        </p>
      </div>
      <div className="mt-3 flex flex-wrap items-end justify-between gap-4">
        <p
          className="figures text-[84px] leading-none max-[1100px]:text-[68px] max-sm:text-[52px]"
          aria-label={t`Time left`}
          role="timer"
        >
          {countdown(action.dueMs - now)}
        </p>
        <Button
          size="floor"
          look={hand ? 'hand' : 'primary'}
          className="min-h-20 min-w-52 !text-3xl max-sm:min-w-0 max-sm:flex-1"
          onClick={() => onDo(action)}
          aria-label={label(action)}
        >
          {action.prepare ? t`Done` : action.load ? verb(action) : t`Go there`}
        </Button>
      </div>
    </section>
  );
};
