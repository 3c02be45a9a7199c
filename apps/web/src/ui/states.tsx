import { t } from '@lingui/core/macro';
import { TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';
import { ApiProblem } from '../lib/api';
import { Button } from './button';

/** While something is on its way. */
export const Loading = ({ what }: { what: string }) => (
  <div role="status" className="grid h-full place-items-center p-10 text-ink-soft">
    <div className="w-64">
      <p className="mb-2">{t`Getting ${what} …`}</p>
      <div className="h-1 overflow-hidden rounded bg-line">
        <div className="h-1 w-1/3 animate-pulse rounded bg-ink-soft" />
      </div>
    </div>
  </div>
);

/** When there is nothing yet: what this place is for, and what to do. */
export const Empty = ({
  title,
  children,
  action,
}: {
  title: string;
  children: ReactNode;
  action?: ReactNode;
}) => (
  <div className="mx-auto max-w-md py-14 text-center">
    <p className="text-lg font-semibold">{title}</p>
    <p className="mt-1 text-ink-soft">{children}</p>
    {action && <div className="mt-4">{action}</div>}
  </div>
);

/** When something went wrong: what, and what to do. */
export const Failed = ({ error, onRetry }: { error: unknown; onRetry?: () => void }) => (
  <div role="alert" className="mx-auto my-10 max-w-lg rounded-lg border-2 border-hand bg-hand-ground p-4">
    <p className="flex items-center gap-2 font-semibold">
      <TriangleAlert size={18} className="text-hand" aria-hidden /> {t`That did not work`}
    </p>
    <p className="mt-1">
      {error instanceof ApiProblem || error instanceof Error
        ? error.message
        : t`Something failed on this page.`}
    </p>
    {onRetry && <Button className="mt-3" onClick={onRetry}>{t`Try again`}</Button>}
  </div>
);

/** A sentence that needs a hand. */
export const Alarm = ({ children, action }: { children: ReactNode; action?: ReactNode }) => (
  <div
    role="alert"
    className="mb-3 flex flex-wrap items-center gap-3 rounded-md border border-hand bg-hand-ground px-3 py-2"
  >
    <TriangleAlert size={17} className="shrink-0 text-hand" aria-hidden />
    <p className="min-w-0 flex-1">{children}</p>
    {action}
  </div>
);
