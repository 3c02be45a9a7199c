import { t } from '@lingui/core/macro';
import { allergenWords, butterForCreaming, type Preparation } from '@jokul/core';
import { useNames } from '../../line/actions';
import { andList } from '../../line/and-list';
import { ingredientList, preparationWords } from '../../line/preparation-words';
import { useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';

/** What is put out or browned before the doughs are weighed, in the order of its moments. */
export const Preparations = ({
  preparations,
  nearMs,
}: {
  readonly preparations: readonly Preparation[];
  readonly nearMs: number;
}) => {
  const names = useNames();
  const wall = useWallClock();
  const { mass, temperature } = useUnits();
  if (preparations.length === 0) return null;
  return (
    <div className="table-room">
      <table className="mt-4 w-full">
        <caption className="pb-1 text-left text-[12.5px] font-semibold text-ink-soft">{t`Before mixing: what is put out, browned, toasted, chopped; a clean bowl`}</caption>
        <tbody>
          {preparations.map(({ id, kind, productCode, massG, startS, earlyS, allergens, ...of }) => (
            <tr key={id} className="border-t align-top">
              <td className="figures w-28 py-0.5 pr-3 whitespace-nowrap">
                {wall.near(startS * 1000, nearMs)}
              </td>
              <td className="py-0.5 pr-3">
                {preparationWords[kind]} {names.product(productCode)}
                {of.ingredientIds && (
                  <span className="block text-[13px] text-ink-soft">{ingredientList(of)}</span>
                )}
                {earlyS > 0 && (
                  <span className="block text-[13px] text-ink-soft">
                    {t`${wall.near((startS + earlyS) * 1000, nearMs)} would do, but nobody is there then.`}
                  </span>
                )}
              </td>
              <td className="figures py-0.5 text-right">
                {allergens ? t`of ${andList(allergenWords(allergens), 20)}` : mass(massG)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`By a wrapped block of ${mass(500)} from ${temperature(butterForCreaming.fromColdC)} to ${temperature(butterForCreaming.wantedC)} in the room, eggs an hour before; good to about a fifth unless you probe it. Nuts are toasted an hour before, so that they are cold; chopping takes some ten minutes a kilogram. On Mix you can say how yours is kept. A bowl is cleaned where the next dough does not declare what was in it; the plan keeps the time for that.`}</p>
    </div>
  );
};
