import { Popover as Radix } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';

interface PopoverProps {
  /** The button it opens beside, and gives the focus back to. */
  readonly mark: RefObject<HTMLButtonElement | null>;
  readonly className: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What is open beside a button. */
export const Popover = ({ mark, className, onClose, children }: PopoverProps) => (
  <Radix.Root defaultOpen onOpenChange={(open) => !open && onClose()}>
    <Radix.Anchor virtualRef={mark} />
    <Radix.Portal>
      <Radix.Content
        collisionPadding={12}
        sideOffset={6}
        onCloseAutoFocus={(event) => {
          event.preventDefault();
          mark.current?.focus();
        }}
        // A press on the button itself closes it by that press, neither by being outside nor by taking the focus.
        onInteractOutside={(event) => {
          if (mark.current?.contains(event.target as Node)) event.preventDefault();
        }}
        className={`z-50 rounded-lg border border-line-strong bg-raised text-ink shadow-xl ${className}`}
      >
        {children}
        <Radix.Arrow className="fill-line-strong" />
      </Radix.Content>
    </Radix.Portal>
  </Radix.Root>
);
