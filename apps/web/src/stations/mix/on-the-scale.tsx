import { t } from '@lingui/core/macro';
import { Check } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import {
  correctionsFor,
  ingredient,
  ingredientOfKey,
  type LotState,
  type Correction,
  type WeighLine,
  type WeighSheet,
} from '@jokul/core';
import { record, useJournal } from '../../journal/store';
import { claimFocus } from '../../lib/claim-focus';
import { usePreferences } from '../../lib/preferences';
import { Button } from '../../ui/button';
import { CorrectReading } from './correct-reading';
import { scaleNames, useScale } from './grams';
import { SimulatedScale } from './simulated-scale';
import { WholeEgg } from './whole-egg';

interface OnTheScaleProps {
  readonly batchId: string;
  readonly sheet: WeighSheet;
  readonly line: WeighLine;
  readonly known: LotState;
  /** Most dough that the bowl may hold, g. */
  readonly bowlMaxG: number;
  readonly factor: number;
  readonly onSkip: () => void;
}

/** The lot that was noted last for an ingredient, in any batch. */
const useLastLot = (ingredientId: string): string => {
  const batches = useJournal((s) => s.floor.lots);
  const noted = [...batches.values()]
    .flatMap(({ weighed }) => [...weighed.values()])
    .filter(({ key, lotCode }) => lotCode && ingredientOfKey(key) === ingredientId)
    .sort((a, b) => b.atMs - a.atMs);
  return noted[0]?.lotCode ?? '';
};

/** What stands on the same scale already, when its total is followed instead of taring. */
const standing = (known: LotState, line: WeighLine): number =>
  [...known.weighed.values()]
    .filter(({ scaleId, key }) => scaleId === line.scaleId && key !== line.key)
    .reduce((sum, { massG }) => sum + massG, 0);

