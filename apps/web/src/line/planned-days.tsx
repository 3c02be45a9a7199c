import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { Link } from 'react-router';
import type { DaysPlanView } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { Button } from '../ui/button';
import { Said } from '../ui/said';
import { Alarm } from '../ui/states';
import { useNames } from './actions';

const verdict = ({ days, undonePieces, leastUndone, cost, leastCost }: DaysPlanView): string => {
  const ordered = days.reduce((sum, day) => sum + day.ordered, 0);
  if (undonePieces > 0)
    return t`${undonePieces} of ${ordered} pieces are not ready in time${undonePieces <= leastUndone ? t`, and no plan could have more` : ''}.`;
  const above = leastCost > 0 ? 100 * (cost / leastCost - 1) : 0;
  return t`All ${ordered} pieces in time; the work is at most ${above.toFixed(1)} % above the best possible.`;
};

/** What came of it, day by day, each with its way there. */
export const PlannedDays = ({ made, onClose }: { made: DaysPlanView; onClose: () => void }) => {
  const names = useNames();
  const { day: sayDay } = useWallClock();
  const short = made.days.filter(({ undone }) => undone > 0);
  const broken = made.days.filter(({ violations }) => violations > 0);
  return (
    <>
      <p className="font-medium">{verdict(made)}</p>
      {broken.length > 0 && (
        <Alarm>{t`The checker found rules of the floor broken on ${broken.map(({ date }) => sayDay(date)).join(', ')}: see Day.`}</Alarm>
      )}
      <div className="table-room mt-3">
        <table className="w-full">
          <thead className="text-left text-[12.5px] text-ink-soft">
            <tr>
              {[t`Day`, t`Ordered`, t`In time`, t`From the cold`].map((head) => (
                <th key={head} className="py-1 pr-3 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {made.days.map(({ date, ordered, undone, stock }) => (
              <tr key={date} className={`border-t align-top ${undone > 0 ? 'text-hand' : ''}`}>
                <td className="py-1 pr-3 whitespace-nowrap">
                  <Link className="underline" to={`/day?day=${date}`} onClick={onClose}>
                    {sayDay(date)}
                  </Link>
                </td>
                <td className="figures py-1 pr-3">{ordered}</td>
                <td className="figures py-1 pr-3">{ordered - undone}</td>
                <td className="py-1">
                  {stock.length === 0
                    ? t`nothing`
                    : stock.map(({ lot, productCode, pieces }) => (
                        <span key={lot} className="block">
                          {pieces} {names.product(productCode)} <span className="text-ink-faint">{lot}</span>
                        </span>
                      ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {short.map(({ date, unplaced }) => (
        <section key={date} className="mt-3">
          <h3 className="font-semibold">{t`What does not fit on ${sayDay(date)}`}</h3>
          <ul className="mt-1 space-y-1">
            {unplaced.map((left) => (
              <li key={left.batchId} className="border-l-2 border-hand pl-2">
                <Trans>
                  {names.product(left.productCode)}, {left.pieces} pieces: <Said>{left.reason}</Said>
                </Trans>
              </li>
            ))}
          </ul>
          <p className="mt-1 text-[13.5px] text-ink-soft">{t`Open that day: it says what would help.`}</p>
        </section>
      ))}
      <div className="mt-4 flex justify-end">
        <Button look="primary" onClick={onClose}>{t`Done`}</Button>
      </div>
    </>
  );
};
