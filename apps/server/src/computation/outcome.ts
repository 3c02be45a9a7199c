import { JokulError } from '@jokul/core';

/** A refusal as data: an error that crosses a thread keeps its message only. */
export type Outcome<T> =
  | { readonly result: T }
  | { readonly refused: { readonly code: string; readonly message: string; readonly path: string } };

export const outcome = <T>(work: () => T): Outcome<T> => {
  try {
    return { result: work() };
  } catch (error) {
    if (!(error instanceof JokulError)) throw error;
    const { code, message, path } = error;
    return { refused: { code, message, path } };
  }
};
