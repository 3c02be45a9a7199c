import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { startCore, type CoreWorker } from '../workers/core';
import type { Reading, Written } from '../workers/reading';

/** A worker of its own: a bake that is computed in the shared one must not hold up who types. */
const useReader = () => {
  const worker = useRef<CoreWorker | null>(null);
  useEffect(
    () => () => {
      worker.current?.stop();
      worker.current = null;
    },
    [],
  );
  return () => (worker.current ??= startCore()).api;
};

const nothing: Reading = { lines: [], directions: {}, formula: null, cups: [] };

/**
 * A recipe's text as it was read, line by line.
 * @returns what was read last, whether a newer text is being read, and what went wrong
 */
export const useReading = (
  written: Written,
): { readonly reading: Reading; readonly isReading: boolean; readonly error: Error | null } => {
  const reader = useReader();
  const isEmpty = written.text.trim() === '';
  const { data, isFetching, isPlaceholderData, error } = useQuery({
    queryKey: ['recipe', written],
    queryFn: () => reader().recipe(written),
    enabled: !isEmpty,
    // While the next letters are read, the lines before them stay in sight.
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  return {
    reading: isEmpty ? nothing : (data ?? nothing),
    isReading: !isEmpty && (isFetching || isPlaceholderData),
    error,
  };
};
