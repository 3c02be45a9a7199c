import type { FieldValues, Resolver } from 'react-hook-form';

/**
 * The check of a form that is brought in when it is first needed: the classes and what reads them are a tenth of a first
 * page, and nobody sends a form before it is there. `load` may be called ahead, as the form is entered.
 */
export const checkLater =
  <T extends FieldValues>(load: () => Promise<Resolver<T>>): Resolver<T> =>
  async (values, context, options) =>
    (await load())(values, context, options);
