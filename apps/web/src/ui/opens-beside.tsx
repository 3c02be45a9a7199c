import { Suspense, useRef, useState, type ComponentProps, type ReactNode } from 'react';
import { later } from './later';

// A page is usable before anybody asks: what opens beside a figure comes with the first press.
const Popover = later(() => import('./popover'), 'Popover');

interface OpensBesideProps extends ComponentProps<'button'> {
  /** What opens beside the button; it may be fetched only then. */
  readonly opened: ReactNode;
  readonly openedClassName: string;
}

/** A button that something opens beside; Escape, a press elsewhere or on the button itself closes it. */
export const OpensBeside = ({ opened, openedClassName, ...button }: OpensBesideProps) => {
  const mark = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        {...button}
        ref={mark}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      />
      {open && (
        <Suspense>
          <Popover mark={mark} className={openedClassName} onClose={() => setOpen(false)}>
            {opened}
          </Popover>
        </Suspense>
      )}
    </>
  );
};
