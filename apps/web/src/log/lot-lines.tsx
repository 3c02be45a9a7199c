import { plural, t } from '@lingui/core/macro';
import { Link } from 'react-router';
import type { LotState, TrayState } from '@jokul/core';
import { useNames } from '../line/actions';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';

interface Life {
  readonly lot: string;
  readonly batch: LotState | undefined;
  readonly trays: readonly TrayState[];
}

interface Moment {
  readonly what: string;
  readonly atMs: number | null;
  /** What the stretch up to the next moment was. */
  readonly detail: string;
}

const first = (times: readonly (number | undefined)[]) => {
  const known = times.filter((t) => t !== undefined);
  return known.length > 0 ? Math.min(...known) : null;
};

/** What can happen to the trays of a lot, in its order. */
const trayMoments = [
  { key: 'pulled', what: t`Pulled`, always: true },
  { key: 'racked', what: t`Racked`, always: true },
  { key: 'iced', what: t`Iced`, always: false },
  { key: 'packed', what: t`Packed`, always: false },
  { key: 'inspected', what: t`Measured`, always: true },
] as const;

/** Where nobody ices or packs by the log, there is no empty column for it. */
const shownMoments = (lives: readonly Life[]) =>
  trayMoments.filter(
    ({ key, always }) => always || lives.some(({ trays }) => trays.some((tray) => tray[key])),
  );

/** What happened to a lot; the words are those of the columns. */
const useMoments = () => {
  const names = useNames();
  const { duration } = useUnits();
  return ({ batch, trays }: Life, shown: ReturnType<typeof shownMoments>): readonly Moment[] => {
    const stay = batch?.stays[0];
    const loadedMs = first(trays.map((tray) => tray.loaded.atMs));
    const restS = stay ? ((stay.outMs ?? loadedMs ?? stay.atMs) - stay.atMs) / 1000 : 0;
    return [
      { what: t`Mixed`, atMs: batch?.mixed?.atMs ?? null, detail: '' },
      {
        what: t`Portioned`,
        atMs: batch?.portioned?.atMs ?? null,
        detail: batch?.portioned
          ? t`${plural(batch.portioned.pieces, { one: '# piece', other: '# pieces' })}`
          : '',
      },
      {
        what: t`Into the cold`,
        atMs: stay?.atMs ?? null,
        detail: stay
          ? `${names.place(stay.placeId).toLowerCase()}${restS > 0 ? `, ${duration(restS)}` : ''}`
          : '',
      },
      {
        what: t`Loaded`,
        atMs: loadedMs,
        detail: trays.length > 0 ? t`${plural(trays.length, { one: '# tray', other: '# trays' })}` : '',
      },
      ...shown.map(({ key, what }) => ({
        what,
        atMs: first(trays.map((tray) => tray[key]?.atMs)),
        detail: `${trays.filter((tray) => tray[key]).length || ''}`,
      })),
    ];
  };
};

interface LineProps {
  readonly life: Life;
  readonly moments: readonly Moment[];
  readonly isCurrent: boolean;
  readonly search: string;
}

const Line = ({ life, moments, isCurrent, search }: LineProps) => {
  const wall = useWallClock();
  return (
    <tr className={`border-t align-top ${isCurrent ? 'bg-surface' : ''}`}>
      <td className="py-1 pr-2 whitespace-nowrap">
        <Link
          to={`/log/${life.lot}${search}`}
          className={`figures ${isCurrent ? 'font-semibold' : 'underline decoration-dotted underline-offset-4'}`}
        >
          {life.lot}
        </Link>
      </td>
      {moments.map((moment) => (
        <td key={moment.what} className="py-1 pr-2">
          {moment.atMs === null ? (
            <span className="text-ink-faint">–</span>
          ) : (
            <>
              <span className="figures block leading-tight whitespace-nowrap">
                {wall.near(moment.atMs, first(life.trays.map((t) => t.loaded.atMs)) ?? moment.atMs)}
              </span>
              <span className="block text-[12px] leading-tight text-ink-faint">{moment.detail}</span>
            </>
          )}
        </td>
      ))}
    </tr>
  );
};

/** Each lot's life on one line: when it was mixed, portioned, in the cold, in the oven, on the rack, measured. */
export const LotLines = ({
  lives,
  current,
  search,
}: {
  lives: readonly Life[];
  current: string;
  search: string;
}) => {
  const momentsOf = useMoments();
  const shown = shownMoments(lives);
  const heads = [t`Mixed`, t`Portioned`, t`Into the cold`, t`Loaded`, ...shown.map(({ what }) => what)];
  return (
    <div className="table-room">
      <table className="w-full">
        <caption className="sr-only">{t`Each lot’s life on one line`}</caption>
        <thead className="text-left text-[12.5px] text-ink-soft">
          <tr>
            <th className="py-1 pr-2 font-normal">{t`Lot`}</th>
            {heads.map((head) => (
              <th key={head} className="py-1 pr-2 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lives.map((life) => (
            <Line
              key={life.lot}
              life={life}
              moments={momentsOf(life, shown)}
              isCurrent={life.lot === current}
              search={search}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
};
