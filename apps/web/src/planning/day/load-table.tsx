import { t } from '@lingui/core/macro';
import type { BatchPlan } from '@jokul/core';
import { useNames } from '../../line/actions';
import { useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';

/** The loads as a table, for print and for reading aloud. */
export const LoadTable = ({ batches }: { batches: readonly BatchPlan[] }) => {
  const names = useNames();
  const wall = useWallClock();
  const { temperature } = useUnits();
  const loads = batches
    .flatMap((batch) => batch.loads.map((load) => ({ batch, load })))
    .sort((a, b) => a.load.startS - b.load.startS);
  return (
    <div className="table-room">
      <table className="mt-4 w-full">
        <caption className="pb-1 text-left text-[12.5px] font-semibold text-ink-soft">{t`Loads in the order of the morning`}</caption>
        <thead className="text-left text-[12.5px] text-ink-soft">
          <tr>
            {[t`Load`, t`Pull`, t`Oven`, t`At`, t`Product`, t`Trays`, t`Pieces`, t`Ready`, t`Due`].map(
              (head) => (
                <th key={head} className="py-1 pr-3 font-normal">
                  {head}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody className="figures">
          {loads.map(({ batch, load }) => (
            <tr key={load.id} className="border-t">
              <td className="py-0.5 pr-3">{wall.time(load.startS * 1000)}</td>
              <td className="py-0.5 pr-3">{wall.exact((load.startS + load.pullS) * 1000)}</td>
              <td className="py-0.5 pr-3 font-sans">{names.oven(load.ovenId)}</td>
              <td className="py-0.5 pr-3 whitespace-nowrap">{temperature(load.setC)}</td>
              <td className="py-0.5 pr-3 font-sans">{names.product(batch.productCode)}</td>
              <td className="py-0.5 pr-3">{load.trays.length}</td>
              <td className="py-0.5 pr-3">{load.trays.reduce((n, tray) => n + tray.pieces, 0)}</td>
              <td className="py-0.5 pr-3">{wall.time(load.readyS * 1000)}</td>
              <td className="py-0.5">{wall.time(load.dueS * 1000)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
};
