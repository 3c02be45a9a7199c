import highsModule from 'highs';
import type highsLoader from 'highs';

// Its types describe the module as CommonJS; imported, it is the loader itself.
const highs = await (highsModule as unknown as typeof highsLoader.default)();

/** The least value of a program's objective, and its columns. */
export const solved = (program: string) => {
  const { Status, ObjectiveValue, Columns } = highs.solve(program);
  if (Status !== 'Optimal') throw new Error(`The program is ${Status}.`);
  return { value: ObjectiveValue, columns: Columns };
};
/** The columns of a program of binary ones that are 1. */
export const solveBinary = (program: string): ReadonlySet<string> | null => {
  const { Status, Columns } = highs.solve(program, { time_limit: 5 });
  if (Status !== 'Optimal') return null;
  return new Set(
    Object.values(Columns)
      .filter((column) => 'Primal' in column && column.Primal > 0.5)
      .map(({ Name }) => Name),
  );
};
export const solveLinear = (program: string): number => solved(program).value;
