import { plural, t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
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
        says={t`${title}: ${plural(side.loads, { one: '# load', other: '# loads' })}`}
        sayWork={sayWork}
      />
    </figure>
  );
};

/** Both days in figures. */
const Figures = ({
  found,
  date,
  zone,
}: {
  readonly found: WhatIfView;
  readonly date: string;
  readonly zone: string;
}) => {
  const wall = useWallClock();
  const { before, after } = found;
  const when = (side: WhatIfSide, which: 'fromS' | 'toS') => {
    const own = span(side);
    const noonMs = atWallClock(date, '12:00', zone) * 1000;
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
  );
};

const Points = ({
  title,
  hard = false,
  children,
}: {
  readonly title: string;
  readonly hard?: boolean;
  readonly children: readonly ReactNode[];
}) =>
  children.length > 0 && (
    <>
      <h3 className={`mt-2 text-[13px] font-semibold ${hard ? 'text-hand' : 'text-ink-soft'}`}>{title}</h3>
      <ul className="list-disc pl-5">{children}</ul>
    </>
  );

/** Who is late or helped, what would not fit, and what could not go on. */
const Consequences = ({ found }: { readonly found: WhatIfView }) => {
  const say = useSaysLate();
  const names = useNames();
  const { after } = found;
  return (
    <>
      <Points title={t`Late because of it`}>
        {newlyLate(found).map((own) => (
          <li key={own.order.id}>{say(own)}</li>
        ))}
      </Points>
      <Points title={t`Helped by it; as it is`}>
        {helped(found).map((own) => (
          <li key={own.order.id}>{say(own)}</li>
        ))}
      </Points>
      <Points title={t`What would not fit, and why`}>
        {after.unplaced.map((own) => (
          <li key={own.batchId}>
            {own.pieces} {names.product(own.productCode)}: <Said>{own.reason}</Said>
          </li>
        ))}
      </Points>
      <Points hard title={t`What has begun could not go on as planned`}>
        {after.violations.map(({ code, where, message }) => (
          <li key={code + where + message}>
            <Said>{message}</Said>
          </li>
        ))}
      </Points>
    </>
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
  const [ref, width] = useWidth();
  const { before, after } = found;
  const [cost, again] = [costWords(found), againWords(found)];
  const all = [...before.work, ...after.work];
  return (
    <div className="mt-4 border-t pt-3" aria-live="polite">
      <p className={`font-semibold ${after.undonePieces > before.undonePieces ? 'text-hand' : ''}`}>
        {verdict(found)}
        {cost !== null && <span className="font-normal text-ink-soft"> {t`It takes ${cost}.`}</span>}
      </p>
      <Consequences found={found} />
      <Figures found={found} date={date} zone={bakery.rules.timeZone} />
      {again !== null && <p className="mt-1 text-[13px] text-ink-soft">{again}</p>}
      <div ref={ref}>
        {[
          { title: t`As it is`, side: before },
          { title: t`As it would be`, side: after },
        ].map(({ title, side }) => (
          <Strip
            key={title}
            title={title}
            side={side}
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
