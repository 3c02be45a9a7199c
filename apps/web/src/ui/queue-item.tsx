import { t } from '@lingui/core/macro';
import { useEffect, useRef, type ReactNode } from 'react';
import { Link } from 'react-router';

interface QueueItemProps {
  readonly to: string;
  readonly active: boolean;
  readonly title: ReactNode;
  readonly detail?: ReactNode;
  readonly side?: ReactNode;
  /** Share of the work that is done, 0 to 1. */
  readonly done?: number;
}

/** One workpiece in a station's queue. */
export const QueueItem = ({ to, active, title, detail, side, done }: QueueItemProps) => {
  const item = useRef<HTMLAnchorElement>(null);
  // A long queue opens at the workpiece, also where it is a strip.
  useEffect(() => {
    if (active) item.current?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [active]);
  return (
    <Link
      ref={item}
      to={to}
      aria-current={active ? 'true' : undefined}
      className={`block border-l-[3px] px-3 py-2 ${active ? 'border-ink bg-ground' : 'border-transparent hover:bg-ground'}`}
    >
      <span className="flex items-baseline justify-between gap-2">
        <span className={`min-w-0 text-balance ${active ? 'font-semibold' : ''}`}>{title}</span>
        {side && <span className="figures shrink-0 text-[13px] text-ink-soft">{side}</span>}
      </span>
      {detail && <span className="block text-[13px] text-ink-faint">{detail}</span>}
      {done !== undefined && (
        <span
          className="mt-1 block h-1 rounded bg-line"
          role="img"
          aria-label={t`${Math.round(done * 100)} % done`}
        >
          <span className="block h-1 rounded bg-ink-soft" style={{ width: `${Math.round(done * 100)}%` }} />
        </span>
      )}
    </Link>
  );
};
