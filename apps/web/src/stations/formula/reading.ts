import {
  assembleFormula,
  JokulError,
  readRecipe,
  sheetDirections,
  type CupSchools,
  type Formula,
  type LineAnswer,
  type ReadSettings,
} from '@jokul/core';

/** A written recipe, and what was answered about its lines. */
export interface Written {
  readonly text: string;
  readonly settings: ReadSettings;
  readonly answers: Readonly<Record<number, LineAnswer>>;
}

type Lines = ReturnType<typeof readRecipe>;

/** Everything that the page shows of a recipe's text. */
export interface Reading {
  readonly lines: Lines;
  readonly directions: ReturnType<typeof sheetDirections>;
  /** What the lines make; null where they make no dough yet. */
  readonly formula: Formula | null;
  /** What they would make by each way to fill a cup. */
  readonly cups: readonly { readonly name: string; readonly formula: Formula | null }[];
}

/** The ways to fill a cup that differ here: flour spooned and dipped, and what else of the recipe goes by the cup. */
const cupsFor = (text: string, { flour }: CupSchools): readonly (readonly [string, CupSchools])[] => [
  ['flour spooned', { flour: 'spooned', cocoa: 'spooned' }],
  ['flour dipped', { flour: 'dipped', cocoa: 'dipped' }],
  ...(typeof flour === 'number' ? ([['our own cup', { flour }]] as const) : []),
  ...(/brown sugar/i.test(text)
    ? ([['brown sugar loose', { flour: 'spooned', cocoa: 'spooned', 'brown sugar': 'loose' }]] as const)
    : []),
];

const assembled = (lines: Lines): Formula | null => {
  try {
    return assembleFormula(lines, { code: 'NEW', name: 'New' });
  } catch (error) {
    if (error instanceof JokulError) return null;
    throw error;
  }
};

/** Reads all of it. Linear in the text, and off the main thread in the application. */
export const readWritten = ({ text, settings, answers }: Written): Reading => {
  const lines = readRecipe(text, settings, answers);
  const whole = lines.some(({ state }) => state === 'read') && lines.every(({ state }) => state !== 'ask');
  return {
    lines,
    directions: sheetDirections(text),
    formula: whole ? assembled(lines) : null,
    cups: cupsFor(text, settings.schools).map(([name, school]) => ({
      name,
      formula: assembled(
        readRecipe(
          text,
          { ...settings, schools: { 'brown sugar': 'packed', ...settings.schools, ...school } },
          answers,
        ),
      ),
    })),
  };
};
