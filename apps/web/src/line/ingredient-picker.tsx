import { t } from '@lingui/core/macro';
import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import type { Ingredient } from '@jokul/core';
import { useLibrary } from '../lib/queries';

/** Picks an ingredient by any of its names. */
export const IngredientPicker = ({
  label,
  children,
  onPick,
}: {
  label: string;
  children: ReactNode;
  onPick: (food: Ingredient) => void;
}) => {
  const [open, setOpen] = useState(false);
  const library = useLibrary();
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>{children}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className="z-50 w-72 rounded-lg border border-line-strong bg-surface shadow-2xl"
        >
          <Command label={label}>
            <Command.Input
              autoFocus
              placeholder={t`Name of the ingredient …`}
              className="w-full border-b bg-transparent px-3 py-2 outline-none"
            />
            <Command.List className="max-h-64 overflow-y-auto p-1">
              <Command.Empty className="p-3 text-[13.5px] text-ink-soft">{t`Not in the library. Add it in Setup, under own ingredients.`}</Command.Empty>
              {[...library.values()].map((food) => (
                <Command.Item
                  key={food.id}
                  value={`${food.name} ${food.id}`}
                  keywords={[...food.words]}
                  onSelect={() => {
                    setOpen(false);
                    onPick(food);
                  }}
                  className="flex cursor-pointer justify-between gap-2 rounded px-2 py-1 text-[14px] data-[selected=true]:bg-ground"
                >
                  <span>{food.name}</span>
                  <span className="text-ink-faint">{food.kind}</span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
};
