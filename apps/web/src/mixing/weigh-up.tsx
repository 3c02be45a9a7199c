import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  heldBackOf,
  openLines,
  toppingsBefore,
  toppingsFor,
  type LotState,
  type Formula,
  type Scale,
  type WeighSheet,
} from '@jokul/core';
import { useSaid } from '../lib/said';
import { OnTheScale } from './on-the-scale';
import { WeighRow } from './weigh-row';

interface WeighUpProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly scales: readonly Scale[];
  readonly known: LotState;
  readonly bowlMaxG: number;
  readonly factor: number;
}

/** Toppings are taken before the rest is folded in, or none are left. */
const aside = { id: 'topping', name: t`Set aside for the pieces`, cue: t`Before anything is folded in.` };

/** The weigh sheet, ticked off ingredient by ingredient. */
export const WeighUp = ({ batchId, formula, sheet, scales, known, bowlMaxG, factor }: WeighUpProps) => {
  const figures = useSaid((own) => own.figures);
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
          scales={scales}
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
                  <span className="text-[13px] font-normal text-ink-faint">{figures(stage.cue)}</span>
                </th>
              </tr>
              {sheet.lines
                .filter((line) => line.stageId === stage.id)
                .map((line) => (
                  <WeighRow
                    key={line.key}
                    line={line}
                    known={known}
                    scales={scales}
                    onScale={line.key === current?.key}
                    wantsMore={known.weighed.has(line.key) && open.includes(line)}
                    apart={
                      stage.id === aside.id
                        ? undefined
                        : sheet.lines.find(
                            (own) => held.has(own.key) && own.ingredientId === line.ingredientId,
                          )
                    }
                    onChoose={() => setChosen(line.key)}
                  />
                ))}
            </tbody>
          ))}
        </table>
      </div>
    </>
  );
};
