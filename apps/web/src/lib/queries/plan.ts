import { plural, t } from '@lingui/core/macro';
import { useMutation, useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { piecesLeft } from '@jokul/core';
import type {
  DaysPlanInput,
  DaysPlanView,
  HoldInput,
  MoveInput,
  MoveView,
  PlanInput,
  PlanView,
  ReadPlanView,
  ReplanView,
  RetimeInput,
  TakeInput,
  TakenView,
} from '@jokul/contracts';
import { call } from '../api';
import { refreshRows } from './client';

/** Says by itself how it went: the button that asked may be gone by then, with the news that it made. */
export const useMakePlan = (date: string) =>
  useMutation({
    mutationFn: (how: PlanInput = {}) => call<PlanView>('POST', `days/${date}/plan`, how),
    onSuccess: ({ plan }) =>
      toast(
        plan.unplaced.length === 0
          ? t`Planned: ${plural(plan.batches.length, { one: '# batch', other: '# batches' })}, all ready in time.`
          : t`Planned, but ${plural(piecesLeft(plan.unplaced), { one: '# piece is', other: '# pieces are' })} not ready in time: see Day.`,
      ),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });

export const useMakePlans = (date: string) =>
  useMutation({
    mutationFn: (input: DaysPlanInput) => call<DaysPlanView>('POST', `days/${date}/plan/days`, input),
    onSettled: refreshRows,
  });

export const useRetime = (date: string) =>
  useMutation({
    mutationFn: (input: RetimeInput) => call<PlanView>('POST', `days/${date}/plan/retime`, input),
    onSuccess: ({ moves }) =>
      toast(
        moves.length === 0
          ? t`Nothing had to move.`
          : t`${plural(moves.length, { one: '# load was', other: '# loads were' })} timed again.`,
      ),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });

/** A way out of a day that slipped, to be looked at; and taking it. */
export const useReplan = (date: string) =>
  useMutation({ mutationFn: () => call<ReplanView>('POST', `days/${date}/plan/replan`, {}) });

/** Takes a way out or a move by its name, with why where it breaks a rule; the answer names the way back. */
export const useTakeReplan = (date: string) =>
  useMutation({
    mutationFn: ({ id, ...why }: { readonly id: string } & TakeInput) =>
      call<TakenView>('POST', `days/${date}/plan/replan/${id}`, why),
    onSettled: refreshRows,
  });

/** What follows when a load goes elsewhere; asked anew with every plan and every place. */
export const useMove = (date: string, planVersion: number, move: MoveInput | null) =>
  useQuery({
    queryKey: ['move', date, planVersion, move],
    queryFn: () => call<MoveView>('POST', `days/${date}/plan/move`, move ?? undefined),
    enabled: move !== null,
    staleTime: 10_000,
    retry: false,
    placeholderData: (before) => before,
  });

/** What a plan from a file would change; nothing is changed by asking. */
export const useReadPlan = (date: string) =>
  useMutation({
    mutationFn: async (file: File) => {
      let plan: unknown;
      try {
        plan = JSON.parse(await file.text());
      } catch {
        throw new Error(t`${file.name} cannot be read: it is no plan that Jokul saved. Nothing was changed.`);
      }
      return call<ReadPlanView>('POST', `days/${date}/plan/file`, plan);
    },
  });

export const useHold = (date: string) =>
  useMutation({
    mutationFn: (input: HoldInput) => call<PlanView>('POST', `days/${date}/plan/held`, input),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
