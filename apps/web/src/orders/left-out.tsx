import { t } from '@lingui/core/macro';
import type { OrderView } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { useNames } from '../line/actions';
import { useTakeBack } from '../lib/queries';
import { Button } from '../ui/button';

/** Lines of standing orders that are not wanted on this one day. */
export const LeftOut = ({ date, lines }: { date: string; lines: readonly OrderView[] }) => {
  const names = useNames();
  const wall = useWallClock();
  const back = useTakeBack(date);
  if (lines.length === 0) return null;
  return (
    <section className="mt-3" aria-label={t`Left out this day`}>
      <h2 className="text-[13px] font-semibold text-ink-soft">{t`Left out this day`}</h2>
      <ul>
        {lines.map((line) => (
          <li key={line.id} className="flex items-center gap-3 border-t py-1">
            <span className="min-w-0 flex-1 text-ink-soft">
              {t`${line.pieces} ${names.product(line.productCode)} for ${line.customer} by ${wall.ofDay(line.readyBy)}`}
            </span>
            <Button
              size="small"
              disabled={back.isPending}
              onClick={() => line.standing && back.mutate(line.standing.id)}
              aria-label={t`Put back ${line.productCode} for ${line.customer}`}
            >{t`Put back`}</Button>
          </li>
        ))}
      </ul>
    </section>
  );
};
