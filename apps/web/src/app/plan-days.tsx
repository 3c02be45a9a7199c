import { CalendarRange } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { atWallClock, shiftDate } from '@jokul/core';
import type { DaysPlanView } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { useDayDate, useMakePlans } from '../lib/queries';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { SelectField } from '../ui/field';
import { Alarm } from '../ui/states';
import { useNames } from './actions';

/** As many days as are planned together at first, and at most. */
const usualDays = 4;
const mostDays = 14;

const useSayDay = () => {
  const wall = useWallClock();
  return (date: string) => wall.date(atWallClock(date, '12:00', wall.timeZone) * 1000);
};

const verdict = ({ days, undonePieces, leastUndone, cost, leastCost }: DaysPlanView): string => {
  const ordered = days.reduce((sum, day) => sum + day.ordered, 0);
  if (undonePieces > 0)
    return `${undonePieces} of ${ordered} pieces are not ready in time${
      undonePieces <= leastUndone ? ', and no plan could have more' : ''
    }.`;
  const above = leastCost > 0 ? 100 * (cost / leastCost - 1) : 0;
  return `All ${ordered} pieces in time; the work is at most ${above.toFixed(1)} % above the best possible.`;
};

/** What came of it, day by day, each with its way there. */
const Result = ({ made, onClose }: { made: DaysPlanView; onClose: () => void }) => {
  const names = useNames();
  const sayDay = useSayDay();
  const short = made.days.filter(({ undone }) => undone > 0);
  const broken = made.days.filter(({ violations }) => violations > 0);
  return (
    <>
      <p className="font-medium">{verdict(made)}</p>
      {broken.length > 0 && (
        <Alarm>
          The checker found rules of the floor broken on {broken.map(({ date }) => sayDay(date)).join(', ')}:
          see Day.
        </Alarm>
      )}
      <div className="table-room mt-3">
        <table className="w-full">
          <thead className="text-left text-[12.5px] text-ink-soft">
            <tr>
              {['Day', 'Ordered', 'In time', 'From the cold'].map((head) => (
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
                    ? 'nothing'
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
          <h3 className="font-semibold">What does not fit on {sayDay(date)}</h3>
          <ul className="mt-1 space-y-1">
            {unplaced.map((left) => (
              <li key={left.batchId} className="border-l-2 border-hand pl-2">
                {names.product(left.productCode)}, {left.pieces} pieces: {left.reason}
              </li>
            ))}
          </ul>
          <p className="mt-1 text-[13.5px] text-ink-soft">Open that day: it says what would help.</p>
        </section>
      ))}
      <div className="mt-4 flex justify-end">
        <Button look="primary" onClick={onClose}>
          Done
        </Button>
      </div>
    </>
  );
};

/** Plans the shown day and those after it together. */
export const PlanDays = () => {
  const date = useDayDate() ?? '';
  const [open, setOpen] = useState(false);
  const [until, setUntil] = useState('');
  const make = useMakePlans(date);
  const sayDay = useSayDay();
  if (date === '') return null;
  const choices = Array.from({ length: mostDays - 1 }, (_, i) => shiftDate(date, i + 1));
  // What was chosen on another day may be no choice on this one.
  const last = choices.includes(until) ? until : shiftDate(date, usualDays - 1);
  const close = () => {
    setOpen(false);
    make.reset();
  };
  return (
    <>
      <Button icon={<CalendarRange size={16} />} onClick={() => setOpen(true)}>
        Several days
      </Button>
      <Dialog
        open={open}
        onClose={close}
        wide
        title={`Plan from ${sayDay(date)} on`}
        lead={
          make.data
            ? undefined
            : 'The days are planned together: a mixer, a tray, a pair of hands is promised once, and dough from the cold goes where it is due first. Batches that somebody works on, or that are held, stay as they are.'
        }
      >
        {make.data ? (
          <Result made={make.data} onClose={close} />
        ) : (
          <form
            onSubmit={(event) => {
              event.preventDefault();
              make.mutate({ until: last });
            }}
          >
            <SelectField label="Up to" value={last} onChange={(event) => setUntil(event.target.value)}>
              {choices.map((day, i) => (
                <option key={day} value={day}>
                  {sayDay(day)}, {i + 2} days
                </option>
              ))}
            </SelectField>
            {make.error && <Alarm>{make.error.message}</Alarm>}
            <div className="mt-4 flex justify-end gap-2">
              <Button onClick={close}>Cancel</Button>
              <Button type="submit" look="primary" disabled={make.isPending}>
                {make.isPending ? 'Planning …' : 'Plan these days'}
              </Button>
            </div>
          </form>
        )}
      </Dialog>
    </>
  );
};
