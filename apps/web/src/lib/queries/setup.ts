import { useMutation, useQuery } from '@tanstack/react-query';
import type {
  BakeryInput,
  BakeryView,
  EquipmentInput,
  LogCheckView,
  RulesInput,
  SetupChanges,
  SetupChangeView,
  SetupFile,
  SetupFileInput,
  TakeSetupFileInput,
  WellbeingView,
} from '@jokul/contracts';
import { call, get } from '../api';
import { refreshRows } from './client';

/** How Jokul itself is; looked at again every half minute, or as often as is said. */
export const useWellbeing = (everyMs = 30_000) =>
  useQuery({
    queryKey: ['wellbeing'],
    queryFn: () => get<WellbeingView>('wellbeing'),
    refetchInterval: everyMs,
    staleTime: Math.min(10_000, everyMs),
  });

/** Whether any entry of the log was changed afterwards; asked when somebody wants to know. */
export const useLogCheck = () =>
  useQuery({
    queryKey: ['journal', 'verify'],
    queryFn: () => get<LogCheckView>('journal/verify'),
    enabled: false,
  });

export const useSaveRules = () =>
  useMutation({
    mutationFn: (input: RulesInput) => call<BakeryView>('PUT', 'rules', input),
    onSettled: refreshRows,
  });

export const useNameBakery = () =>
  useMutation({
    mutationFn: (input: BakeryInput) => call<BakeryView>('PUT', 'bakery', input),
    onSettled: refreshRows,
  });

export const useLookAtSetup = () =>
  useMutation({
    mutationFn: (input: SetupFileInput) => call<SetupChanges>('POST', 'setup/file/look', input),
  });

export const useImportSetup = () =>
  useMutation({
    mutationFn: (input: TakeSetupFileInput) => call<SetupChanges>('PUT', 'setup/file', input),
    onSettled: refreshRows,
  });

/** What was changed in Setup; asked anew when anything of it has another version. */
export const useSetupHistory = ({
  name,
  equipmentVersion,
  rulesVersion,
  ownIngredientsVersion,
}: BakeryView) =>
  useQuery({
    queryKey: ['setup-changes', name, equipmentVersion, rulesVersion, ownIngredientsVersion],
    queryFn: () => get<readonly SetupChangeView[]>('setup/changes'),
    placeholderData: (before: readonly SetupChangeView[] | undefined) => before,
  });

/** The setup with one part as it was before a change. */
export const askSetupBefore = (change: number) => get<SetupFile>(`setup/changes/${change}/before`);

/** All that is set up, as it is now. */
export const askSetup = () => get<SetupFile>('setup/file');

export const useSaveEquipment = () =>
  useMutation({
    mutationFn: (input: EquipmentInput) => call<BakeryView>('PUT', 'equipment', input),
    onSettled: refreshRows,
  });
