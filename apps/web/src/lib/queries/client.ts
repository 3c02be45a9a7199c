import { QueryClient } from '@tanstack/react-query';
import { ApiProblem } from '../api';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      retry: (count, error) => error instanceof ApiProblem && error.passing && count < 20,
      retryDelay: (count) => Math.min(5000, 500 * 2 ** count),
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

/** Rows changed somewhere: look again at everything that is shown. */
export const refreshRows = () =>
  queryClient.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'journal' });
