import { t } from '@lingui/core/macro';
import type { CalibrationView } from '@jokul/contracts';
import { useNames } from '../line/actions';
import { useUnits } from '../lib/units';

const round = (seconds: number) => Math.round(seconds / 5) * 5;

/** The pulls of the loads to come: as they are, and as the log would have them. */
export const PullChanges = ({ view }: { view: CalibrationView }) => {
  const names = useNames();
  const { duration } = useUnits();
  if (view.changes.length === 0)
    return <p className="text-ink-soft">{t`No load of this day is still to come.`}</p>;
  const say = (seconds: number | null, band: number) =>
    seconds === null ? t`not reached` : `${duration(round(seconds))} ± ${duration(round(band))}`;
  const rows = [...view.changes].sort(
    (a, b) => Math.abs((b.thenS ?? 0) - (b.nowS ?? 0)) - Math.abs((a.thenS ?? 0) - (a.nowS ?? 0)),
  );
  return (
    <table className="w-full" aria-label={t`Pulls of the loads to come`}>
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="pr-3 pb-1 font-normal">{t`Product, oven`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`Trays`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`Pull now`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`By the log`}</th>
          <th className="pb-1 text-right font-normal">{t`Change`}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ code, ovenId, trays, nowS, thenS, nowBandS, thenBandS }) => {
          const by = nowS !== null && thenS !== null ? round(thenS) - round(nowS) : null;
          return (
            <tr key={`${code}/${ovenId}`} className="border-t">
              <td className="py-1 pr-3">
                {names.product(code)}, {names.oven(ovenId)}
              </td>
              <td className="figures py-1 pr-3 text-right">{trays}</td>
              <td className="figures py-1 pr-3 text-right whitespace-nowrap">{say(nowS, nowBandS)}</td>
              <td className="figures py-1 pr-3 text-right whitespace-nowrap">{say(thenS, thenBandS)}</td>
              <td className="figures py-1 text-right font-semibold whitespace-nowrap">
                {by === null || by === 0 ? '–' : `${by > 0 ? '+' : '−'}${duration(Math.abs(by))}`}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
};
