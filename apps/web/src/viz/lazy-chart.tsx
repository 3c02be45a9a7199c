import { t } from '@lingui/core/macro';
import { Suspense } from 'react';
import type { ChartProps } from './chart';
import { later } from '../ui/later';

const Late = later(() => import('./chart'), 'Chart');

/** The chart, with its place kept while its code is on the way. */
export const LazyChart = (props: ChartProps) => (
  <Suspense
    fallback={
      <div
        style={{ height: props.height ?? 240 }}
        className="rounded border bg-surface"
        role="status"
        aria-label={t`Drawing`}
      />
    }
  >
    <Late {...props} />
  </Suspense>
);
