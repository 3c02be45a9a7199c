import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { displayG, emptyScale, isStable, pourAdvice, stepScale, type PourAdvice } from '@jokul/core';
import { Button } from '../ui/button';
import { useScale } from './grams';

const says: Readonly<Record<PourAdvice, string>> = {
  pour: t`Pour.`,
  slowly: t`Slowly now: the scale is behind.`,
  stop: t`Stop: it is there.`,
  over: t`Over. Take some out, or choose what to do.`,
};

interface SimulatedScaleProps {
  readonly startG: number;
  readonly targetG: number;
  readonly toleranceG: number;
  readonly resolutionG: number;
  readonly onReading: (massG: number) => void;
}

const tickMs = 100;

/** A stand-in for the scale on the bench: hold to pour; it settles late, and a reading is taken only when it is still. */
export const SimulatedScale = ({
  startG,
  targetG,
  toleranceG,
  resolutionG,
  onReading,
}: SimulatedScaleProps) => {
  const scale = useScale();
  const [state, setState] = useState({ ...emptyScale, trueG: startG, lagG: startG });
  const rate = useRef(0);
  useEffect(() => {
    const timer = setInterval(
      () => setState((s) => stepScale(s, rate.current, tickMs / 1000, resolutionG)),
      tickMs,
    );
    return () => clearInterval(timer);
  }, [resolutionG]);
  const shown = displayG(state, resolutionG);
  const stable = isStable(state);
  const hold = (gPerS: number) => ({
    onPointerDown: () => (rate.current = gPerS),
    onPointerUp: () => (rate.current = 0),
    onPointerLeave: () => (rate.current = 0),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key === ' ' || event.key === 'Enter') {
        event.preventDefault();
        rate.current = gPerS;
      }
    },
    onKeyUp: () => (rate.current = 0),
  });
  const span = targetG - startG;
  return (
    <div
      role="group"
      aria-label={t`Simulated scale`}
      className="mt-3 flex flex-wrap items-center gap-3 rounded-md border bg-surface p-3"
    >
      <output aria-label={t`Display of the scale`} className="figures w-44 text-right text-4xl">
        {scale.shown(shown, resolutionG)} <span className="text-xl">{scale.unit}</span>
      </output>
      <span className="w-20 text-[13px] text-ink-soft">{stable ? t`still` : t`settling`}</span>
      <Button className="min-h-14 px-5" {...hold(span / 4)}>{t`Pour`}</Button>
      <Button className="min-h-14 px-5" {...hold(Math.max(span / 60, resolutionG * 2))}>{t`Trickle`}</Button>
      <Button className="min-h-14" {...hold(-span / 30)}>{t`Spoon out`}</Button>
      <Button
        look="primary"
        className="min-h-14"
        disabled={!stable || shown <= startG}
        onClick={() => onReading(shown)}
      >{t`Take the reading`}</Button>
      <p aria-live="polite" className="basis-full text-lg">
        {says[pourAdvice(shown, targetG, toleranceG)]}
      </p>
    </div>
  );
};
