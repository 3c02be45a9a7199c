import { t } from '@lingui/core/macro';
import { sayScoop, scoopSize } from '@jokul/core';
import { useUnits } from '../../lib/units';
import { scoopsIn } from './people-draft';

/** A usual cookie dough with its pieces in it, g/mL: the page of each dough has its own. */
const usualDoughGPerMl = 1.2;

/** What the scoops hold, in all that bakers go by. */
export const ScoopTable = ({ text }: { readonly text: string }) => {
  const { grams, size, units } = useUnits();
  const numbers = scoopsIn(text);
  if (typeof numbers === 'string' || numbers.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer text-[13.5px] text-ink-soft">{t`What they hold`}</summary>
      <table className="figures mt-1 w-full text-[13.5px]" aria-label={t`What the scoops hold`}>
        <thead>
          <tr className="text-right text-[12.5px] text-ink-soft">
            <th scope="col" className="text-left font-normal">{t`Scoop`}</th>
            <th scope="col" className="font-normal">
              {units === 'us' ? t`fl oz` : t`mL`}
            </th>
            <th scope="col" className="font-normal">{t`tbsp`}</th>
            <th scope="col" className="font-normal">{t`cup`}</th>
            <th scope="col" className="font-normal">{t`ball`}</th>
            <th scope="col" className="font-normal">{t`dough`}</th>
          </tr>
        </thead>
        <tbody>
          {[...new Set(numbers)]
            .sort((a, b) => a - b)
            .map((number) => {
              const of = scoopSize(number, usualDoughGPerMl);
              return (
                <tr key={number} className="border-t text-right">
                  <th scope="row" className="text-left font-medium">
                    {sayScoop(number)}
                  </th>
                  <td>{units === 'us' ? of.fluidOz.toFixed(2) : of.ml.toFixed(1)}</td>
                  <td>{of.tablespoons}</td>
                  <td>{of.cups}</td>
                  <td>{size(of.ballMm)}</td>
                  <td>{grams(of.doughG)}</td>
                </tr>
              );
            })}
        </tbody>
      </table>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`Level; US spoons and cups; dough at ${usualDoughGPerMl} g/mL. Portion says it for each dough.`}</p>
    </details>
  );
};
