import { temporal } from 'zundo';
import { create } from 'zustand';
import type { Formula, FormulaLine } from '@jokul/core';

interface DraftStore {
  /** The formula being edited; null while it is only looked at. */
  readonly draft: Formula | null;
  readonly open: (formula: Formula) => void;
  readonly change: (change: Partial<Formula>) => void;
  readonly setLine: (stageIndex: number, lineIndex: number, line: FormulaLine | null) => void;
  readonly addLine: (stageIndex: number, line: FormulaLine) => void;
}

const without = <T>(list: readonly T[], index: number) => list.filter((_, i) => i !== index);

/** The edit in progress, with undo and redo. */
export const useDraft = create<DraftStore>()(
  temporal(
    (set) => ({
      draft: null,
      open: (formula) => set({ draft: formula }),
      change: (change) => set((s) => ({ draft: s.draft && { ...s.draft, ...change } })),
      setLine: (stageIndex, lineIndex, line) =>
        set((s) => ({
          draft: s.draft && {
            ...s.draft,
            stages: s.draft.stages.map((stage, i) =>
              i === stageIndex
                ? {
                    ...stage,
                    lines: line
                      ? stage.lines.map((l, j) => (j === lineIndex ? line : l))
                      : without(stage.lines, lineIndex),
                  }
                : stage,
            ),
          },
        })),
      addLine: (stageIndex, line) =>
        set((s) => ({
          draft: s.draft && {
            ...s.draft,
            stages: s.draft.stages.map((stage, i) =>
              i === stageIndex ? { ...stage, lines: [...stage.lines, line] } : stage,
            ),
          },
        })),
    }),
    { partialize: ({ draft }) => ({ draft }), equality: (a, b) => a.draft === b.draft, limit: 200 },
  ),
);

export const undo = () => useDraft.temporal.getState().undo();
export const redo = () => useDraft.temporal.getState().redo();
