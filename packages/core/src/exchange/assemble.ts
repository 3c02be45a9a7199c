import {
  usualIcing,
  flourPercent,
  readyWords,
  type Formula,
  type FormulaStage,
  type ReadyWay,
  type Topping,
  type ToppingWay,
} from '../formula/index.js';
import { named, type Ingredient, type IngredientKind } from '../ingredient/index.js';
import { JokulError, say, counted } from '../shown/index.js';
import type { ReadResult } from './answers.js';

type StageId = 'cream' | 'wet' | 'dry' | 'fold';

/** Where an ingredient goes in a creamed dough when the recipe does not say. */
const stageOfKind: Readonly<Record<IngredientKind, StageId>> = {
  butter: 'cream',
  fat: 'cream',
  'nut-butter': 'cream',
  sugar: 'cream',
  syrup: 'wet',
  egg: 'wet',
  liquid: 'wet',
  flour: 'dry',
  leavening: 'dry',
  salt: 'dry',
  flavour: 'dry',
  inclusion: 'fold',
};

const stages: readonly Omit<FormulaStage, 'lines'>[] = [
  {
    id: 'cream',
    name: 'Cream',
    cue: 'Speed 2 until pale and soft, 3 min. Stop and scrape bowl, paddle and underside.',
  },
  {
    id: 'wet',
    name: 'Egg and liquids',
    cue: 'Speed 1, in two parts, until silky. Cold egg splits the cream.',
  },
  { id: 'dry', name: 'Dry', cue: 'Lowest speed, in two parts. Stop while a little flour still shows.' },
  { id: 'fold', name: 'Fold in', cue: 'Lowest speed, 20 s. Turn up the bottom of the bowl by hand.' },
];

/** A flavour that pours goes in with the egg. */
const stageOf = ({ kind, composition }: Ingredient): StageId =>
  kind === 'flavour' && composition.water > 0.3 ? 'wet' : stageOfKind[kind];

const hour = 3600;
/** What a new formula starts with beside its ingredients: a middling cookie, to be edited. */
export const freshRules: Pick<Formula, 'piece' | 'rest' | 'bake'> = {
  piece: { massG: 40, shape: 'ball' },
  rest: { form: 'pieces', placeKind: 'walk-in', minS: hour, bestS: 2 * hour, maxS: 24 * hour, temperS: 0 },
  bake: { target: 'chewy', setC: 165, fan: true, trayRestS: 300, gapMm: 25 },
};

/** How a topping goes on before the oven: rolled in it where the line says so, else strewn on top; null for the dough. */
const toppingWayOf = (
  { topping, text }: { readonly topping: boolean; readonly text: string },
  use: string,
): ToppingWay | null => {
  if (!topping && use !== 'topping') return null;
  return /\b(?:roll|coat|dredg|toss|wälz|roul|enrob)/i.test(text) ? 'coat' : 'top';
};

/** What can be melted in a pan, and what can be heated in one. */
const melts: ReadonlySet<Ingredient['kind']> = new Set(['butter', 'fat', 'nut-butter', 'inclusion']);
const heats: ReadonlySet<Ingredient['kind']> = new Set(['syrup', 'liquid']);

/** Of what the line says, what the plan does not know by itself: butter and eggs are out anyway, chopped nuts are bought so. */
const readyOf = ({ kind, name }: Ingredient, ways: readonly ReadyWay[]): readonly ReadyWay[] =>
  ways.filter(
    (way) =>
      !(way === 'warm' && (kind === 'butter' || kind === 'egg')) &&
      !(way === 'melted' && !melts.has(kind)) &&
      !(way === 'heated' && !heats.has(kind)) &&
      !name.toLowerCase().includes(readyWords[way]),
  );

/**
 * The formula that the read lines make: grams into baker's percent, ingredients into the stages of a creamed dough.
 * The same ingredient twice in a stage is one line.
 * @throws JokulError `open-questions` while a line is not answered, `no-flour`
 */
export const assembleFormula = (
  results: readonly ReadResult[],
  identity: { readonly code: string; readonly name: string },
): Formula => {
  const open = results.filter(({ state }) => state === 'ask').length;
  if (open > 0)
    throw new JokulError(
      'open-questions',
      say`${open} ${counted(open, 'line is', 'lines are')} not answered yet.`,
      'lines',
    );
  // A filling is a formula of its own; icing is put on the baked pieces.
  const read = results.flatMap(({ food, mass, line, use = 'dough' }) =>
    food && mass && use !== 'filling' && use !== 'other'
      ? [
          {
            food,
            massG: mass.value,
            browned: line.browned,
            ready: readyOf(food, line.ready),
            on: use === 'icing' ? ('iced' as const) : toppingWayOf(line, use),
          },
        ]
      : [],
  );
  const inDough = read.filter(({ on }) => on === null);
  const flourG = flourPercent(inDough.map(({ food, massG }) => ({ ...named(food), percent: massG })));
  if (flourG <= 0)
    throw new JokulError(
      'no-flour',
      say`The recipe has no flour, so there is nothing that baker's percent could refer to.`,
      'lines',
    );
  const merge = (lines: typeof read): readonly Topping[] => {
    const sums = new Map<string, Topping>();
    for (const { food, massG, browned, ready, on } of lines) {
      const key = [food.id, ...(browned ? ['browned'] : []), ...ready, on ?? ''].join(' ');
      const percent = (sums.get(key)?.percent ?? 0) + (100 * massG) / flourG;
      sums.set(key, {
        ...named(food),
        percent,
        ...(browned && { browned: true }),
        ...(ready.length > 0 && { ready }),
        ...(on && { on }),
      });
    }
    return [...sums.values()];
  };
  return {
    ...identity,
    version: 1,
    stages: stages
      .map((stage) => ({
        ...stage,
        lines: merge(inDough.filter(({ food }) => stageOf(food) === stage.id)),
      }))
      .filter(({ lines }) => lines.length > 0),
    toppings: merge(read.filter(({ on }) => on !== null)),
    ...freshRules,
    ...(read.some(({ on }) => on === 'iced') && { afterBake: usualIcing }),
  };
};
