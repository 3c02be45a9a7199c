import { t } from '@lingui/core/macro';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { useSearchParams } from 'react-router';
import type { BakeryView, ClockInput, ClockView, OwnIngredientsInput, PricesInput } from '@jokul/contracts';
import { ingredients, libraryOf, noPrices, wallClock, type Library } from '@jokul/core';
import { call, get } from '../api';
import { askClock, lastKnownClock, nowMs, setClock } from '../now';
import { refreshRows } from './client';

const withoutLiners = { liners: [] as const };
const withoutPrices = { prices: noPrices, pricesVersion: 0 };

/** What changes rarely. */
export const useBakery = () =>
  useQuery({
    queryKey: ['bakery'],
    queryFn: async () => {
      // The clock is asked for by itself: the rest may come from what this device keeps for when the server is away.
      const [bakery, asked] = await Promise.all([get<BakeryView>('bakery'), askClock().catch(() => null)]);
      // Something else listens at this address: what it says must not reach the pages.
      if (!('rules' in bakery)) throw new Error(t`The answer did not come from Jokul. Check the address.`);
      const clock = asked ?? lastKnownClock() ?? bakery.clock;
      // Before anything asks what day it is.
      setClock(clock);
      // What a device kept of an older Jokul has no prices, and no liners.
      return {
        ...withoutPrices,
        ...bakery,
        equipment: { ...withoutLiners, ...bakery.equipment },
        clock,
      };
    },
  });

/** What ships with Jokul and the bakery's own ingredients. */
export const useLibrary = (): Library => {
  const own = useBakery().data?.ownIngredients;
  return own ? libraryOf(own) : ingredients;
};

/** The bakery's today by its own clock and zone: a wall display goes over midnight by itself. */
export const useToday = (): string | undefined => {
  const timeZone = useBakery().data?.rules.timeZone;
  return useSyncExternalStore(everyFewSeconds, () =>
    timeZone === undefined ? undefined : wallClock(nowMs() / 1000, timeZone).date,
  );
};

const everyFewSeconds = (look: () => void) => {
  const timer = setInterval(look, 5000);
  return () => clearInterval(timer);
};

/** The bake day that is looked at: from the address, else the bakery's own today. */
export const useDayDate = (): string | undefined => {
  const [search] = useSearchParams();
  const today = useToday();
  return search.get('day') ?? today;
};

export const useSaveIngredients = () =>
  useMutation({
    mutationFn: (input: OwnIngredientsInput) => call<BakeryView>('PUT', 'ingredients', input),
    onSettled: refreshRows,
  });

export const useSavePrices = () =>
  useMutation({
    mutationFn: (input: PricesInput) => call<BakeryView>('PUT', 'prices', input),
    onSettled: refreshRows,
  });

export const useSetClock = () =>
  useMutation({
    mutationFn: (input: ClockInput) => call<ClockView>('PUT', 'clock', input),
    onSettled: refreshRows,
  });
