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
