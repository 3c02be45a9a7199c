import { useQuery } from '@tanstack/react-query';
import type { DayView, WeekView } from '@jokul/contracts';
import { get } from '../api';
import { useDayDate } from './bakery';

export const useDay = () => {
  const date = useDayDate();
  return useQuery({
    queryKey: ['day', date],
    queryFn: () => get<DayView>(`days/${date}`),
    enabled: date !== undefined,
  });
};

/** Seven days from a date on, at a glance. */
export const useWeek = (from: string) =>
  useQuery({
    queryKey: ['week', from],
    queryFn: () => get<WeekView>(`weeks/${from}`),
    enabled: from !== '',
    placeholderData: (before: WeekView | undefined) => before,
  });

/** The list of any day. */
export const useOrdersOf = (date: string) =>
  useQuery({ queryKey: ['day', date], queryFn: () => get<DayView>(`days/${date}`) });
