import type { Formula, FormulaStage } from '../formula/index.js';

const hour = 3600;

type Lines = Readonly<Record<string, number>>;
const stage = (id: string, name: string, cue: string, lines: Lines): FormulaStage => ({
  id,
  name,
  cue,
  lines: Object.entries(lines).map(([ingredientId, percent]) => ({ ingredientId, percent })),
});

const cream = 'Until pale and light, about 3 min. Stop and scrape down.';
const egg = 'Egg in two parts, each until it disappears. Room-warm egg does not split the cream.';
const dry = 'Lowest speed, until no dry flour shows. No longer: it gets tough.';
const fold = 'Lowest speed, just until spread evenly.';

/** An example to begin with, and what it is good for in a few words. */
export interface ExampleFormula {
  readonly formula: Formula;
  readonly says: string;
}

/** Three ordinary doughs of different schools, for a bakery that has no formula yet: to be baked, changed and renamed. */
export const exampleFormulas: readonly ExampleFormula[] = [
  {
    says: 'chewy, with chocolate; rests cold, baked as balls',
    formula: {
      code: 'CHD',
      name: 'Chocolate Drop',
      version: 1,
      stages: [
        stage('cream', 'Cream', cream, { butter: 65, 'light-brown-sugar': 50, 'white-sugar': 30 }),
        stage('wet', 'Egg', egg, { 'whole-egg': 30 }),
        stage('dry', 'Dry', dry, { 'wheat-flour': 100, 'baking-soda': 0.9, salt: 1.2 }),
        stage('fold', 'Fold in', fold, { 'dark-chocolate': 65 }),
      ],
      toppings: [],
      piece: { massG: 50, shape: 'ball' },
      rest: {
        form: 'pieces',
        placeKind: 'walk-in',
        minS: 2 * hour,
        bestS: 14 * hour,
        maxS: 48 * hour,
        temperS: 0,
      },
      bake: { target: 'chewy', setC: 165, fan: true, trayRestS: 5 * 60, gapMm: 25 },
    },
  },
  {
    says: 'crisp at the edge, with oats and raisins; rests in the tub',
    formula: {
      code: 'OAT',
      name: 'Oat and Raisin',
      version: 1,
      stages: [
        stage('cream', 'Cream', cream, { butter: 80, 'light-brown-sugar': 85 }),
        stage('wet', 'Egg', egg, { 'whole-egg': 35 }),
        stage('dry', 'Dry', dry, {
          'wheat-flour': 100,
          'rolled-oats': 90,
          'baking-soda': 1.2,
          cinnamon: 0.8,
          salt: 1.4,
        }),
        stage('fold', 'Fold in', fold, { raisins: 60 }),
      ],
      toppings: [],
      piece: { massG: 45, shape: 'mound' },
      rest: {
        form: 'tub',
        placeKind: 'walk-in',
        minS: 1 * hour,
        bestS: 12 * hour,
        maxS: 36 * hour,
        temperS: 15 * 60,
      },
      bake: { target: 'crisp-edge', setC: 165, fan: true, trayRestS: 5 * 60, gapMm: 20 },
    },
  },
  {
    says: 'plain and short, with lemon; holds its shape',
    formula: {
      code: 'LBR',
      name: 'Lemon Butter Round',
      version: 1,
      stages: [
        stage('cream', 'Cream', 'Only until smooth, 2 min: a short dough wants no air.', {
          butter: 66,
          'white-sugar': 40,
          'lemon-zest': 1.5,
        }),
        stage('wet', 'Yolk', 'Until it disappears.', { 'egg-yolk': 12 }),
        stage('dry', 'Dry', dry, { 'wheat-flour': 100, salt: 1 }),
      ],
      toppings: [],
      piece: { massG: 30, shape: 'puck' },
      rest: {
        form: 'pieces',
        placeKind: 'walk-in',
        minS: 1 * hour,
        bestS: 4 * hour,
        maxS: 48 * hour,
        temperS: 0,
      },
      bake: { target: 'chewy', setC: 160, fan: true, trayRestS: 5 * 60, gapMm: 15 },
    },
  },
];
