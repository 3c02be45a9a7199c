import { ValidateBy } from 'class-validator';
import { usualLimits, wrongLimits, type LimitKey, say } from '@jokul/core';

const sentence = (value: unknown): string => {
  const [wrong] = typeof value === 'object' && value !== null ? wrongLimits({ ...value }) : [];
  if (!wrong) return say`Limits are named, each with its figure.`;
  const { key, why, against } = wrong;
  if (why === 'unknown') return say`There is no limit "${key.slice(0, 60)}".`;
  const { low, high } = usualLimits[key as LimitKey];
  if (why === 'crossed') return say`The limit ${key} must be above ${String(against)}.`;
  return say`The limit ${key} is between ${low} and ${high}.`;
};

/** Limits and factors of the models by their names, each within what it may be set to. */
export const Limits = (): PropertyDecorator =>
  ValidateBy({
    name: 'ownLimits',
    validator: {
      validate: (value: unknown) =>
        typeof value === 'object' &&
        value !== null &&
        !Array.isArray(value) &&
        wrongLimits({ ...value }).length === 0,
      defaultMessage: (args) => sentence(args?.value),
    },
  });
