import { foodOf } from '../ingredient/index.js';
import { doughLines, type Formula, type FormulaLine } from './formula.js';

/** Whether a line goes into the bowl melted, whatever it was before. */
export const isMeltedLine = ({ ready = [] }: Pick<FormulaLine, 'ready'>): boolean => ready.includes('melted');

/** The share of the butter of a dough that some lines bring; 0 where it has none. */
export const shareOfButter = (formula: Formula, of: (line: FormulaLine) => boolean): number => {
  const butter = doughLines(formula).filter((line) => foodOf(line).kind === 'butter');
  const percent = (lines: readonly FormulaLine[]) => lines.reduce((sum, line) => sum + line.percent, 0);
  const all = percent(butter);
  return all === 0 ? 0 : percent(butter.filter(of)) / all;
};

/** The share of the butter that goes in melted: all of it by the method, or what its lines say. */
export const meltedButterShare = (formula: Formula): number =>
  formula.method?.cream === 'melted' ? 1 : shareOfButter(formula, isMeltedLine);
