import { useMutation, useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import type { FaultsInput, JournalView, ProbesView } from '@jokul/contracts';
import { call, get } from '../api';
import { refreshRows } from './client';

export const useJournalBetween = (fromMs: number, toMs: number) =>
  useQuery({
    queryKey: ['journal', fromMs, toMs],
    queryFn: () => get<JournalView>(`journal/between?from=${fromMs}&to=${toMs}`),
    staleTime: 10_000,
  });

/** What the probes of the cold places saw since a moment; looked at again every half minute. */
export const useProbes = (fromMs: number, enabled = true) =>
  useQuery({
    queryKey: ['probes', Math.floor(fromMs / 3600e3)],
    queryFn: () => get<ProbesView>(`probes?from=${Math.floor(fromMs / 3600e3) * 3600e3}`),
    enabled,
    refetchInterval: 30_000,
    staleTime: 15_000,
    placeholderData: (before) => before,
  });

export const usePlayFaults = () =>
  useMutation({
    mutationFn: (input: FaultsInput) => call<ProbesView>('PUT', 'probes/faults', input),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
