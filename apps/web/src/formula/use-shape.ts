import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Formula, ShapeForecast } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { core } from '../workers/core';

/** Spread and thickness of a formula against another, by the bake model; null while it bakes, or where it cannot. */
export const useShape = (
  formula: Formula,
  reference: Formula | undefined,
): { readonly shape: ShapeForecast | null; readonly failed: boolean } => {
  const limits = useBakery().data?.rules.limits;
  const { data, isError } = useQuery({
    queryKey: ['shape', formula, reference, limits],
    queryFn: () => core().shape(formula, reference ?? formula, limits),
    enabled: reference !== undefined,
    // While a changed formula bakes, what the last one gave stays in sight.
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return { shape: data ?? null, failed: isError };
};
