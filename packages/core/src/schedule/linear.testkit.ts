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
export const solveLinear = (program: string): number => solved(program).value;
