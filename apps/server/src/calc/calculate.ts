import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { calcRequests, sayUnsound, unsoundAt, type CalcAnswer, type CalcName } from '@jokul/contracts';
import { JokulError, say } from '@jokul/core';
import { firstTrouble } from '../common/first-trouble.js';
import { bringLinear } from '../computation/linear.js';
import { runBake } from './calculate-bake.js';
import { runCold, runConvert, runScale, runTray, runWeighCheck } from './calculate-line.js';
import { checkProblem, mostAtOnce, runPlan } from './calculate-plan.js';
import { runRead } from './calculate-read.js';
import { runCalibrate } from './calibrate.js';
import { runDay } from './day.js';

const checked = <T extends object>(type: new () => T, json: unknown): T => {
  const unsound = unsoundAt(json);
  if (unsound !== null) throw new JokulError('bad-request', sayUnsound(unsound), unsound);
  if (typeof json !== 'object' || json === null || Array.isArray(json)) {
    throw new JokulError('bad-request', say`The input must be one JSON object.`);
  }
  const request = plainToInstance(type, json);
  const trouble = firstTrouble(validateSync(request, { whitelist: true, forbidNonWhitelisted: true }));
  if (trouble) throw new JokulError('bad-request', trouble.message, trouble.path);
  return request;
};

/** Each of several questions by itself: an error stands in the place of its answer. */
const calculateAll = (name: string, questions: readonly unknown[]): readonly object[] => {
  if (questions.length > mostAtOnce)
    throw new JokulError('too-much', say`At most ${mostAtOnce} questions at once.`, '');
  return questions.map((question, i) => {
    try {
      return calculateOne(name, question);
    } catch (error) {
      // A calculation that does not exist is no fault of one question.
      if (!(error instanceof JokulError) || (error.code === 'unknown-calculation' && i === 0)) throw error;
      const { code, message, path } = error;
      return { error: { code, message, path } };
    }
  });
};

/** What a calculation needs before it can run. */
export const readyFor = async (name: string): Promise<void> => {
  if (name === 'day' || name === 'plan') await bringLinear();
};

/**
 * The core's computations as plain JSON in, JSON out; behind /api/calc/* and `npm run calc`.
 * An array of inputs is answered by an array.
 * @throws JokulError with code, sentence and path
 */
export const calculate = (name: string, json: unknown): object =>
  Array.isArray(json) ? calculateAll(name, json) : calculateOne(name, json);

/** Where an answer has a figure that is none; null for a whole one. */
const holeIn = (answer: unknown, path = ''): string | null => {
  if (typeof answer === 'number') return Number.isFinite(answer) ? null : path;
  if (typeof answer !== 'object' || answer === null) return null;
  for (const [key, value] of Object.entries(answer)) {
    const hole = holeIn(value, path === '' ? key : `${path}.${key}`);
    if (hole !== null) return hole;
  }
  return null;
};

/** An answer with a hole is none: JSON would say null, which means something else. */
const calculateOne = (name: string, json: unknown): object => {
  const answer = answerTo(name, json);
  const hole = holeIn(answer);
  if (hole === null) return answer;
  throw new JokulError(
    'not-computable',
    say`These figures give no answer: "${hole}" would be no number.`,
    hole,
  );
};

const answerTo = (name: string, json: unknown): CalcAnswer => {
  switch (name as CalcName) {
    case 'convert':
      return runConvert(checked(calcRequests.convert, json));
    case 'scale':
      return runScale(checked(calcRequests.scale, json));
    case 'cold':
      return runCold(checked(calcRequests.cold, json));
    case 'bake':
      return runBake(checked(calcRequests.bake, json));
    case 'tray':
      return runTray(checked(calcRequests.tray, json));
    case 'read':
      return runRead(checked(calcRequests.read, json));
    case 'calibrate':
      return runCalibrate(checked(calcRequests.calibrate, json));
    case 'weigh-check':
      return runWeighCheck(checked(calcRequests['weigh-check'], json));
    case 'day':
      return runDay(checked(calcRequests.day, json));
    case 'plan': {
      if (checkProblem(json)) return runPlan(json);
      const [error] = checkProblem.errors ?? [];
      throw new JokulError(
        'bad-request',
        say`The problem does not follow docs/plan.schema.json: ${error?.message ?? say`unknown trouble`}.`,
        error?.instancePath ?? '',
      );
    }
    default:
      throw new JokulError(
        'unknown-calculation',
        say`There is no calculation "${name}". Known: ${[...Object.keys(calcRequests), 'plan'].join(', ')}.`,
        'name',
      );
  }
};
