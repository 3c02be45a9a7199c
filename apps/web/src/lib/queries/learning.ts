import { plural, t } from '@lingui/core/macro';
import { useMutation, useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import type { CalibrationChoicesInput, CalibrationView, PlanView } from '@jokul/contracts';
import { ApiProblem, call, get } from '../api';
import { refreshRows } from './client';

/**
 * What the logged bakes say; learning takes some seconds the first time.
 * @param awaited an entry that must be among the bakes: asked again until it is
 */
export const useCalibration = (date: string | undefined, awaited?: string) =>
  useQuery({
    queryKey: ['calibration', date],
    queryFn: () => get<CalibrationView>(`days/${date}/calibration`),
    enabled: date !== undefined,
    staleTime: 0,
    placeholderData: (before) => before,
    refetchInterval: ({ state }) =>
      awaited !== undefined && !state.data?.bakes.some(({ id }) => id === awaited) ? 2500 : false,
  });

const calibrationStep = (date: string, step: 'use' | 'undo') => (version: number) =>
  call<CalibrationView>('POST', `days/${date}/calibration/${step}`, { version });

/** Takes what was learned into force, or back, and times the loads of the day by it. */
export const useCalibrationStep = (date: string, step: 'use' | 'undo') =>
  useMutation({
    mutationFn: async (version: number) => {
      await calibrationStep(date, step)(version);
      return call<PlanView>('POST', `days/${date}/plan/retime`, {}).catch((error: unknown) => {
        // A day that is not planned yet has nothing to time.
        if (error instanceof ApiProblem && error.code === 'no-plan') return null;
        throw error;
      });
    },
    onSuccess: (plan) => {
      const moved = plan?.moves.length ?? 0;
      toast(
        moved === 0
          ? t`Done. No load of this day changes.`
          : t`Done. ${plural(moved, { one: '# load has', other: '# loads have' })} another pull or start now.`,
      );
    },
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });

export const useCalibrationChoices = (date: string) =>
  useMutation({
    mutationFn: (input: CalibrationChoicesInput) =>
      call<CalibrationView>('PUT', `days/${date}/calibration`, input),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
