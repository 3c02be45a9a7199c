import { t } from '@lingui/core/macro';
import { useEffect, useState, type RefObject } from 'react';
import { correctionsFor, type Correction, type LotState, type WeighLine, type WeighSheet } from '@jokul/core';
import { record } from '../journal/store';
import { claimFocus } from '../lib/claim-focus';
import { usePreferences } from '../lib/preferences';
import { useScale } from './grams';

export interface ReadingOf {
  readonly batchId: string;
  readonly sheet: WeighSheet;
  readonly line: WeighLine;
  readonly known: LotState;
  /** Most dough that the bowl may hold, g. */
  readonly bowlMaxG: number;
  readonly factor: number;
}

/** What stands on the same scale already, when its total is followed instead of taring. */
const standing = (known: LotState, line: WeighLine): number =>
  [...known.weighed.values()]
    .filter(({ scaleId, key }) => scaleId === line.scaleId && key !== line.key)
    .reduce((sum, { massG }) => sum + massG, 0);

/** What is read off the scale for an ingredient, what is wrong with it, and how it is taken. */
export const useReading = (
  { batchId, sheet, line, known, bowlMaxG, factor }: ReadingOf,
  lotCode: string,
  input: RefObject<HTMLInputElement | null>,
) => {
  const { scaleMode, scaleReads } = usePreferences();
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
  useEffect(() => claimFocus(input.current), [input]);
  // Switching between tare and total, or a batch that was scaled, wants another reading.
  useEffect(() => {
    setText('');
  }, [wanted, scaleReads]);

  const value = scale.readG(text);
  const massG = value - base + (scaleMode === 'tare' ? before : 0);
  const off = Number.isFinite(value) && text !== '' ? massG - line.roundedG : 0;
  const outside = Math.abs(off) > line.toleranceG + 1e-9;
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
  const type = (reading: string) => {
    setText(reading);
    setOffered([]);
    setProblem('');
  };
  const wrong =
    problem ||
    (outside && offered.length === 0
      ? t`${scale.said(Math.abs(off), line.resolutionG)} ${off > 0 ? t`over` : t`under`}: outside the tolerance. Correct it, or press Weighed and choose what to do.`
      : '');
  // A scale that tells what it shows takes back nothing that was asked.
  return { before, base, target, wanted, text, type, show: setText, off, wrong, offered, weigh, decide };
};