/** The ingredient that is on the scale now, large. */
export const OnTheScale = ({ batchId, sheet, line, known, bowlMaxG, factor, onSkip }: OnTheScaleProps) => {
  const { scaleMode, scaleReads, set } = usePreferences();
  const scale = useScale();
  const before = known.weighed.get(line.key)?.massG ?? 0;
  const base = scaleMode === 'total' ? standing(known, line) : 0;
  const target = line.roundedG + base - (scaleMode === 'tare' ? before : 0);
  const wanted = scale.shown(target, line.resolutionG);
  // Keyed by the ingredient: what is being typed outlives any news from the server.
  // It starts empty: a reading that was never taken must not be one press away.
  const [text, setText] = useState('');
  const [problem, setProblem] = useState('');
  const [offered, setOffered] = useState<readonly Correction[]>([]);
  const lastLot = useLastLot(line.ingredientId);
  const [lot, setLot] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => claimFocus(input.current), []);
  // Switching between tare and total, or a batch that was scaled, wants another reading.
  useEffect(() => {
    setText('');
  }, [wanted, scaleReads]);

  const value = scale.readG(text);
  const massG = value - base + (scaleMode === 'tare' ? before : 0);
  const off = Number.isFinite(value) && text !== '' ? massG - line.roundedG : 0;
  const outside = Math.abs(off) > line.toleranceG + 1e-9;
  const lotCode = (lot ?? lastLot).trim();
  const isEgg = ingredient(line.ingredientId).kind === 'egg';
  const write = (change: { decision?: 'accept' | 'scale'; factor?: number } = {}) =>
    record('weighed', batchId, {
      key: line.key,
      massG: Number(massG.toFixed(3)),
      targetG: line.roundedG,
      scaleId: line.scaleId,
      ...(lotCode && { lotCode }),
      ...(known.stages.get(line.stageId) && { late: true }),
      ...change,
    });
  const weigh = () => {
    if (!Number.isFinite(value) || text.trim() === '' || massG <= 0) {
      setProblem(
        text.trim() === ''
          ? t`Type what the scale shows; the target is ${wanted} ${scale.unit}.`
          : t`"${text}" is no weight. Read it off the scale, in ${scale.unit}.`,
      );
      return;
    }
    if (massG > 10 * line.roundedG + 50) {
      setProblem(
        t`${text.trim()} is more than ten times the ${wanted} ${scale.unit} of the target. Check the reading.`,
      );
      return;
    }
    setProblem('');
    if (!outside) return write();
    const weighedG = Object.fromEntries([...known.weighed.values()].map((w) => [w.key, w.massG]));
    setOffered(correctionsFor(sheet, line, massG, weighedG, bowlMaxG, scaleMode === 'total' && base > 0));
  };
  const decide = (correction: Correction) => {
    setOffered([]);
    if (correction.kind === 'accept') write({ decision: 'accept' });
    else if (correction.kind === 'scale' && correction.factor !== undefined)
      write({ decision: 'scale', factor: Number((correction.factor * factor).toFixed(6)) });
    else input.current?.select();
  };
  return (
    <form
      className="no-print mb-3 rounded-lg border border-line-strong bg-raised p-4"
      aria-label={t`On the scale: ${line.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        weigh();
      }}
    >
      <div className="flex flex-wrap items-center justify-between gap-2 text-ink-soft">
        <p>
          {t`On the ${scaleNames[line.scaleId] ?? line.scaleId}, ${scaleMode === 'tare' ? t`tared` : t`running total from ${scale.said(base, line.resolutionG)}`}${before > 0 ? t` · ${scale.said(before, line.resolutionG)} are in, the batch was scaled` : ''}`}
        </p>
        <div className="flex gap-1 text-[13px]">
          <Button
            size="small"
            look="quiet"
            onClick={() => set({ scaleMode: scaleMode === 'tare' ? 'total' : 'tare' })}
          >
            {scaleMode === 'tare' ? t`Follow the total` : t`Tare each`}
          </Button>
          <Button
            size="small"
            look="quiet"
            onClick={() => set({ scaleReads: scaleReads === 'typed' ? 'simulated' : 'typed' })}
          >
            {scaleReads === 'typed' ? t`Simulated scale` : t`Type the reading`}
          </Button>
        </div>
      </div>
      <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-1">
        <p className="basis-full text-3xl leading-tight font-semibold">{line.name}</p>
        <div>
          <p
            id="target"
            aria-label={t`Target ${wanted} ${scale.unit}`}
            className="figures pb-1 text-[52px] leading-none"
          >
            {wanted} <span className="text-2xl">{scale.unit}</span>
            <span className="ml-3 text-lg text-ink-soft">
              ± {scale.shown(line.toleranceG, line.resolutionG)}
            </span>
          </p>
        </div>
        <div className="flex items-end gap-2">
          <div>
            <label htmlFor="reading" className="mb-1.5 block text-[13px] text-ink-soft">
              {t`Reading, ${scale.unit}`}
            </label>
            <input
              id="reading"
              aria-describedby="target"
              ref={input}
              inputMode="decimal"
              autoComplete="off"
              value={text}
              onChange={(event) => {
                setText(event.target.value);
                setOffered([]);
                setProblem('');
              }}
              className="figures min-h-14 w-32 rounded-md border border-line-strong bg-surface px-3 text-right text-2xl"
            />
          </div>
          <Button
            type="submit"
            look="primary"
            className="min-h-14 px-4 text-xl"
            icon={<Check size={22} />}
          >{t`Weighed`}</Button>
          <Button look="quiet" className="min-h-14 px-2" onClick={onSkip}>{t`Later`}</Button>
        </div>
      </div>
      {scaleReads === 'simulated' && (
        <SimulatedScale
          key={`${line.key}-${scaleMode}`}
          startG={base}
          targetG={target}
          toleranceG={line.toleranceG}
          resolutionG={line.resolutionG}
          onReading={(reading) => setText(scale.shown(reading, line.resolutionG))}
        />
      )}
      <div className="mt-2 flex flex-wrap items-end gap-4 text-[13.5px]">
        <label className="flex items-center gap-2 text-ink-soft">
          {t`Lot`}
          <input
            aria-label={t`Lot number`}
            value={lot ?? lastLot}
            maxLength={40}
            placeholder={t`off the bag`}
            onChange={(event) => setLot(event.target.value)}
            className="w-36 rounded border border-line bg-surface px-2 py-1"
          />
        </label>
        {isEgg && (
          <WholeEgg
            ingredientId={line.ingredientId}
            targetG={line.exact.value}
            onTake={(eggsG) => {
              setText(scale.shown(eggsG + base, line.resolutionG));
              setProblem('');
            }}
          />
        )}
      </div>
      {problem || (outside && offered.length === 0) ? (
        <p role="alert" className="mt-2 font-medium text-hand">
          {problem ||
            t`${scale.said(Math.abs(off), line.resolutionG)} ${off > 0 ? t`over` : t`under`}: outside the tolerance. Correct it, or press Weighed and choose what to do.`}
        </p>
      ) : null}
      {offered.length > 0 && (
        <CorrectReading
          name={line.name}
          off={off}
          resolutionG={line.resolutionG}
          corrections={offered}
          onChoose={decide}
        />
      )}
    </form>
  );
};
