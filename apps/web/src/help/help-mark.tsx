import { t } from '@lingui/core/macro';
import { OpensBeside } from '../ui/opens-beside';
import type { HelpKey } from './help-texts';
import { later } from '../ui/later';

const HelpText = later(() => import('./help-text'), 'HelpText');

/** A "?" beside a figure: what it is, how to find it out, and where more is said. */
export const HelpMark = ({ about, name }: { readonly about: HelpKey; readonly name: string }) => (
  <OpensBeside
    // Its name says nothing of the figure: whoever looks for that finds the figure, not its mark.
    aria-label={t`What is this?`}
    title={t`What is “${name}”?`}
    className="relative before:content-['?'] after:absolute after:-inset-1.5 after:content-[''] no-print ml-1 inline-grid size-[17px] shrink-0 translate-y-[-1px] place-items-center rounded-full border border-line-strong text-[11px] leading-none text-ink-faint hover:border-ink hover:text-ink"
    openedClassName="w-[min(20rem,calc(100vw-2rem))] p-3 text-[14px]"
    opened={<HelpText about={about} />}
  />
);
