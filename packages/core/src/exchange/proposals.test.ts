import { describe, expect, it } from '@jest/globals';
import { bakeInputOf, processOf, targetAfter } from '../bake/index.js';
import { checkFormula, doughLines, type Formula } from '../formula/index.js';
import { assembleFormula } from './assemble.js';
import { proposalsOf, withProposals } from './proposals.js';
import { readRecipe, sheetDirections } from './read-sheet.js';

const recipe = (...more: readonly string[]) =>
  [
    '280 g plain flour',
    '5 g baking soda',
    '4 g salt',
    '225 g unsalted butter',
    '300 g light brown sugar',
    '2 eggs (50 g each)',
    '300 g dark chocolate',
    ...more,
  ].join('\n');
const settings = { measures: 'metric', schools: {} } as const;
const formulaOf = (text: string) =>
  assembleFormula(readRecipe(text, settings), { code: 'TST', name: 'A test' });

describe('what a recipe says of oven, rest and size', () => {
  it.each<[string, readonly string[], ReturnType<typeof proposalsOf>]>([
    ['nothing', [], {}],
    [
      'degrees Fahrenheit and minutes',
      ['Bake at 350 °F for 11 to 13 minutes.'],
      { oven: { setC: expect.closeTo(176.67, 2) as unknown as number, fan: false }, minutes: [11, 13] },
    ],
    [
      'a fan oven',
      ['Bake at 160 °C fan for 12 minutes'],
      { oven: { setC: 160, fan: true }, minutes: [12, 12] },
    ],
    [
      'a chill',
      ['Chill the dough for 2 hours.'],
      { rest: { form: 'pieces', placeKind: 'walk-in', minS: 7200, bestS: 7200, maxS: 86_400 } },
    ],
    [
      'a night in the fridge',
      ['Refrigerate overnight.'],
      { rest: { form: 'pieces', placeKind: 'walk-in', minS: 28_800, bestS: 43_200, maxS: 86_400 } },
    ],
    [
      'both in one line',
      ['Chill for 30 minutes. Bake at 180 °C for about 12 minutes. Makes approx. 24'],
      {
        oven: { setC: 180, fan: false },
        minutes: [12, 12],
        rest: { form: 'pieces', placeKind: 'walk-in', minS: 1800, bestS: 1800, maxS: 86_400 },
        piece: { massG: 50, pieces: 24 },
      },
    ],
    ['how many it makes', ['Makes 24 cookies'], { piece: { massG: 50, pieces: 24 } }],
    ['a crowd from a spoonful', ['Makes 900 cookies'], {}],
  ])('%s', (_, lines, proposed) => {
    expect(proposalsOf(sheetDirections(recipe(...lines)), 1200)).toEqual(proposed);
  });
  it('is the formula’s when it is taken, and the rest is as usual', () => {
    const text = recipe('Chill for 3 hours. Bake at 375 °F for 10 minutes.', 'Makes 24 cookies');
    const formula = formulaOf(text);
    const made = withProposals(formula, proposalsOf(sheetDirections(text), 1210));
    expect(() => checkFormula(made)).not.toThrow();
    expect(made).toMatchObject({
      piece: { massG: 50, shape: 'ball' },
      rest: { minS: 3 * 3600, placeKind: 'walk-in', temperS: 0 },
      bake: { setC: expect.closeTo(190.56, 2), fan: false, gapMm: formula.bake.gapMm },
    });
    expect(withProposals(formula, {})).toEqual(formula);
  });
});

describe('what a recipe says of its butter', () => {
  const read = (...lines: readonly string[]) => {
    const sheet = readRecipe(['250 g flour', '200 g sugar', '50 g egg', ...lines].join('\n'), {
      measures: 'us',
      schools: {},
    });
    const formula = assembleFormula(sheet, { code: 'TST', name: 'Test' });
    return withProposals(formula, { butter: 'melted' });
  };
  const butterOf = (formula: Formula) =>
    doughLines(formula).filter(({ ingredientId }) => ingredientId === 'butter');
  it('is done with what its lines leave open, and with nothing else', () => {
    expect(butterOf(read('225 g butter')).map(({ ready }) => ready)).toEqual([['melted']]);
    expect(processOf(read('225 g butter')).cream).toBe('melted');
    const both = butterOf(read('125 g butter', '100 g butter, browned'));
    expect(both.map(({ ready, browned }) => [ready, browned])).toEqual([
      [['melted'], undefined],
      [undefined, true],
    ]);
    expect(proposalsOf({ butter: 'browned' }, 500)).toEqual({ butter: 'browned' });
  });
});

describe('the doneness after so many minutes', () => {
  const after = (minutes: number, setC = 177) =>
    targetAfter(
      bakeInputOf(
        {
          ...formulaOf(recipe()),
          bake: { target: 'soft-centre', setC, fan: false, trayRestS: 300, gapMm: 20 },
        },
        { start: 7, tray: 'bright-aluminium', liner: 'parchment', fan: false },
      ),
      minutes * 60,
    );
  it('goes from soft to crisp through, and never leaves the two', () => {
    const order = ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'];
    const found = [2, 9, 11, 12, 13, 14, 16, 18, 22, 30, 55].map((minutes) => order.indexOf(after(minutes)));
    expect(found).toEqual([...found].sort((a, b) => a - b));
    expect([found[0], found.at(-1)]).toEqual([0, 3]);
    expect(new Set(found).size).toBeGreaterThan(2);
  });
  it('is further on in a hotter oven', () => {
    expect(after(13, 150)).toBe('soft-centre');
    expect(after(13, 210)).not.toBe('soft-centre');
  });
});
