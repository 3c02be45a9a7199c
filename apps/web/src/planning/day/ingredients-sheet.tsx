import { plural, t } from '@lingui/core/macro';
import { ingredientsNeeded, productOf, type BatchPlan, type DoughToMix, type Needed } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useJournal } from '../../journal/store';
import { useLots } from '../../line/lots';
import { useUnits } from '../../lib/units';
import { useSayLeftOver } from '../../mixing/left-over';
import { Sheet } from './work-sheets';

const isMixed = ({ tasks, stock }: BatchPlan) => !stock && tasks.some(({ kind }) => kind === 'mix');

/** To the gram, where a gram is nothing. */
const rounded = (massG: number) => (massG >= 100 ? Math.round(massG) : massG);

/** Packs to open, or eggs to crack. */
const Counted = ({ row: { packs, eggs } }: { readonly row: Needed }) => {
  const { mass } = useUnits();
  if (packs)
    return <>{t`${plural(packs.count, { one: '# pack', other: '# packs' })} of ${mass(packs.packG)}`}</>;
  return <>{eggs === null ? '' : t`${plural(eggs, { one: '# egg', other: '# eggs' })}`}</>;
};

/** All that the doughs of a plan take, to be fetched and weighed; what is mixed already or lies in the cold is not in it. */
export const IngredientsSheet = ({
  batches,
  bakery,
}: {
  readonly batches: readonly BatchPlan[];
  readonly bakery: BakeryView;
}) => {
  const lots = useLots();
  const { mass } = useUnits();
  const sayLeft = useSayLeftOver();
  const known = useJournal((s) => s.floor.lots);
  const toMix = batches.filter((batch) => isMixed(batch) && !known.get(batch.batchId)?.mixed);
  const doughs = toMix.flatMap(({ batchId, massG }): DoughToMix[] => {
    const formula = lots?.formulaOf(batchId);
    return formula ? [{ batchId, formula, massG }] : [];
  });
  if (doughs.length === 0) return null;
  const found = ingredientsNeeded(doughs, bakery.prices.packG);
  const left = sayLeft(found);
  const forWhat = ({ of }: Needed) => [...new Set(of.map(({ batchId }) => productOf(batchId)))].join(' ');
  return (
    <Sheet title={t`Ingredients`}>
      <table className="w-full" aria-label={t`Ingredients of the day`}>
        <thead className="text-left text-[12.5px] text-ink-soft">
          <tr>
            <th className="py-1 pr-3 font-normal">{t`Ingredient`}</th>
            <th className="py-1 pr-3 text-right font-normal">{t`Needed`}</th>
            <th className="py-1 pr-3 font-normal">{t`To open`}</th>
            <th className="py-1 pr-3 font-normal">{t`For`}</th>
            <th className="w-8 max-sm:hidden" aria-label={t`Done`} />
          </tr>
        </thead>
        <tbody>
          {found.needed.map((row) => (
            <tr key={row.food.id} className="border-t align-top">
              <th scope="row" className="py-1 pr-3 text-left font-medium">
                {row.food.name}
              </th>
              <td className="figures py-1 pr-3 text-right">{mass(rounded(row.massG))}</td>
              <td className="figures py-1 pr-3">
                <Counted row={row} />
              </td>
              <td className="py-1 pr-3 text-[13px] text-ink-soft">{forWhat(row)}</td>
              <td className="w-8 py-1 text-right max-sm:hidden">
                <span aria-hidden className="inline-block size-4 border border-line-strong" />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {left.length > 0 && <p className="mt-2">{t`Left over: ${left.join('; ')}.`}</p>}
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`What is mixed already, or lies in the cold, is not in it. Packs are set with each ingredient, in Setup.`}</p>
    </Sheet>
  );
};
