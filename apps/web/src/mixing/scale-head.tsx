import { t } from '@lingui/core/macro';
import type { Scale, WeighLine } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { Button } from '../ui/button';
import { scaleName, useScale } from './grams';

interface ScaleHeadProps {
  readonly line: WeighLine;
  readonly scales: readonly Scale[];
  /** What stands on the scale already where its total is followed, g. */
  readonly base: number;
  /** What of the ingredient is in the bowl already, g. */
  readonly before: number;
}

/** Which scale it is, and how it is used. */
export const ScaleHead = ({ line, scales, base, before }: ScaleHeadProps) => {
  const { scaleMode, scaleReads, set } = usePreferences();
  const scale = useScale();
  return (
    <div className="flex flex-wrap items-center justify-between gap-2 text-ink-soft">
      <p>
        {t`On the ${scaleName(scales, line.scaleId)}, ${scaleMode === 'tare' ? t`tared` : t`running total from ${scale.said(base, line.resolutionG)}`}${before > 0 ? t` · ${scale.said(before, line.resolutionG)} are in, the batch was scaled` : ''}`}
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
  );
};
