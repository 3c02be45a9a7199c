import { useSyncExternalStore } from 'react';
import { queryClient } from '../lib/queries';
import type { Loading } from '../workers/core.worker';

export interface LoadingNow extends Loading {
  /** What it is computed from. */
  readonly from: 'mixed' | 'measured';
  readonly assumed: boolean;
}

/** Under which the answers are kept. */
export const loadingKey = (loadId: string) => ['at-loading', loadId] as const;

/** What is known of the dough of a load as it stands now; undefined while nothing was computed. */
export const loadingOf = (loadId: string): LoadingNow | undefined =>
  queryClient
    .getQueriesData<LoadingNow | null>({ queryKey: loadingKey(loadId) })
    .flatMap(([, data]) => data ?? [])
    .at(-1);

/** The same, followed while a page is open. */
export const useLoadingNow = (loadId: string): LoadingNow | undefined =>
  useSyncExternalStore(
    (look) => queryClient.getQueryCache().subscribe(look),
    () => loadingOf(loadId),
  );
