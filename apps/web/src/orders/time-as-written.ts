import type { Resolver } from 'react-hook-form';
import { readTimeOfDay } from '@jokul/core';

/** A check that first reads the ready-by as people write it (5:40 am, 0540); what is no time stays as typed, to be refused. */
export const timeAsWritten =
  <T extends { readyBy: string }>(check: Resolver<T>): Resolver<T> =>
  (values, context, options) =>
    check({ ...values, readyBy: readTimeOfDay(values.readyBy) ?? values.readyBy }, context, options);
