import { t } from '@lingui/core/macro';
import { useEffect } from 'react';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import { compareVersions, type Formula } from '@jokul/core';
import { useSaveFormula } from '../lib/queries';
import { redo, undo, useDraft } from './draft-store';

const forget = () => useDraft.temporal.getState().clear();

/** The edit of one formula: begun, undone by Ctrl Z, thrown away, or stored as its next version. */
export const useFormulaDraft = (code: string) => {
  const { draft, open, change } = useDraft();
  const past = useStore(useDraft.temporal, (s) => s.pastStates.length);
  const future = useStore(useDraft.temporal, (s) => s.futureStates.length);
  const save = useSaveFormula(code);
  const editing = draft?.code === code;
  useEffect(() => {
    if (!editing) return;
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [editing]);
  const close = () => {
    useDraft.setState({ draft: null });
    forget();
  };
  return {
    draft: editing ? draft : null,
    change,
    begin: (latest: Formula) => {
      open(latest);
      forget();
    },
    close,
    canUndo: past > 0,
    canRedo: future > 0,
    saving: save.isPending,
    store: (formula: Formula, latest: Formula) => {
      const { code: _code, version: _version, ...body } = formula;
      const mutable = structuredClone(body) as Parameters<typeof save.mutate>[0];
      save.mutate(
        { ...mutable, baseVersion: latest.version },
        {
          onSuccess: (saved) => {
            close();
            toast(
              t`${saved.name}, version ${saved.version}: ${compareVersions(latest, formula).join(', ')}.`,
            );
          },
          onError: (error) => toast.error(error.message, { duration: 12_000 }),
        },
      );
    },
  };
};

export type FormulaDraft = ReturnType<typeof useFormulaDraft>;
