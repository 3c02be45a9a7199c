import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { LotState } from '@jokul/core';
import { record } from '../journal/store';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';

interface PanLogProps {
  readonly batchId: string;
  readonly known: LotState;
  /** What the dough needs browned, g. */
  readonly neededG: number;
  /** What should go into the pan for it, g. */
  readonly weighInG: number;
}

/** What went into the pan, and what came out of it. */
export const PanLog = ({ batchId, known, neededG, weighInG }: PanLogProps) => {
  const wall = useWallClock();
  const { mass, label, figure, typed } = useUnits();
  const [inText, setIn] = useState('');
  const [outText, setOut] = useState('');
  const [inG, outG] = [typed(inText, 'mass'), typed(outText, 'mass')];
  const panGood = inG > 0 && outG > 0 && outG < inG;
  const last = known.browned.at(-1);
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <div className="w-32">
        <Field
          label={label(t`Into the pan`, 'mass')}
          inputMode="decimal"
          value={inText}
          placeholder={figure(Math.round(weighInG), 'mass')}
          onChange={(event) => setIn(event.target.value)}
        />
      </div>
      <div className="w-32">
        <Field
          label={label(t`Out of the pan`, 'mass')}
          inputMode="decimal"
          value={outText}
          onChange={(event) => setOut(event.target.value)}
          error={outText !== '' && inText !== '' && !panGood ? t`Less than went in.` : undefined}
        />
      </div>
      <Button
        disabled={!panGood || known.mixed !== null}
        onClick={() => {
          record('browned', batchId, { inG, outG });
          setIn('');
          setOut('');
        }}
      >{t`Log the pan`}</Button>
      {last && (
        <p className="pb-1.5 text-ink-soft">
          {t`${wall.time(last.atMs)}: ${mass(last.inG)} in, ${mass(last.outG)} out, ${(100 * (1 - last.outG / last.inG)).toFixed(1)} % lost`}
          {Math.abs(last.outG - neededG) > 0.03 * neededG && (
            <strong className="text-hand">
              {' '}
              {last.outG > neededG
                ? t`${mass(last.outG - neededG)} more than the dough needs: keep it back.`
                : t`${mass(neededG - last.outG)} short: brown some more.`}
            </strong>
          )}
        </p>
      )}
    </div>
  );
};
