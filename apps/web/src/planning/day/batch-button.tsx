import { plural, t } from '@lingui/core/macro';
import type { BatchPlan } from '@jokul/core';
import { useNames } from '../../line/actions';
import { taskOf } from '../../line/batch';
import { useWallClock } from '../../lib/clock';

/** A batch of the day, to be looked at more closely. */
export const BatchButton = ({
  batch,
  chosen,
  onChoose,
}: {
  batch: BatchPlan;
  chosen: boolean;
  onChoose: () => void;
}) => {
  const names = useNames();
  const wall = useWallClock();
  const mix = taskOf(batch, 'mix');
  // After a day that slipped there may be none: no oven was free while its dough was good.
  const first = batch.loads.length > 0 ? Math.min(...batch.loads.map((load) => load.startS)) : null;
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={`block w-full border-l-[3px] px-3 py-1.5 text-left ${chosen ? 'border-ink bg-ground font-semibold' : 'border-transparent hover:bg-ground'}`}
    >
      <span className="flex justify-between gap-2">
        <span className="min-w-0 text-balance">{names.product(batch.productCode)}</span>
        <span className="figures text-[13px] text-ink-soft">
          {first === null ? t`not baked` : wall.time(first * 1000)}
        </span>
      </span>
      <span className="block text-[13px] font-normal text-ink-faint">
        {t`${plural(batch.pieces, { one: '# piece', other: '# pieces' })}, ${
          batch.stock
            ? t`from the ${names.place(batch.stock.placeId ?? '').toLowerCase()}`
            : t`mixed ${mix ? wall.near(mix.startS * 1000, (first ?? mix.startS) * 1000) : ''}`
        }`}
      </span>
    </button>
  );
};
