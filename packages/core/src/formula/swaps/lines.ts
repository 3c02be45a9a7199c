import { foodOf, ingredient } from '../../ingredient/index.js';
import { formatNumber } from '../../shown/index.js';
import { doughLines, type Formula, type FormulaLine, type FormulaStage } from '../formula.js';

/** A formula with one thing in place of another, computed whole, and what was done about it. */
export interface Swapped {
  readonly formula: Formula;
  /** What was kept the same, and what could not be. */
  readonly says: string;
}
export interface Swap {
  readonly id: string;
  readonly title: string;
  readonly apply: () => Swapped;
}

export const has = (formula: Formula, id: string, test: (line: FormulaLine) => boolean = () => true) =>
  doughLines(formula).some((line) => line.ingredientId === id && test(line));
export const percentOf = (formula: Formula, id: string) =>
  doughLines(formula)
    .filter((line) => line.ingredientId === id)
    .reduce((sum, line) => sum + line.percent, 0);

/** Every line of that ingredient replaced by other lines, where it stands. */
export const replace = (
  formula: Formula,
  id: string,
  by: (line: FormulaLine) => readonly FormulaLine[],
): Formula => ({
  ...formula,
  stages: formula.stages.map((stage): FormulaStage => ({
    ...stage,
    lines: stage.lines.flatMap((line) => (line.ingredientId === id ? by(line) : [line])),
  })),
});

/** Puts `percent` of an ingredient in: onto its own line, else as a new line in the stage of that id, else the last. */
export const addTo = (formula: Formula, id: string, percent: number, stageId: string): Formula => {
  if (percent === 0) return formula;
  if (has(formula, id)) {
    let done = false;
    return replace(formula, id, (line) => {
      if (done) return [line];
      done = true;
      const sum = line.percent + percent;
      return sum > 1e-9 ? [{ ...line, percent: sum }] : [];
    });
  }
  if (percent < 0) return formula;
  const at = formula.stages.findIndex((stage) => stage.id === stageId);
  const index = at === -1 ? formula.stages.length - 1 : at;
  return {
    ...formula,
    stages: formula.stages.map((stage, i) =>
      i === index ? { ...stage, lines: [...stage.lines, { ingredientId: id, percent }] } : stage,
    ),
  };
};

/** Lines of the same ingredient in one stage become one. */
export const mergeLines = (formula: Formula): Formula => ({
  ...formula,
  stages: formula.stages.map((stage) => ({
    ...stage,
    lines: stage.lines.reduce<readonly FormulaLine[]>((lines, line) => {
      const same = lines.findIndex(
        (l) => l.ingredientId === line.ingredientId && (l.browned ?? false) === (line.browned ?? false),
      );
      return same === -1
        ? [...lines, line]
        : lines.map((l, i) => (i === same ? { ...l, percent: l.percent + line.percent } : l));
    }, []),
  })),
});

/**
 * More or less added salt, by all salts that the dough has, each in its proportion: fine, coarse, flaked.
 * @param change as of fine salt, % of flour; no more is taken off than there is
 * @returns what is left over that could not be taken off, and the salt added before and after, % of flour
 */
export const changeSalt = (
  formula: Formula,
  change: number,
): { readonly formula: Formula; readonly rest: number; readonly before: number; readonly after: number } => {
  const fine = ingredient('salt').analysis.salt;
  const saltOf = (line: FormulaLine) => {
    const { kind, analysis } = foodOf(line);
    return kind === 'salt' ? (line.percent * analysis.salt) / fine : 0;
  };
  const before = doughLines(formula).reduce((sum, line) => sum + saltOf(line), 0);
  const after = Math.max(0, before + change);
  const rest = after - before - change;
  if (before === 0) return { formula: addTo(formula, 'salt', after, 'dry'), rest, before, after };
  const share = after / before;
  const scaled = (line: FormulaLine): readonly FormulaLine[] => {
    if (saltOf(line) === 0) return [line];
    return share > 1e-9 ? [{ ...line, percent: line.percent * share }] : [];
  };
  const stages = formula.stages.map((stage) => ({ ...stage, lines: stage.lines.flatMap(scaled) }));
  return { formula: { ...formula, stages }, rest, before, after };
};

/** A swap where the formula allows it, else none. */
export const swap = (id: string, title: string, possible: boolean, apply: () => Swapped): readonly Swap[] =>
  possible ? [{ id, title, apply }] : [];

/** A change of a percent of flour, with its sign. */
export const signed = (by: number): string => `${by >= 0 ? '+' : '−'}${formatNumber(Math.abs(by))} %`;
