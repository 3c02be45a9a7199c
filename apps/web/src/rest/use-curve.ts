import { useQuery } from '@tanstack/react-query';
import type { RestQuestion } from '@jokul/core';
import { core } from '../workers/core';

/** The cold curve of a question, computed in the worker and kept by what went in. */
export const useRestCurve = (question: RestQuestion | null) =>
  useQuery({
    queryKey: ['rest-curve', question],
    queryFn: () => core().rest(question as RestQuestion),
    enabled: question !== null,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 3600_000,
    retry: false,
  });
