import { Popover } from 'radix-ui';
import { lazy, Suspense } from 'react';
import type { HelpKey } from './help-texts';

const HelpText = lazy(() => import('./help-text').then((m) => ({ default: m.HelpText })));

/** A "?" beside a figure: what it is, how to find it out, and where more is said. */
export const HelpMark = ({ about, name }: { readonly about: HelpKey; readonly name: string }) => (
  <Popover.Root>
    <Popover.Trigger
      // Its name says nothing of the figure: whoever looks for that finds the figure, not its mark.
      aria-label="What is this?"
      title={`What is “${name}”?`}
      className="relative before:content-['?'] after:absolute after:-inset-1.5 after:content-[''] no-print ml-1 inline-grid size-[17px] shrink-0 translate-y-[-1px] place-items-center rounded-full border border-line-strong text-[11px] leading-none text-ink-faint hover:border-ink hover:text-ink"
    />
    <Popover.Portal>
      <Popover.Content
        collisionPadding={12}
        sideOffset={6}
        className="z-50 w-[min(20rem,calc(100vw-2rem))] rounded-lg border border-line-strong bg-raised p-3 text-[14px] text-ink shadow-xl"
      >
        <Suspense fallback={<p>…</p>}>
          <HelpText about={about} />
        </Suspense>
        <Popover.Arrow className="fill-line-strong" />
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
);
