import { t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import { olderThan, sayDuration, type inOrderOfUse } from '@jokul/core';
import { useNames } from '../line/actions';
import { useWallClock } from '../lib/clock';
import { restFormNames } from '../words/names-of-codes';

interface UseFirstProps {
  readonly entries: ReturnType<typeof inOrderOfUse>;
  /** The lot that is looked at. */
  readonly current: string;
  readonly now: number;
}

/** What lies in the cold, in the order of use. */
export const UseFirst = ({ entries, current, now }: UseFirstProps) => {
  const names = useNames();
  const wall = useWallClock();
  const { search } = useLocation();
  return (
    <>
      <h2 className="mb-1 text-lg font-semibold">{t`Use first`}</h2>
      {entries.length === 0 ? (
        <p className="text-ink-soft">{t`Nothing lies in the cold.`}</p>
      ) : (
        <table className="w-full" aria-label={t`Use first`}>
          <thead className="text-left text-[12.5px] text-ink-soft">
            <tr>
              <th className="pr-3 pb-1 font-normal">{t`Dough`}</th>
              <th className="pr-3 pb-1 font-normal">{t`Where`}</th>
              <th className="pr-3 pb-1 text-right font-normal">{t`In since`}</th>
              <th className="pr-3 pb-1 text-right font-normal">{t`Age`}</th>
              <th className="pr-3 pb-1 text-right font-normal">{t`Good until`}</th>
              <th className="pb-1 text-right font-normal">{t`Left`}</th>
            </tr>
          </thead>
          <tbody>
            {entries.map(({ item, formula, clock, ageS, leftS, goodUntilMs, over, soon }) => {
              const older = olderThan(entries, item.batchId);
              return (
                <tr key={`${item.batchId}-${item.inMs}`} className="border-t align-top">
                  <td className="py-1 pr-3">
                    <Link
                      to={`/rest/${item.batchId}${search}`}
                      aria-current={item.batchId === current ? 'true' : undefined}
                      className={`underline-offset-4 hover:underline ${item.batchId === current ? 'font-semibold' : ''}`}
                    >
                      {formula.name}
                    </Link>
                    <span className="block text-[12.5px] text-ink-faint">
                      {item.batchId}
                      {older && t`; ${older.item.batchId} is older, use it before`}
                    </span>
                  </td>
                  <td className="py-1 pr-3">
                    {names.place(item.placeId)}, {restFormNames[item.form]}
                  </td>
                  <td className="figures py-1 pr-3 text-right whitespace-nowrap">
                    {wall.near(item.inMs, now)}
                  </td>
                  <td className="figures py-1 pr-3 text-right whitespace-nowrap">{sayDuration(ageS)}</td>
                  <td className="figures py-1 pr-3 text-right whitespace-nowrap">
                    {wall.near(goodUntilMs, now)}
                  </td>
                  <td
                    className={`figures py-1 text-right whitespace-nowrap ${over || soon ? 'font-semibold text-hand' : ''}`}
                  >
                    {over
                      ? t`past by ${sayDuration(-leftS)}${clock === 'out' ? t` (time out)` : ''}`
                      : sayDuration(leftS)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </>
  );
};
