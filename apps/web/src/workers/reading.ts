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

/** A way to fill a cup. This runs in a worker, which says nothing itself: the page has the words for it. */
export type CupWay = 'spooned' | 'dipped' | 'own' | 'loose-sugar';

/** Everything that the page shows of a recipe's text. */
export interface Reading {
  readonly lines: Lines;
  readonly directions: ReturnType<typeof sheetDirections>;
  /** What the lines make; null where they make no dough yet. */
  readonly formula: Formula | null;
  /** What they would make by each way to fill a cup. */
  readonly cups: readonly { readonly way: CupWay; readonly formula: Formula | null }[];
}

/** The ways to fill a cup that differ here: flour spooned and dipped, and what else of the recipe goes by the cup. */
const cupsFor = (text: string, { flour }: CupSchools): readonly (readonly [CupWay, CupSchools])[] => [
  ['spooned', { flour: 'spooned', cocoa: 'spooned' }],
  ['dipped', { flour: 'dipped', cocoa: 'dipped' }],
  ...(typeof flour === 'number' ? ([['own', { flour }]] as const) : []),
  ...(/brown sugar/i.test(text)
    ? ([['loose-sugar', { flour: 'spooned', cocoa: 'spooned', 'brown sugar': 'loose' }]] as const)
    : []),
];

const assembled = (lines: Lines): Formula | null => {
  try {
    return assembleFormula(lines, { code: 'NEW', name: 'NEW' });
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
    directions: sheetDirections(text, settings),
    formula: whole ? assembled(lines) : null,
    cups: cupsFor(text, settings.schools).map(([way, school]) => ({
      way,
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
