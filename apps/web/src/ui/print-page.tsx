import { t } from '@lingui/core/macro';
import { Printer } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button, buttonClass } from './button';

/** A page that is made to be printed: what it is above, its choices, the way back; on paper only what is in it. */
export const PrintPage = ({
  title,
  lead,
  back,
  backName = t`Back`,
  choices,
  children,
}: {
  readonly title: string;
  readonly lead: ReactNode;
  readonly back: string;
  readonly backName?: string;
  readonly choices?: ReactNode;
  readonly children: ReactNode;
}) => (
  <div className="h-full overflow-y-auto p-5 print:overflow-visible print:p-0">
    <div className="no-print mb-4 flex flex-wrap items-end gap-3">
      <div className="mr-auto max-w-[36rem]">
        <h1 className="text-[22px] font-semibold">{title}</h1>
        <p className="text-ink-soft">{lead}</p>
      </div>
      {choices}
      <Link to={back} className={buttonClass()}>
        {backName}
      </Link>
      <Button
        look="primary"
        icon={<Printer size={16} aria-hidden />}
        onClick={() => window.print()}
      >{t`Print`}</Button>
    </div>
    {children}
  </div>
);
