import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import { HelpMark } from '../help/help-mark';
import type { HelpKey } from '../help/help-texts';

interface StationProps {
  readonly title: string;
  /** The question this station answers. */
  readonly question: string;
  readonly queueTitle: string;
  readonly queue: ReactNode;
  readonly actions?: ReactNode;
  readonly why: ReactNode;
  readonly children: ReactNode;
}

/** The why at the side. It takes the focus, so that the keyboard can scroll what has no control in it. */
export const WhyPane = ({ children }: { readonly children: ReactNode }) => (
  <aside
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    tabIndex={0}
    aria-label={t`Why`}
    className="no-print min-h-0 overflow-y-auto border-l bg-surface px-4 py-4 max-[1000px]:col-span-2 max-[1000px]:border-t max-sm:col-span-1 max-sm:overflow-visible max-sm:border-l-0"
  >
    {children}
  </aside>
);

/** The anatomy that all stations share: the queue, the workpiece, the why. */
export const Station = ({ title, question, queueTitle, queue, actions, why, children }: StationProps) => (
  <div className="grid h-full min-h-0 grid-cols-[212px_minmax(0,1fr)_276px] max-[1000px]:grid-cols-[190px_minmax(0,1fr)] max-sm:block max-sm:overflow-y-auto print:block">
    <aside
      aria-label={queueTitle}
      className="no-print flex min-h-0 flex-col border-r bg-surface max-sm:border-r-0 max-sm:border-b"
    >
      <h2 className="px-3 pt-3 pb-2 text-[12.5px] font-semibold text-ink-soft max-sm:pt-1.5 max-sm:pb-0.5">
        {queueTitle}
      </h2>
      {/* On a phone a strip to push along, so that the workpiece keeps the screen. */}
      <div className="min-h-0 flex-1 overflow-y-auto pb-3 max-sm:flex max-sm:max-h-48 max-sm:overflow-x-auto max-sm:pb-1.5 max-sm:*:w-44 max-sm:*:shrink-0">
        {queue}
      </div>
    </aside>
    <section
      aria-label={title}
      className="print-whole min-h-0 overflow-y-auto px-5 py-4 max-sm:overflow-visible max-sm:px-3 max-sm:py-3"
    >
      <header className="mb-3 flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
        <div className="min-w-0">
          <h1 className="text-[22px] leading-tight font-semibold">{title}</h1>
          <p className="text-ink-soft">{question}</p>
        </div>
        {actions && <div className="no-print flex flex-wrap gap-2">{actions}</div>}
      </header>
      {children}
    </section>
    <WhyPane>{why}</WhyPane>
  </div>
);

export const WhySection = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="mb-5">
    <h3 className="mb-1.5 text-[12.5px] font-semibold text-ink-soft">{title}</h3>
    {children}
  </section>
);

/** Name on the left, figure on the right. */
export const Facts = ({ children }: { children: ReactNode }) => (
  <dl className="divide-y divide-line">{children}</dl>
);
export const Fact = ({ name, help, children }: { name: string; help?: HelpKey; children: ReactNode }) => (
  <div className="flex items-baseline justify-between gap-3 py-1">
    <dt className="text-ink-soft">
      {name}
      {help && <HelpMark about={help} name={name} />}
    </dt>
    <dd className="figures text-right">{children}</dd>
  </div>
);

/** The usual cautions of a station; local rules come first. */
export const Cautions = ({ items }: { items: readonly string[] }) => (
  <WhySection title={t`Keep in mind`}>
    <ul className="space-y-1.5 text-[13.5px] text-ink-soft">
      {items.map((item) => (
        <li key={item} className="border-l-2 border-line-strong pl-2">
          {item}
        </li>
      ))}
    </ul>
    <p className="mt-2 text-[12.5px] text-ink-faint">{t`Local food rules and a licensed professional’s advice come first.`}</p>
  </WhySection>
);
