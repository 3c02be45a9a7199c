import { t } from '@lingui/core/macro';
import type { Figure } from '@jokul/core';
import { type ReactNode } from 'react';
import { useQuantity, useSaid } from '../lib/said';
import { OpensBeside } from './opens-beside';
import { later } from './later';

const Arithmetic = later(() => import('./arithmetic'), 'Arithmetic');

/** A computed value that opens to show its arithmetic. `children` says the value in the words of the place. */
export const Shown = ({
  figure,
  children,
  className = '',
}: {
  figure: Figure;
  children?: ReactNode;
  className?: string;
}) => {
  const quantity = useQuantity();
  const say = useSaid((own) => own.say);
  return (
    <OpensBeside
      className={`figures whitespace-nowrap underline decoration-dotted decoration-line-strong underline-offset-4 hover:decoration-ink ${className}`}
      aria-label={t`${say(figure.name)}: ${quantity(figure)}. Show the arithmetic`}
      openedClassName="max-h-[var(--radix-popover-content-available-height)] w-[min(26rem,calc(100vw-2rem))] overflow-y-auto p-4"
      opened={<Arithmetic figure={figure} />}
    >
      {children ?? quantity(figure)}
    </OpensBeside>
  );
};
