import { useMutation, useQuery } from '@tanstack/react-query';
import type { BackupChoiceInput, BackupMadeView, BackupsView, TablesMadeView } from '@jokul/contracts';
import { call, get } from '../lib/api';
import { queryClient } from '../lib/queries';

interface Answer {
  readonly backups: BackupsView | null;
}

/** Where backups go and the newest of them; null where the server was not told. */
export const useBackups = () =>
  useQuery({ queryKey: ['backups'], queryFn: async () => (await get<Answer>('backups')).backups });

const lookAgain = () =>
  Promise.all(['backups', 'wellbeing'].map((name) => queryClient.invalidateQueries({ queryKey: [name] })));

export const useChooseBackups = () =>
  useMutation({
    mutationFn: (input: BackupChoiceInput) => call<Answer>('PUT', 'backups', input),
    onSettled: lookAgain,
  });

export const useBackUpNow = () =>
  useMutation({
    mutationFn: () => call<BackupMadeView>('POST', 'backups', {}),
    onSettled: lookAgain,
  });

export const useTablesNow = () =>
  useMutation({ mutationFn: () => call<TablesMadeView>('POST', 'backups/tables', {}) });
