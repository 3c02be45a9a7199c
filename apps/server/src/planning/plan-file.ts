import { Ajv } from 'ajv';
import { JokulError, type BatchPlan, say } from '@jokul/core';
import { dayPlanSchema, sayUnsound, unsoundAt, type DayPlanFile } from '@jokul/contracts';

const isDayPlan = new Ajv({ allErrors: false }).compile<DayPlanFile>(dayPlanSchema);

/**
 * The batches of a plan's file.
 * @throws JokulError `bad-plan-file`, `other-day`
 */
export const readPlanFile = (date: string, file: unknown): readonly BatchPlan[] => {
  const unsound = unsoundAt(file);
  if (unsound !== null) throw new JokulError('bad-plan-file', sayUnsound(unsound), unsound);
  if (!isDayPlan(file)) {
    const [trouble] = isDayPlan.errors ?? [];
    const where = (trouble?.instancePath ?? '').replaceAll('/', '.').slice(1);
    throw new JokulError(
      'bad-plan-file',
      say`This is no plan that Jokul saved${where ? `: ${where} ${trouble?.message ?? ''}` : ''}. Nothing was changed.`,
      where,
    );
  }
  if (file.date !== date)
    throw new JokulError('other-day', say`The file is the plan of ${file.date}: open that day.`, 'date');
  return file.batches;
};
