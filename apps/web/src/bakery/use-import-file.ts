import { t } from '@lingui/core/macro';
import { toast } from 'sonner';
import type { SetupFile, SetupVersions } from '@jokul/contracts';
import { askSetup, useLookAtSetup, useImportSetup } from '../lib/queries';

interface Importing {
  readonly file: SetupFile;
  readonly withBakery: boolean;
  /** What the setup was when the file was looked at. */
  readonly versions: SetupVersions;
  /** What is said when it is done. */
  readonly done: string;
}

/** Takes a setup file in that was looked at, with an Undo that brings back what was there before. */
export const useImportFile = (say: (error: unknown) => void) => {
  const look = useLookAtSetup();
  const take = useImportSetup();
  const undo = async (before: SetupFile) => {
    const { versions } = await look.mutateAsync({ file: before, withBakery: true });
    await take.mutateAsync({ file: before, withBakery: true, versions });
    toast(t`The setup is as it was. Things that came only with the file are retired.`);
  };
  const importFile = async ({ file, withBakery, versions, done }: Importing) => {
    const before = await askSetup();
    await take.mutateAsync({ file, withBakery, versions });
    toast(done, {
      duration: 20_000,
      action: { label: t`Undo`, onClick: () => void undo(before).catch(say) },
    });
  };
  return { look, importFile, busy: take.isPending };
};
