import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import {
  isTooLong,
  recipeRows,
  type BareUnit,
  type CupSchools,
  type LineAnswer,
  type Measures,
} from '@jokul/core';

interface ImportStore {
  readonly text: string;
  readonly title: string;
  readonly measures: Measures;
  readonly schools: CupSchools;
  readonly eggSize: string;
  /** What a figure without a unit means in this recipe; empty while that is not known. */
  readonly bareUnit: BareUnit | '';
  /** Answers by the number of the line. */
  readonly answers: Readonly<Record<number, LineAnswer>>;
  readonly setText: (text: string, title?: string) => void;
  readonly answer: (line: number, answer: LineAnswer | null) => void;
  readonly set: (change: Partial<Pick<ImportStore, 'measures' | 'schools' | 'eggSize' | 'bareUnit'>>) => void;
  readonly clear: () => void;
}

const sameLines = (
  before: string,
  after: string,
  answers: ImportStore['answers'],
): ImportStore['answers'] => {
  if (Object.keys(answers).length === 0) return answers;
  if (isTooLong(before) || isTooLong(after)) return {};
  // An answer stays with its line as long as the line reads the same; it follows when lines are put in above.
  const old = recipeRows(before).map(({ text }) => text);
  const now = recipeRows(after).map(({ text }) => text);
  return Object.fromEntries(
    Object.entries(answers).flatMap(([index, answer]) => {
      const text = old[Number(index)];
      const at = now[Number(index)] === text ? Number(index) : now.findIndex((line) => line === text);
      return text === undefined || at === -1 ? [] : [[at, answer]];
    }),
  );
};

/** The recipe being taken in. It is kept on this device until it is a formula, so that a reload loses nothing. */
export const useImport = create<ImportStore>()(
  persist(
    (set) => ({
      text: '',
      title: '',
      measures: 'us',
      schools: {},
      eggSize: '',
      bareUnit: '',
      answers: {},
      setText: (text, title) =>
        set((s) => ({ text, title: title ?? s.title, answers: sameLines(s.text, text, s.answers) })),
      answer: (line, answer) =>
        set((s) => {
          // Asked once for the sheet, answered once.
          if (answer?.bareUnit) return { bareUnit: answer.bareUnit };
          const { [line]: before, ...others } = s.answers;
          return { answers: answer ? { ...others, [line]: { ...before, ...answer } } : others };
        }),
      set: (change) => set(change),
      clear: () => set({ text: '', title: '', bareUnit: '', answers: {} }),
    }),
    { name: 'jokul-take-in' },
  ),
);
