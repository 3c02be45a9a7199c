import { useMutation, useQuery } from '@tanstack/react-query';
import type {
  OrderLineInput,
  OrderLinesInput,
  OrderLinesView,
  OrderView,
  StandingOrderInput,
  StandingOrderView,
} from '@jokul/contracts';
import { call, get } from '../api';
import { refreshRows } from './client';

export const useAddOrder = (date: string) =>
  useMutation({
    mutationFn: (input: OrderLineInput) => call<OrderView>('POST', `days/${date}/orders`, input),
    onSettled: refreshRows,
  });

/** Several lines at once: all of them, or none. */
export const useAddOrders = (date: string) =>
  useMutation({
    mutationFn: (lines: OrderLinesInput['lines']) =>
      call<OrderLinesView>('POST', `days/${date}/orders/many`, { lines }),
    onSettled: refreshRows,
  });

export const useChangeOrder = () =>
  useMutation({
    mutationFn: ({ id, ...input }: OrderLineInput & { id: string }) =>
      call<OrderView>('PUT', `orders/${id}`, input),
    onSettled: refreshRows,
  });

export const useRemoveOrder = () =>
  useMutation({
    mutationFn: ({ id, version }: Pick<OrderView, 'id' | 'version'>) =>
      call<null>('DELETE', `orders/${id}?version=${version}`),
    onSettled: refreshRows,
  });

/** A line of a standing order is again what stands, for one day. */
export const useTakeBack = (date: string) =>
  useMutation({
    mutationFn: (standingId: string) => call<null>('DELETE', `days/${date}/standing/${standingId}`),
    onSettled: refreshRows,
  });

/** Standing orders that are in force on a day or later. */
export const useStanding = (from: string) =>
  useQuery({
    queryKey: ['standing', from],
    queryFn: () => get<readonly StandingOrderView[]>(`standing?from=${from}`),
  });

/** Writes a new one, or changes one from a day on. */
export const useSaveStanding = () =>
  useMutation({
    mutationFn: ({ id, input }: { id: string | null; input: StandingOrderInput }) =>
      id === null
        ? call<StandingOrderView>('POST', 'standing', input)
        : call<StandingOrderView>('PUT', `standing/${id}`, input),
    onSettled: refreshRows,
  });

export const useEndStanding = () =>
  useMutation({
    mutationFn: ({ id, version, from }: Pick<StandingOrderView, 'id' | 'version'> & { from: string }) =>
      call<null>('DELETE', `standing/${id}?from=${from}&version=${version}`),
    onSettled: refreshRows,
  });
