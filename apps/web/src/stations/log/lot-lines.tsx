import { plural, t } from '@lingui/core/macro';
import { Link } from 'react-router';
import type { LotState, TrayState } from '@jokul/core';
import { useNames } from '../../line/actions';
import { useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';

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
  const wall = useWallClock();
  const names = useNames();
  const { duration } = useUnits();
  // Where nobody ices or packs by the log, there is no empty column for it.
  const hasIced = lives.some(({ trays }) => trays.some((tray) => tray.iced));
  const hasPacked = lives.some(({ trays }) => trays.some((tray) => tray.packed));
  const momentsOf = ({ batch, trays }: Life): readonly Moment[] => {
    const stay = batch?.stays[0];
    const restS = stay
      ? ((stay.outMs ?? first(trays.map((t) => t.loaded.atMs)) ?? stay.atMs) - stay.atMs) / 1000
      : 0;
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
        atMs: first(trays.map((t) => t.loaded.atMs)),
        detail: trays.length > 0 ? t`${plural(trays.length, { one: '# tray', other: '# trays' })}` : '',
      },
      {
        what: t`Pulled`,
        atMs: first(trays.map((t) => t.pulled?.atMs)),
        detail: `${trays.filter((t) => t.pulled).length || ''}`,
      },
      {
        what: t`Racked`,
        atMs: first(trays.map((t) => t.racked?.atMs)),
        detail: `${trays.filter((t) => t.racked).length || ''}`,
      },
      ...(hasIced
        ? [
            {
              what: t`Iced`,
              atMs: first(trays.map((t) => t.iced?.atMs)),
              detail: `${trays.filter((t) => t.iced).length || ''}`,
            },
          ]
        : []),
      ...(hasPacked
        ? [
            {
              what: t`Packed`,
              atMs: first(trays.map((t) => t.packed?.atMs)),
              detail: `${trays.filter((t) => t.packed).length || ''}`,
            },
          ]
        : []),
      {
        what: t`Measured`,
        atMs: first(trays.map((t) => t.inspected?.atMs)),
        detail: `${trays.filter((t) => t.inspected).length || ''}`,
      },
    ];
  };
  const heads = [
    t`Mixed`,
    t`Portioned`,
    t`Into the cold`,
    t`Loaded`,
    t`Pulled`,
    t`Racked`,
    ...(hasIced ? [t`Iced`] : []),
    ...(hasPacked ? [t`Packed`] : []),
    t`Measured`,
  ];
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
            <tr key={life.lot} className={`border-t align-top ${life.lot === current ? 'bg-surface' : ''}`}>
              <td className="py-1 pr-2 whitespace-nowrap">
                <Link
                  to={`/log/${life.lot}${search}`}
                  className={`figures ${life.lot === current ? 'font-semibold' : 'underline decoration-dotted underline-offset-4'}`}
                >
                  {life.lot}
                </Link>
              </td>
              {momentsOf(life).map((moment) => (
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
          ))}
        </tbody>
      </table>
    </div>
  );
};
