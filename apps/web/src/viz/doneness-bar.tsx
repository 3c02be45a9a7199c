import { t } from '@lingui/core/macro';
import { scaleLinear } from 'd3-scale';
import { sayDuration, type BakeState, type DonenessWindow } from '@jokul/core';
import { stateNames } from '../words/names-of-codes';

const hatches: Readonly<Record<BakeState, string>> = {
  under: 'repeating-linear-gradient(135deg,var(--line) 0 4px,transparent 4px 9px)',
  'soft-centre': 'none',
  chewy: 'repeating-linear-gradient(0deg,var(--line) 0 1px,transparent 1px 7px)',
  'crisp-edge': 'repeating-linear-gradient(90deg,var(--line) 0 1px,transparent 1px 6px)',
  'crisp-through': 'repeating-linear-gradient(90deg,var(--line-strong) 0 1px,transparent 1px 4px)',
};

interface DonenessBarProps {
  readonly windows: readonly DonenessWindow[];
  readonly pullS: number | null;
  readonly toleranceS: number;
}

/** What a pull at each time would give, after the carryover. Told by words and hatching, not by colour. */
export const DonenessBar = ({ windows, pullS, toleranceS }: DonenessBarProps) => {
  const from = Math.min(...windows.filter((w) => w.state !== 'under').map((w) => w.fromS)) * 0.75;
  const to = windows.at(-1)?.toS ?? 1;
  const x = scaleLinear([from, to], [0, 100]).clamp(true);
  return (
    <div>
      <div className="relative flex h-11 overflow-hidden rounded border border-line-strong bg-raised">
        {windows.map((w) => (
          <div
            key={w.state}
            className="absolute inset-y-0 border-r border-line-strong px-1.5 pt-0.5"
            style={{
              left: `${x(w.fromS)}%`,
              width: `${x(w.toS) - x(w.fromS)}%`,
              backgroundImage: hatches[w.state],
            }}
            title={t`${stateNames[w.state]}: ${sayDuration(w.fromS)} to ${sayDuration(w.toS)}`}
          >
            {x(w.toS) - x(w.fromS) > 8 && (
              <span className="block truncate text-[12.5px]">{stateNames[w.state]}</span>
            )}
          </div>
        ))}
        {pullS !== null && (
          <>
            <div
              className="absolute bottom-0 h-3.5 bg-ink/15"
              style={{
                left: `${x(pullS - toleranceS)}%`,
                width: `${x(pullS + toleranceS) - x(pullS - toleranceS)}%`,
              }}
            />
            <div
              className="absolute inset-y-0 w-[3px] bg-ink"
              style={{ left: `calc(${x(pullS)}% - 1.5px)` }}
            />
          </>
        )}
      </div>
      <div className="relative h-5 text-[12px] text-ink-soft">
        {windows.slice(1).map((w) => (
          <span
            key={w.state}
            className="figures absolute -translate-x-1/2"
            style={{ left: `${x(w.fromS)}%` }}
          >
            {Math.floor(w.fromS / 60)}:{String(Math.round(w.fromS % 60)).padStart(2, '0')}
          </span>
        ))}
      </div>
    </div>
  );
};
