import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { amountsFor, ingredients, totalPercent, type Formula } from '@jokul/core';
import { useUnits } from '../../lib/units';
import { Shown } from '../../ui/shown';
import { useDraft } from './draft-store';
import { NumberCell } from './number-cell';

const AddIngredient = ({ stageIndex }: { stageIndex: number }) => {
  const addLine = useDraft((s) => s.addLine);
  const [choosing, setChoosing] = useState(false);
  if (!choosing) {
    return (
      <button
        type="button"
        onClick={() => setChoosing(true)}
        className="inline-flex items-center gap-1 py-1 text-[13px] text-ink-soft hover:text-ink"
      >
        <Plus size={14} /> ingredient
      </button>
    );
  }
  return (
    <select
      autoFocus
      aria-label="Ingredient to add"
      className="my-1 rounded-md border border-line-strong bg-raised px-2 py-1"
      defaultValue=""
      onBlur={() => setChoosing(false)}
      onChange={(event) => {
        addLine(stageIndex, { ingredientId: event.target.value, percent: 1 });
        setChoosing(false);
      }}
    >
      <option value="">choose …</option>
      {[...ingredients.values()].map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
};

/** The stages of a formula: percent and grams, either of them editable. */
export const StageTable = ({
  formula,
  doughG,
  editing,
}: {
  formula: Formula;
  doughG: number;
  editing: boolean;
}) => {
  const { mass } = useUnits();
  const setLine = useDraft((s) => s.setLine);
  const amounts = amountsFor(formula, doughG);
  const perPercentG = doughG / totalPercent(formula);
  return (
    <table className="w-full">
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="py-1 pr-3 font-normal">Ingredient</th>
          <th className="w-32 py-1 pr-3 text-right font-normal">Flour = 100</th>
          <th className="w-32 py-1 text-right font-normal">for {mass(doughG)}</th>
          {editing && <th className="w-8" aria-label="Take out" />}
        </tr>
      </thead>
      {formula.stages.map((stage, stageIndex) => (
        <tbody key={stage.id}>
          <tr>
            <th colSpan={editing ? 4 : 3} className="border-t border-line-strong pt-2 pb-0.5 text-left">
              <span className="font-semibold">{stage.name}</span>{' '}
              <span className="text-[13px] font-normal text-ink-faint">{stage.cue}</span>
            </th>
          </tr>
          {stage.lines.map((line, lineIndex) => {
            const amount = amounts.find((a) => a.stageId === stage.id && a.line === line);
            const name = ingredients.get(line.ingredientId)?.name ?? line.ingredientId;
            return (
              <tr key={`${line.ingredientId}-${lineIndex}`} className="border-t">
                <td className="py-0.5 pr-3">
                  {name}
                  {line.browned && <span className="text-ink-faint">, to brown</span>}
                </td>
                <td className="py-0.5 pr-3 text-right figures">
                  {editing ? (
                    <NumberCell
                      label={`Percent, ${name}`}
                      value={line.percent}
                      min={0.01}
                      max={500}
                      onCommit={(percent) => setLine(stageIndex, lineIndex, { ...line, percent })}
                    />
                  ) : (
                    `${line.percent} %`
                  )}
                </td>
                <td className="py-0.5 text-right figures">
                  {editing && amount ? (
                    <NumberCell
                      label={`Grams, ${name}`}
                      value={amount.mass.value}
                      min={0.01 * perPercentG}
                      max={500 * perPercentG}
                      // Grams are a way to write percent: the other grams follow when the dough is scaled to its mass again.
                      onCommit={(grams) =>
                        setLine(stageIndex, lineIndex, {
                          ...line,
                          percent: Number((grams / perPercentG).toFixed(3)),
                        })
                      }
                    />
                  ) : (
                    amount && <Shown figure={amount.mass}>{mass(amount.mass.value)}</Shown>
                  )}
                </td>
                {editing && (
                  <td className="text-right">
                    <button
                      type="button"
                      aria-label={`Take out ${name}`}
                      className="rounded p-1 text-ink-faint hover:text-ink"
                      onClick={() => setLine(stageIndex, lineIndex, null)}
                    >
                      <X size={14} />
                    </button>
                  </td>
                )}
              </tr>
            );
          })}
          {editing && (
            <tr>
              <td colSpan={4}>
                <AddIngredient stageIndex={stageIndex} />
              </td>
            </tr>
          )}
        </tbody>
      ))}
      <tfoot>
        <tr className="border-t border-line-strong font-semibold">
          <td className="py-1">Dough</td>
          <td className="py-1 pr-3 text-right figures">{totalPercent(formula).toFixed(1)} %</td>
          <td className="py-1 text-right figures">{mass(doughG)}</td>
          {editing && <td />}
        </tr>
        {formula.toppings.map((line) => (
          <tr key={line.ingredientId} className="text-ink-soft">
            <td className="py-0.5">On each piece: {ingredients.get(line.ingredientId)?.name}</td>
            <td className="py-0.5 pr-3 text-right figures">{line.percent} %</td>
            <td className="py-0.5 text-right figures">{mass(line.percent * perPercentG)}</td>
            {editing && <td />}
          </tr>
        ))}
      </tfoot>
    </table>
  );
};
