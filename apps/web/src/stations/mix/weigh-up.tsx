import { t } from '@lingui/core/macro';
import { Check } from 'lucide-react';
import { useState } from 'react';
import {
  heldBackOf,
  openLines,
  toppingsBefore,
  toppingsFor,
  type LotState,
  type Formula,
  type WeighSheet,
} from '@jokul/core';
import { Shown } from '../../ui/shown';
import { useUnits } from '../../lib/units';
import { useScale } from './grams';
import { OnTheScale } from './on-the-scale';

interface WeighUpProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly known: LotState;
  readonly bowlMaxG: number;
  readonly factor: number;
}

/** Toppings are taken before the rest is folded in, or none are left. */
const aside = { id: 'topping', name: t`Set aside for the pieces`, cue: t`Before anything is folded in.` };

/** The weigh sheet, ticked off ingredient by ingredient. */
export const WeighUp = ({ batchId, formula, sheet, known, bowlMaxG, factor }: WeighUpProps) => {
  const { mass } = useUnits();
  const scale = useScale();
  const [chosen, setChosen] = useState<string | null>(null);
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  // Sugar that pieces are rolled in is not held back of the dough's. How much of a topping there is matters nothing here.
  const held = new Set(
    toppingsFor(formula, 1).flatMap(({ key, line }) => (heldBackOf(formula, line) ? [key] : [])),
  );
  const open = openLines(sheet, known);
  const current = known.mixed
    ? undefined
    : (open.find((line) => line.key === chosen) ?? open.find((line) => !later.has(line.key)) ?? open[0]);
  return (
    <>
      {factor !== 1 && (
        <p
          role="status"
          className="mb-2 rounded-md border border-line-strong bg-surface px-3 py-1.5"
        >{t`The batch is scaled by ${factor.toFixed(4)} to what was poured: the targets below are the new ones.`}</p>
      )}
      {current && (
        <OnTheScale
          key={current.key}
          batchId={batchId}
          sheet={sheet}
          line={current}
          known={known}
          bowlMaxG={bowlMaxG}
          factor={factor}
          onSkip={() => setLater(new Set([...later, current.key]))}
        />
      )}
      <div className="table-room">
        <table className="w-full">
          <thead className="text-left text-[12.5px] text-ink-soft">
            <tr>
              <th className="w-9 pointer-coarse:w-13" aria-label={t`Done`} />
              <th className="py-1 pr-3 font-normal">{t`Ingredient`}</th>
              <th className="py-1 pr-3 text-right font-normal">{t`Weigh`}</th>
              <th className="py-1 pr-3 font-normal max-sm:hidden">{t`on`}</th>
              <th className="py-1 pr-3 text-right font-normal max-sm:hidden">{t`Exact`}</th>
              <th className="py-1 text-right font-normal">{t`Weighed`}</th>
            </tr>
          </thead>
          {[...formula.stages, ...(toppingsBefore(formula).length > 0 ? [aside] : [])].map((stage) => (
            <tbody key={stage.id}>
              <tr>
                <th colSpan={6} className="border-t border-line-strong pt-2 pb-0.5 text-left">
                  <span className="font-semibold">{stage.name}</span>{' '}
                  <span className="text-[13px] font-normal text-ink-faint">{stage.cue}</span>
                </th>
              </tr>
              {sheet.lines
                .filter((line) => line.stageId === stage.id)
                .map((line) => {
                  const weighed = known.weighed.get(line.key);
                  const wantsMore = weighed !== undefined && open.includes(line);
                  const apart =
                    stage.id === aside.id
                      ? undefined
                      : sheet.lines.find(
                          (own) => held.has(own.key) && own.ingredientId === line.ingredientId,
                        );
                  const outside = weighed && Math.abs(weighed.massG - line.roundedG) > line.toleranceG + 1e-9;
                  return (
                    <tr key={line.key} className={`border-t ${line.key === current?.key ? 'bg-raised' : ''}`}>
                      <td className="py-0.5">
                        <button
                          type="button"
                          aria-label={
                            weighed && !wantsMore
                              ? t`${line.name} is weighed`
                              : t`Put ${line.name} on the scale`
                          }
                          disabled={(weighed !== undefined && !wantsMore) || known.mixed !== null}
                          onClick={() => setChosen(line.key)}
                          className={`grid size-6 place-items-center rounded border pointer-coarse:size-11 ${weighed && !wantsMore ? 'border-ink bg-inverse text-inverse-ink' : 'border-line-strong bg-raised'}`}
                        >
                          {weighed && !wantsMore && <Check size={15} />}
                        </button>
                      </td>
                      <td className="py-0.5 pr-3">
                        {line.name}
                        {apart && (
                          <span className="block text-[13px] text-ink-soft">
                            {t`besides ${scale.said(apart.roundedG, apart.resolutionG)} held back for the pieces`}
                          </span>
                        )}
                        {weighed?.late && (
                          <span className="text-[13px] font-medium text-hand"> {t`added late`}</span>
                        )}
                        {weighed?.lotCode && (
                          <span className="text-[13px] text-ink-faint"> {t`lot ${weighed.lotCode}`}</span>
                        )}
                      </td>
                      <td className="py-0.5 pr-3 text-right figures">
                        {scale.said(line.roundedG, line.resolutionG)}
                      </td>
                      <td className="py-0.5 pr-3 text-[13px] text-ink-soft max-sm:hidden">
                        {line.scaleId}, {mass(line.resolutionG)}
                      </td>
                      <td className="py-0.5 pr-3 text-right max-sm:hidden">
                        <Shown figure={line.exact} className="text-ink-soft">
                          {scale.exact(line.exact.value)}
                        </Shown>
                      </td>
                      <td className={`py-0.5 text-right figures ${outside ? 'font-semibold text-hand' : ''}`}>
                        {weighed ? scale.said(weighed.massG, line.resolutionG) : ''}
                        {wantsMore && (
                          <span className="block text-[12.5px]">{t`+${scale.said(line.roundedG - weighed.massG, line.resolutionG)} more`}</span>
                        )}
                        {weighed?.decision && (
                          <span className="block text-[12.5px] font-normal text-ink-faint">
                            {weighed.decision === 'scale' ? t`others scaled to match` : t`accepted`}
                          </span>
                        )}
                      </td>
                    </tr>
                  );
                })}
            </tbody>
          ))}
        </table>
      </div>
    </>
  );
};
