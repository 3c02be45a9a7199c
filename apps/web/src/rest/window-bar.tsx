import { t } from '@lingui/core/macro';
import type { RestRule } from '@jokul/core';
import { nowMs, useWallClock } from '../lib/clock';

interface WindowBarProps {
  readonly rest: RestRule;
  readonly ageS: number;
  readonly enteredMs: number;
}

/** The rest window as a bar: too early, good, too late, and where the dough is in it. */
export const WindowBar = ({ rest, ageS, enteredMs }: WindowBarProps) => {
  const wall = useWallClock();
  const whole = Math.max(rest.maxS * 1.12, ageS * 1.05, 60);
  const x = (s: number) => (s / whole) * 100;
  const at = (s: number) => wall.near(enteredMs + s * 1000, nowMs());
  return (
    <div className="mb-5 max-w-3xl">
      <div className="relative h-7 overflow-hidden rounded border border-line-strong bg-[repeating-linear-gradient(135deg,var(--line)_0_4px,transparent_4px_9px)]">
        <div
          className="absolute inset-y-0 border-x border-line-strong bg-raised"
          style={{ left: `${x(rest.minS)}%`, width: `${x(rest.maxS - rest.minS)}%` }}
        />
        <div className="absolute inset-y-0 w-px bg-ink-faint" style={{ left: `${x(rest.bestS)}%` }} />
        <div
          className="absolute inset-y-0 w-1 bg-ink"
          style={{ left: `calc(${Math.min(99, x(ageS))}% - 2px)` }}
        />
      </div>
      <div className="relative mt-0.5 h-5 text-[12.5px] text-ink-soft">
        <span
          className="absolute -translate-x-1/2 whitespace-nowrap"
          style={{ left: `${Math.max(6, x(rest.minS))}%` }}
        >
          {t`from ${at(rest.minS)}`}
        </span>
        {x(rest.bestS - rest.minS) > 18 && x(rest.maxS - rest.bestS) > 16 && (
          <span className="absolute -translate-x-1/2 whitespace-nowrap" style={{ left: `${x(rest.bestS)}%` }}>
            {t`best ${at(rest.bestS)}`}
          </span>
        )}
        <span
          className="absolute -translate-x-1/2 whitespace-nowrap"
          style={{ left: `${Math.min(93, x(rest.maxS))}%` }}
        >
          {t`until ${at(rest.maxS)}`}
        </span>
      </div>
    </div>
  );
};
