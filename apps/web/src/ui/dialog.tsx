import { t } from '@lingui/core/macro';
import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface DialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly lead?: ReactNode;
  readonly children: ReactNode;
  readonly wide?: boolean;
}

export const Dialog = ({ open, onClose, title, lead, children, wide = false }: DialogProps) => (
  <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
    <Radix.Portal>
      <Radix.Overlay className="fixed inset-0 z-40 bg-black/45" />
      <Radix.Content
        aria-describedby={undefined}
        // A toast lies over the dialog: its Undo is not a press outside.
        onInteractOutside={(event) => {
          if (event.target instanceof Element && event.target.closest('[data-sonner-toaster]'))
            event.preventDefault();
        }}
        className={`fixed top-[8vh] left-1/2 z-50 max-h-[84vh] -translate-x-1/2 overflow-y-auto rounded-lg border border-line-strong bg-surface p-5 shadow-2xl ${wide ? 'w-[min(46rem,94vw)]' : 'w-[min(30rem,94vw)]'}`}
      >
        <div className="mb-3 flex items-start justify-between gap-4">
          <Radix.Title className="text-lg font-semibold">{title}</Radix.Title>
          <Radix.Close className="rounded p-1 text-ink-soft hover:bg-ground" aria-label={t`Close`}>
            <X size={18} />
          </Radix.Close>
        </div>
        {lead && <p className="mb-3 text-ink-soft">{lead}</p>}
        {children}
      </Radix.Content>
    </Radix.Portal>
  </Radix.Root>
);
