import type highsLoader from 'highs';
import highsModule from 'highs';

// Its types describe the module as CommonJS; imported, it is the loader itself.
const loadHighs = highsModule as unknown as typeof highsLoader.default;
let highs: Awaited<ReturnType<typeof loadHighs>> | undefined;

/** Brings the linear solver (WebAssembly) in, once for a thread. */
export const bringLinear = async (): Promise<void> => {
  highs ??= await loadHighs();
};

/**
 * The least value of a linear program's objective.
 * @param program in the LP format
 * @throws Error when it has none, or the solver was not brought in
 */
export const solveLinear = (program: string): number => {
  if (!highs) throw new Error('The linear solver was not brought in.');
  const { Status, ObjectiveValue } = highs.solve(program);
  if (Status !== 'Optimal') throw new Error(`The linear program is ${Status}.`);
  return ObjectiveValue;
};

/** An integer program that is not decided by then is given up, s. */
const binarySeconds = 2;

/**
 * The columns that are 1 of a program whose columns are all binary; null where it was not decided in time.
 * @param program in the LP format
 * @throws Error when the solver was not brought in
 */
export const solveBinary = (program: string): ReadonlySet<string> | null => {
  if (!highs) throw new Error('The linear solver was not brought in.');
  const { Status, Columns } = highs.solve(program, { time_limit: binarySeconds });
  if (Status !== 'Optimal') return null;
  return new Set(
    Object.values(Columns)
      .filter((column) => 'Primal' in column && column.Primal > 0.5)
      .map(({ Name }) => Name),
  );
};
