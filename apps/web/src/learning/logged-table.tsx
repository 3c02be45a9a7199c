import { t } from '@lingui/core/macro';
import type { CalibrationView, LoggedBakeView } from '@jokul/contracts';
import { useNames } from '../line/actions';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { quantityNames, sayQuantity } from './words';

const Figures = ({ bake }: { bake: LoggedBakeView }) => {
  const { units } = useUnits();
  return bake.figures.map(({ quantity, measured, after, outlier }) => {
    return (
      <span
        key={quantity}
        className={`mr-3 inline-block whitespace-nowrap ${outlier ? 'font-semibold text-hand' : ''}`}
        title={
          outlier ? t`Far from what the other bakes say: it counts little. Look at the entry.` : undefined
        }
      >
        <span className="font-sans text-ink-faint">{quantityNames[quantity]}</span>{' '}
        {sayQuantity(quantity, measured, units)}
        <span className="text-ink-faint"> ({sayQuantity(quantity, after, units)})</span>
        {outlier && <span className="font-sans"> {t`far off`}</span>}
      </span>
    );
  });
};

/** The bakes that are learned from: measured, and in brackets what the model now says of them. */
export const LoggedTable = ({
  view,
  busy,
  onLeaveOut,
}: {
  view: CalibrationView;
  busy: boolean;
  onLeaveOut: (id: string, leave: boolean) => void;
}) => {
  const names = useNames();
  const wall = useWallClock();
  const { duration } = useUnits();
  return (
    <table className="w-full" aria-label={t`Bakes that are learned from`}>
      <tbody>
        {view.bakes.map((bake) => (
          <tr
            key={bake.id}
            className={`border-t align-top ${bake.leftOut ? 'text-ink-faint line-through' : ''}`}
          >
            <td className="py-1 pr-3">
              <label className="inline-flex items-center gap-1.5 whitespace-nowrap">
                <input
                  type="checkbox"
                  checked={!bake.leftOut}
                  disabled={busy}
                  onChange={(event) => onLeaveOut(bake.id, !event.target.checked)}
                  aria-label={t`Learn from ${bake.trayId}`}
                />
                {wall.date(bake.atMs)}
              </label>
            </td>
            <td className="py-1 pr-3">
              {names.product(bake.code)}
              <span className="block text-[12.5px] text-ink-faint">
                {t`${names.oven(bake.ovenId)}, place ${bake.position}, ${duration(bake.pullS)}${bake.test ? t`, test bake` : ''}`}
              </span>
            </td>
            <td className="figures py-1 text-[13.5px]">
              <Figures bake={bake} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
};
