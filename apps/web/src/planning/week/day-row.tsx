import { plural, t } from '@lingui/core/macro';
import { Link } from 'react-router';
import { atWallClock, shiftDate } from '@jokul/core';
import type { BakeryView, WeekDay, WeekView, WeekWork } from '@jokul/contracts';
import { DayStrip } from './day-strip';
import { lanesOf } from './lanes';
import { useSay } from './use-say';

/**
 * How a day stands, in a few words; what needs a hand is said so.
 * @param late orders that come late as the day goes now, whatever the plan says
 */
const standing = (
  { closed, lines, plan }: WeekDay,
  late: number,
): { readonly words: string; readonly hand: boolean } => {
  if (closed !== null) return { words: t`Closed: ${closed}`, hand: lines > 0 };
  if (lines === 0) return { words: t`No list`, hand: false };
  if (!plan) return { words: t`Not planned yet`, hand: true };
  if (late > 0)
    return {
      words: t`${plural(late, { one: '# order', other: '# orders' })} running late`,
      hand: true,
    };
  if (plan.undone > 0)
    return {
      words: t`${plural(plan.undone, { one: '# piece is', other: '# pieces are' })} not in time`,
      hand: true,
    };
  return plan.stale
    ? { words: t`The list changed since it was planned`, hand: true }
    : { words: t`Planned: all in time`, hand: false };
};

/** A day of the week: what is ordered, how it stands, and when the house is busy. */
export const DayRow = ({
  day,
  week,
  bakery,
  nowS,
  width,
  isToday,
  late,
}: {
  day: WeekDay;
  week: WeekView;
  bakery: BakeryView;
  nowS: number;
  width: number;
  isToday: boolean;
  /** Orders that come late as the day goes now. */
  late: number;
}) => {
  const say = useSay();
  const { mixers, ovens } = bakery.equipment;
  const zone = bakery.rules.timeZone;
  const [fromS, toS] = [
    atWallClock(day.date, '00:00', zone),
    atWallClock(shiftDate(day.date, 1), '00:00', zone),
  ];
  const lanes = lanesOf([...mixers, { id: 'bench', name: t`Bench` }, ...ovens], week.work, fromS, toS);
  const count = (kind: WeekWork['kind']) =>
    lanes.flatMap(({ works }) => works).filter((work) => work.kind === kind).length;
  const { words, hand } = standing(day, late);
  const { plan } = day;
  return (
    <li
      className={`grid grid-cols-[190px_minmax(0,1fr)] gap-3 border-t py-2 max-sm:grid-cols-1 ${isToday ? 'bg-ground' : ''}`}
    >
      <div className="min-w-0 pl-3">
        <Link
          to={`/day?day=${day.date}`}
          className="font-semibold underline-offset-4 hover:underline"
          aria-current={isToday ? 'date' : undefined}
        >
          {say.day(day.date)}
        </Link>
        {day.lines > 0 && (
          <p className="figures text-[13.5px]">
            {t`${day.pieces} pieces, ${plural(day.lines, { one: '# order', other: '# orders' })}`}
          </p>
        )}
        <p className={`text-[13.5px] ${hand ? 'font-medium text-hand' : 'text-ink-soft'}`}>{words}</p>
        {plan && plan.firstLoadS !== null && plan.readyS !== null && (
          <p className="figures text-[12.5px] text-ink-faint">
            {t`${plural(plan.loads, { one: '# load', other: '# loads' })}, ${say.time(plan.firstLoadS)} to ${say.time(plan.readyS)}`}
          </p>
        )}
      </div>
      <DayStrip
        fromS={fromS}
        toS={toS}
        timeZone={zone}
        nowS={nowS}
        lanes={lanes}
        width={width}
        says={t`${say.day(day.date)}: ${plural(count('mix'), { one: '# mixing', other: '# mixings' })}, ${plural(count('bake'), { one: '# load', other: '# loads' })}`}
        sayWork={say.work}
      />
    </li>
  );
};
