import { t } from '@lingui/core/macro';
import { atWallClock, shiftDate } from '@jokul/core';
import type { BakeryView, WeekWork, WhatIfSide, WhatIfView } from '@jokul/contracts';
import { useNames } from '../../../line/actions';
import { useSaysLate } from '../../../line/say-late';
import { useNow, useWallClock } from '../../../lib/clock';
import { useWidth } from '../../../lib/use-width';
import { DayStrip } from '../../week/day-strip';
import { HourMarks } from '../../week/hour-marks';
import { lanesOf } from '../../week/lanes';
import { useSayWork } from '../../week/say-work';
import { againWords, costWords, helped, newlyLate, span, verdict } from './what-if-words';
import { Said } from '../../../ui/said';

const Strip = ({
  title,
  side,
  all,
  view,
  date,
  bakery,
  width,
}: {
  title: string;
  side: WhatIfSide;
  /** Both sides, so that their lanes stand alike. */
  all: readonly WeekWork[];
  view: WhatIfView;
  date: string;
  bakery: BakeryView;
  width: number;
}) => {
  const sayWork = useSayWork();
  const now = useNow();
  const zone = bakery.rules.timeZone;
  const [fromS, toS] = [atWallClock(date, '00:00', zone), atWallClock(shiftDate(date, 1), '00:00', zone)];
  const places = [...bakery.equipment.mixers, { id: 'bench', name: t`Bench` }, ...view.ovens];
  const busy = new Set(
    all.filter(({ endS, startS }) => endS > fromS && startS < toS).map((own) => own.placeId),
  );
  const lanes = lanesOf(
    places.filter(({ id }) => busy.has(id)),
    all,
    fromS,
    toS,
  ).map((lane) => ({ ...lane, works: lane.works.filter((work) => side.work.includes(work)) }));
  return (
    <figure className="mt-3">
      <figcaption className="text-[13px] font-semibold text-ink-soft">{title}</figcaption>
      <HourMarks width={width} />
      <DayStrip
        fromS={fromS}
        toS={toS}
        timeZone={zone}
        nowS={now / 1000}
        lanes={lanes}
        width={width}
        says={t`${title}: ${side.loads} loads`}
        sayWork={sayWork}
      />
    </figure>
  );
};

/** What would be, beside what is: in words, in figures, and as two days under each other. */
export const WhatIfResult = ({
  found,
  date,
  bakery,
}: {
  readonly found: WhatIfView;
  readonly date: string;
  readonly bakery: BakeryView;
}) => {
  const say = useSaysLate();
  const names = useNames();
  const wall = useWallClock();
  const [ref, width] = useWidth();
  const { before, after } = found;
  const [late, less] = [newlyLate(found), helped(found)];
  const [cost, again] = [costWords(found), againWords(found)];
  const all = [...before.work, ...after.work];
  const when = (side: WhatIfSide, which: 'fromS' | 'toS') => {
    const own = span(side);
    const noonMs = atWallClock(date, '12:00', bakery.rules.timeZone) * 1000;
    return own ? wall.near(own[which] * 1000, noonMs) : t`not at all`;
  };
  const rows: readonly (readonly [string, (side: WhatIfSide) => string])[] = [
    [t`Pieces ordered`, (side) => String(side.orderedPieces)],
    [t`Not in time`, (side) => String(side.undonePieces)],
    [t`Loads`, (side) => String(side.loads)],
    [t`Work begins`, (side) => when(side, 'fromS')],
    [t`Last out of the oven`, (side) => when(side, 'toS')],
    [t`Work, min of one person`, (side) => (side.cost === null ? '–' : String(Math.round(side.cost)))],
  ];
  return (
    <div className="mt-4 border-t pt-3" aria-live="polite">
      <p className={`font-semibold ${after.undonePieces > before.undonePieces ? 'text-hand' : ''}`}>
        {verdict(found)}
        {cost !== null && <span className="font-normal text-ink-soft"> {t`It takes ${cost}.`}</span>}
      </p>
      {late.length > 0 && (
        <>
          <h3 className="mt-2 text-[13px] font-semibold text-ink-soft">{t`Late because of it`}</h3>
          <ul className="list-disc pl-5">
            {late.map((own) => (
              <li key={own.order.id}>{say(own)}</li>
            ))}
          </ul>
        </>
      )}
      {less.length > 0 && (
        <>
          <h3 className="mt-2 text-[13px] font-semibold text-ink-soft">{t`Helped by it; as it is`}</h3>
          <ul className="list-disc pl-5">
            {less.map((own) => (
              <li key={own.order.id}>{say(own)}</li>
            ))}
          </ul>
        </>
      )}
      {after.unplaced.length > 0 && (
        <>
          <h3 className="mt-2 text-[13px] font-semibold text-ink-soft">{t`What would not fit, and why`}</h3>
          <ul className="list-disc pl-5">
            {after.unplaced.map((own) => (
              <li key={own.batchId}>
                {own.pieces} {names.product(own.productCode)}: <Said>{own.reason}</Said>
              </li>
            ))}
          </ul>
        </>
      )}
      {after.violations.length > 0 && (
        <>
          <h3 className="mt-2 text-[13px] font-semibold text-hand">{t`What has begun could not go on as planned`}</h3>
          <ul className="list-disc pl-5">
            {after.violations.map(({ code, where, message }) => (
              <li key={code + where + message}>
                <Said>{message}</Said>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="table-room mt-3">
        <table className="figures w-full text-[13.5px]">
          <thead className="text-left text-[12.5px] text-ink-soft">
            <tr>
              <th className="py-1 pr-3 font-normal">
                <span className="sr-only">{t`What`}</span>
              </th>
              <th className="py-1 pr-3 font-normal">{t`As it is`}</th>
              <th className="py-1 font-normal">{t`As it would be`}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, of]) => (
              <tr key={name} className="border-t">
                <th scope="row" className="py-1 pr-3 text-left font-normal">
                  {name}
                </th>
                <td className="py-1 pr-3">{of(before)}</td>
                <td className={`py-1 ${of(before) === of(after) ? '' : 'font-semibold'}`}>{of(after)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {again !== null && <p className="mt-1 text-[13px] text-ink-soft">{again}</p>}
      <div ref={ref}>
        {([t`As it is`, t`As it would be`] as const).map((title) => (
          <Strip
            key={title}
            title={title}
            side={title === 'As it is' ? before : after}
            all={all}
            view={found}
            date={date}
            bakery={bakery}
            width={Math.max(280, width)}
          />
        ))}
      </div>
    </div>
  );
};
