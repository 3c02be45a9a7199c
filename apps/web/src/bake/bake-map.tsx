import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useMemo } from 'react';
import { mapGrid, mostForgiving, type Formula } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { BakeMapPicture } from '../viz/bake-map-picture';
import type { WhatIf } from '../workers/core.worker';
import { useBakeMap } from './use-bake-map';
import { stateNames } from '../words/names-of-codes';

interface BakeMapProps {
  readonly formula: Formula;
  readonly base: WhatIf;
  readonly pullS: number;
}

/** Both temperature and time free: what every pull becomes, and where mistakes do least harm. */
export const BakeMap = ({ formula, base, pullS }: BakeMapProps) => {
  const { duration, temperature, difference } = useUnits();
  const { setC, adjust, limits } = base;
  const grid = useMemo(() => mapGrid(setC, pullS), [setC, pullS]);
  const { rows, progress, start, cancel } = useBakeMap(formula, base, grid);
  const done = rows.filter((row) => row !== null);
  const best = progress === 'done' ? mostForgiving(done, formula.bake.target, limits) : null;
  const say = (s: number) => duration(Math.round(s / 5) * 5);
  return (
    <section aria-label={t`Bake map`} className="mt-5">
      <div className="mb-1 flex items-center justify-between gap-3">
        <h2 className="text-[12.5px] font-semibold text-ink-soft">{t`Bake map: oven against time, ${grid.temperaturesC.length} × ${grid.pullsS.length} bakes`}</h2>
        {progress === 'running' ? (
          <span className="flex items-center gap-3 text-[13.5px]">
            <Trans>
              <span
                role="progressbar"
                aria-label={t`Rows computed`}
                aria-valuemin={0}
                aria-valuemax={rows.length}
                aria-valuenow={done.length}
                className="h-2 w-32 overflow-hidden rounded bg-line"
              >
                <span
                  className="block h-full bg-ink"
                  style={{ width: `${(100 * done.length) / Math.max(1, rows.length)}%` }}
                />
              </span>
              {done.length} of {rows.length}
            </Trans>
            <Button size="small" onClick={cancel}>{t`Stop`}</Button>
          </span>
        ) : (
          progress !== 'done' && (
            <Button size="small" onClick={() => void start()}>
              {progress === 'cancelled' ? t`Continue` : t`Draw the map`}
            </Button>
          )
        )}
      </div>
      {progress === 'failed' && (
        <p
          role="alert"
          className="font-medium text-hand"
        >{t`The map could not be computed: part of it lies outside what the model knows.`}</p>
      )}
      {rows.length > 0 && done.length > 0 && (
        <BakeMapPicture
          grid={grid}
          rows={rows}
          now={{ setC, pullS }}
          best={best}
          target={formula.bake.target}
          limits={limits}
        />
      )}
      {progress === 'done' && (
        <p className="mt-1">
          {best ? (
            <>
              <Trans>
                Most forgiving for {stateNames[formula.bake.target]}:{' '}
                <strong>{temperature(best.setC)}</strong>, pull after <strong>{say(best.pullS)}</strong>.
                There the pull may be {say(best.earlierS)} early or {say(best.laterS)} late, and the oven{' '}
                {difference(best.coolerK)} too cool or {difference(best.hotterK)} too hot.
              </Trans>
            </>
          ) : (
            t`No pull on this map becomes ${stateNames[formula.bake.target]} without getting too dark.`
          )}{' '}
          <span className="text-ink-faint">{t`A forecast${adjust ? t`, calibrated by logged bakes` : t`, not calibrated on this oven`}.`}</span>
        </p>
      )}
    </section>
  );
};
