import { Check } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { BatchState, Formula, WeighLine, WeighSheet } from '@jokul/core';
import { record } from '../../journal/store';
import { Button } from '../../ui/button';
import { Shown } from '../../ui/shown';

interface WeighUpProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly known: BatchState;
}

const decimals = (resolutionG: number) => Math.max(0, Math.ceil(-Math.log10(resolutionG)));
const grams = (massG: number, resolutionG: number) => massG.toFixed(decimals(resolutionG));

const scaleNames: Readonly<Record<string, string>> = {
  bench: 'bench scale',
  counter: 'counter scale',
  pocket: 'pocket scale',
};

/** The ingredient that is on the scale now, large. */
const OnTheScale = ({ batchId, line, onSkip }: { batchId: string; line: WeighLine; onSkip: () => void }) => {
  // Keyed by the ingredient: what is being typed outlives any news from the server.
  const [text, setText] = useState(grams(line.roundedG, line.resolutionG));
  const [problem, setProblem] = useState('');
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.select(), []);
  const value = Number(text.replace(',', '.'));
  const off = Number.isFinite(value) ? value - line.roundedG : 0;
  const outside = Math.abs(off) > line.toleranceG + 1e-9;
  const weigh = () => {
    if (!Number.isFinite(value) || value <= 0) {
      setProblem(`"${text}" is no weight. Read it off the scale in grams.`);
      return;
    }
    if (value > 10 * line.roundedG + 50) {
      setProblem(
        `${value} g is more than ten times the ${grams(line.roundedG, line.resolutionG)} g that are wanted. Check the reading.`,
      );
      return;
    }
    record('weighed', batchId, {
      key: line.key,
      massG: value,
      targetG: line.roundedG,
      scaleId: line.scaleId,
    });
  };
  return (
    <form
      className="no-print mb-3 rounded-lg border border-line-strong bg-raised p-4"
      aria-label={`On the scale: ${line.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        weigh();
      }}
    >
      <p className="text-ink-soft">On the {scaleNames[line.scaleId] ?? line.scaleId}, tared</p>
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-3">
        <div>
          <p className="text-3xl leading-tight font-semibold">{line.name}</p>
          <p className="figures text-[44px] leading-none">
            {grams(line.roundedG, line.resolutionG)} <span className="text-2xl">g</span>
            <span className="ml-3 text-lg text-ink-soft">± {grams(line.toleranceG, line.resolutionG)}</span>
          </p>
        </div>
        <div className="flex items-end gap-2">
          <div>
            <label htmlFor="reading" className="mb-1.5 block text-[13px] text-ink-soft">
              Reading, g
            </label>
            <input
              id="reading"
              ref={input}
              inputMode="decimal"
              autoComplete="off"
              value={text}
              onChange={(event) => setText(event.target.value)}
              className="figures min-h-14 w-36 rounded-md border border-line-strong bg-surface px-3 text-right text-2xl"
            />
          </div>
          <Button type="submit" look="primary" className="min-h-14 px-6 text-xl" icon={<Check size={22} />}>
            Weighed
          </Button>
          <Button look="quiet" className="min-h-14" onClick={onSkip}>
            Later
          </Button>
        </div>
      </div>
      {(problem || outside) && (
        <p role="alert" className="mt-2 font-medium text-hand">
          {problem ||
            `${Math.abs(off).toFixed(decimals(line.resolutionG))} g ${off > 0 ? 'over' : 'under'}: outside the tolerance. Correct it, or go on and it is recorded as it is.`}
        </p>
      )}
    </form>
  );
};

/** The weigh sheet, ticked off ingredient by ingredient. */
export const WeighUp = ({ batchId, formula, sheet, known }: WeighUpProps) => {
  const [chosen, setChosen] = useState<string | null>(null);
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const open = sheet.lines.filter((line) => !known.weighed[line.key]);
  const current = known.mixed
    ? undefined
    : (open.find((line) => line.key === chosen) ?? open.find((line) => !later.has(line.key)) ?? open[0]);
  return (
    <>
      {current && (
        <OnTheScale
          key={current.key}
          batchId={batchId}
          line={current}
          onSkip={() => setLater(new Set([...later, current.key]))}
        />
      )}
      <table className="w-full">
        <thead className="text-left text-[12.5px] text-ink-soft">
          <tr>
            <th className="w-9" aria-label="Done" />
            <th className="py-1 pr-3 font-normal">Ingredient</th>
            <th className="py-1 pr-3 text-right font-normal">Weigh</th>
            <th className="py-1 pr-3 font-normal">on</th>
            <th className="py-1 pr-3 text-right font-normal">Exact</th>
            <th className="py-1 text-right font-normal">Weighed</th>
          </tr>
        </thead>
        {formula.stages.map((stage) => (
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
                const weighed = known.weighed[line.key];
                const outside = weighed && Math.abs(weighed.massG - line.roundedG) > line.toleranceG + 1e-9;
                return (
                  <tr key={line.key} className={`border-t ${line.key === current?.key ? 'bg-raised' : ''}`}>
                    <td className="py-0.5">
                      <button
                        type="button"
                        aria-label={weighed ? `${line.name} is weighed` : `Put ${line.name} on the scale`}
                        disabled={weighed !== undefined || known.mixed !== null}
                        onClick={() => setChosen(line.key)}
                        className={`grid size-6 place-items-center rounded border ${weighed ? 'border-ink bg-inverse text-inverse-ink' : 'border-line-strong bg-raised'}`}
                      >
                        {weighed && <Check size={15} />}
                      </button>
                    </td>
                    <td className="py-0.5 pr-3">{line.name}</td>
                    <td className="py-0.5 pr-3 text-right figures">
                      {grams(line.roundedG, line.resolutionG)} g
                    </td>
                    <td className="py-0.5 pr-3 text-[13px] text-ink-soft">
                      {line.scaleId}, {line.resolutionG} g
                    </td>
                    <td className="py-0.5 pr-3 text-right">
                      <Shown figure={line.exact} className="text-ink-soft">
                        {line.exact.value.toFixed(2)}
                      </Shown>
                    </td>
                    <td className={`py-0.5 text-right figures ${outside ? 'font-semibold text-hand' : ''}`}>
                      {weighed ? `${grams(weighed.massG, line.resolutionG)} g` : ''}
                    </td>
                  </tr>
                );
              })}
          </tbody>
        ))}
      </table>
    </>
  );
};
