import { t } from '@lingui/core/macro';
import { useMutation } from '@tanstack/react-query';
import { toast } from 'sonner';
import type { PlanView, TakenView, WhatIfInput, WhatIfView } from '@jokul/contracts';
import { call } from './api';
import { refreshRows } from './queries';

/** How a day would go if something were otherwise; nothing is changed by asking. */
export const useWhatIf = (date: string) =>
  useMutation({
    mutationFn: (input: WhatIfInput) => call<WhatIfView>('POST', `days/${date}/plan/what-if`, input),
  });

/** Makes it so, by the name that asking gave it; the answer names the way back. */
export const useTakeWhatIf = (date: string) =>
  useMutation({
    mutationFn: (id: string) => call<TakenView>('POST', `days/${date}/plan/what-if/${id}`, {}),
    onSettled: refreshRows,
  });

export const useUndoWhatIf = (date: string) =>
  useMutation({
    mutationFn: (back: string) => call<PlanView | null>('POST', `days/${date}/plan/what-if/${back}/undo`, {}),
    onSuccess: () => toast(t`Taken back.`),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
