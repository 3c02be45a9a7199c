import { t } from '@lingui/core/macro';
import { temporal } from 'zundo';
import { create } from 'zustand';
import { usualIcing, type Formula, type FormulaLine, type FormulaStage, type Topping } from '@jokul/core';

interface DraftStore {
  /** The formula being edited; null while it is only looked at. */
  readonly draft: Formula | null;
  readonly open: (formula: Formula) => void;
  readonly change: (change: Partial<Formula>) => void;
  readonly setLine: (stageIndex: number, lineIndex: number, line: FormulaLine | null) => void;
  readonly addLine: (stageIndex: number, line: FormulaLine) => void;
  /** Moves a line up (−1) or down (1); at the end of its stage it goes on into the next one. */
  readonly moveLine: (stageIndex: number, lineIndex: number, by: 1 | -1) => void;
  /** Moves a stage to another place in the order. */
  readonly moveStage: (from: number, to: number) => void;
  /** Changes a stage; null takes it out, an index past the end adds one. */
  readonly setStage: (index: number, stage: StageChange | null) => void;
  /** What is iced for the first time takes the usual time for it. */
  readonly setTopping: (index: number, line: Topping | null) => void;
}

/** What changes of a stage; undefined for what goes back to as usual. */
export type StageChange = { readonly [K in keyof FormulaStage]?: FormulaStage[K] | undefined };

const changedStage = (stage: FormulaStage, change: StageChange): FormulaStage =>
  Object.fromEntries(
    Object.entries({ ...stage, ...change }).filter(([, value]) => value !== undefined),
  ) as unknown as FormulaStage;

const without = <T>(list: readonly T[], index: number) => list.filter((_, i) => i !== index);

const moved = <T>(list: readonly T[], from: number, to: number): readonly T[] => {
  const item = list[from];
  if (item === undefined || to < 0 || to >= list.length || from === to) return list;
  const rest = without(list, from);
  return [...rest.slice(0, to), item, ...rest.slice(to)];
};

const withLineMoved = (
  stages: readonly FormulaStage[],
  stageIndex: number,
  lineIndex: number,
  by: 1 | -1,
): readonly FormulaStage[] => {
  const lines = stages[stageIndex]?.lines ?? [];
  const line = lines[lineIndex];
  const to = lineIndex + by;
  if (!line) return stages;
  if (to >= 0 && to < lines.length)
    return stages.map((stage, i) =>
      i === stageIndex ? { ...stage, lines: moved(lines, lineIndex, to) } : stage,
    );
  if (!stages[stageIndex + by]) return stages;
  return stages.map((stage, i) => {
    if (i === stageIndex) return { ...stage, lines: without(lines, lineIndex) };
    if (i !== stageIndex + by) return stage;
    return { ...stage, lines: by === 1 ? [line, ...stage.lines] : [...stage.lines, line] };
  });
};

/** The list with one item changed, taken out (null) or added at the end. */
const withItem = <T extends object>(list: readonly T[], index: number, item: T | null): readonly T[] =>
  item === null
    ? without(list, index)
    : index >= list.length
      ? [...list, item]
      : list.map((old, i) => (i === index ? item : old));

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
      moveLine: (stageIndex, lineIndex, by) =>
        set((s) => ({
          draft: s.draft && { ...s.draft, stages: withLineMoved(s.draft.stages, stageIndex, lineIndex, by) },
        })),
      moveStage: (from, to) =>
        set((s) => ({ draft: s.draft && { ...s.draft, stages: moved(s.draft.stages, from, to) } })),
      setStage: (index, stage) =>
        set((s) => {
          if (!s.draft) return s;
          const blank = {
            id: `stage-${s.draft.stages.length + 1}-${Date.now()}`,
            name: t`New stage`,
            cue: '',
            lines: [],
          };
          const next = stage && changedStage(s.draft.stages[index] ?? blank, stage);
          return { draft: { ...s.draft, stages: withItem(s.draft.stages, index, next) } };
        }),
      setTopping: (index, line) =>
        set(({ draft }) => {
          if (!draft) return { draft };
          const icesNow = line?.on === 'iced' && draft.afterBake?.icePieceS === undefined;
          return {
            draft: {
              ...draft,
              toppings: withItem(draft.toppings, index, line),
              ...(icesNow && { afterBake: { ...usualIcing, ...draft.afterBake } }),
            },
          };
        }),
    }),
    { partialize: ({ draft }) => ({ draft }), equality: (a, b) => a.draft === b.draft, limit: 200 },
  ),
);

export const undo = () => useDraft.temporal.getState().undo();
export const redo = () => useDraft.temporal.getState().redo();
