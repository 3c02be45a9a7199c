import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';
import { useSearchParams } from 'react-router';

interface AtTab {
  readonly value: string;
  readonly name: string;
  readonly content: ReactNode;
  readonly className?: string;
}

/** Parts of a station; which one is open stands in the address (`?at=`). The first is what opens by itself. */
export const AtTabs = ({ label, tabs }: { label: string; tabs: readonly [AtTab, ...AtTab[]] }) => {
  const [params, setParams] = useSearchParams();
  const first = tabs[0].value;
  const asked = params.get('at');
  const open = tabs.some(({ value }) => value === asked) ? (asked ?? first) : first;
  return (
    <Tabs.Root
      value={open}
      onValueChange={(next) =>
        setParams(
          (old) => {
            const now = new URLSearchParams(old);
            if (next === first) now.delete('at');
            else now.set('at', next);
            return now;
          },
          { replace: true },
        )
      }
    >
      <Tabs.List aria-label={label} className="no-print mb-3 flex flex-wrap gap-1 border-b">
        {tabs.map(({ value, name }) => (
          <Tabs.Trigger
            key={value}
            value={value}
            className="-mb-px min-h-11 border-b-2 border-transparent px-4 whitespace-nowrap text-ink-soft max-[1240px]:px-3 data-[state=active]:border-ink data-[state=active]:font-semibold data-[state=active]:text-ink"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {tabs.map(({ value, content, className }) => (
        <Tabs.Content key={value} value={value} className={className}>
          {content}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
};
