import { say } from './say.js';
/** Misuse or input that makes no sense: a code for programs, a sentence for the baker, a path to the culprit. */
export class JokulError extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly path = '',
  ) {
    super(message);
    this.name = 'JokulError';
  }
}

/** Trouble in the domain that does not stop the computation; `figures` holds the numbers of the sentence. */
export interface Warning {
  readonly code: string;
  readonly message: string;
  readonly figures?: Readonly<Record<string, number>>;
}

/**
 * Refuses a number that is missing, not finite or outside [min, max].
 * @throws JokulError `out-of-range` with a sentence that names the field and the allowed range.
 */
export const requireNumber = (
  value: unknown,
  name: string,
  min: number,
  max: number,
  unit = '',
  path = name,
): number => {
  const range = say`between ${min} and ${max}${unit && ` ${unit}`}`;
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    throw new JokulError('out-of-range', say`${name} is missing or is no number; it must be ${range}.`, path);
  }
  if (value < min || value > max) {
    throw new JokulError(
      'out-of-range',
      say`${name} is ${value}${unit && ` ${unit}`}; it must be ${range}.`,
      path,
    );
  }
  return value;
};
