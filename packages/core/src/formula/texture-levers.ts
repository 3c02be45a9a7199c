import { say } from '../shown/index.js';
import type { Ingredient } from '../ingredient/index.js';
import { leaveningOf, partsOfDough, perFlour } from './balance.js';
import type { Formula } from './formula.js';
import { isMeltedLine, shareOfButter } from './melted.js';

export const attributes = ['spread', 'thickness', 'chew', 'crispness', 'tenderness', 'colour'] as const;

export type Attribute = (typeof attributes)[number];

type Effects = Partial<Readonly<Record<Attribute, number>>>;

/**
 * Something that a baker can change, how it is measured on a formula, how large an ordinary step of it is, and what
 * one step up tends to do, in points. The directions are common trade knowledge (and Pyler and Gorton, 2008, for
 * sugars, fat and leavening); the sizes are this program's own estimates and stand uncalibrated. Those of spread and
 * thickness are what the bake model answers on an ordinary dough (`bake/shape-forecast.test.ts` holds them to it).
 */
export interface Lever {
  readonly id: string;
  readonly name: string;
  readonly unit: string;
  readonly step: number;
  readonly of: (formula: Formula) => number;
  readonly perStep: Effects;
}

const sugarOf =
  (...ids: readonly string[]) =>
  (formula: Formula) =>
    perFlour(formula, ({ id }) => (ids.includes(id) ? 1 : 0));

const inKind =
  (kind: Ingredient['kind'], weight: (food: Ingredient) => number = () => 1) =>
  (formula: Formula) =>
    perFlour(formula, (food) => (food.kind === kind ? weight(food) : 0));

const flourProtein = (formula: Formula): number => {
  const flours = partsOfDough(formula).filter(({ food }) => food.kind === 'flour');
  const mass = flours.reduce((sum, { percent }) => sum + percent, 0);
  return (
    (100 * flours.reduce((sum, { food, percent }) => sum + percent * food.composition.protein, 0)) / mass
  );
};

const meltedShare = (formula: Formula): number => {
  const isMelted = formula.method?.cream === 'melted';
  return isMelted ? 1 : shareOfButter(formula, (line) => line.browned === true || isMeltedLine(line));
};

const creaming = (formula: Formula): number =>
  ({ short: -1, standard: 0, long: 1, melted: -1 })[formula.method?.cream ?? 'standard'];

/** Every lever of the forecast. */
export const levers: readonly Lever[] = [
  {
    id: 'fat',
    name: say`fat`,
    unit: '% of flour',
    step: 8,
    of: (f) => perFlour(f, ({ kind, composition }) => (kind === 'inclusion' ? 0 : composition.fat)),
    perStep: { spread: 0.8, thickness: -0.7, chew: -0.3, crispness: 0.3, tenderness: 0.8 },
  },
  {
    id: 'white-sugar',
    name: say`white sugar`,
    unit: '% of flour',
    step: 12,
    of: sugarOf('white-sugar', 'caster-sugar', 'raw-cane-sugar', 'dextrose'),
    perStep: { spread: 1.3, thickness: -1.4, chew: -0.2, crispness: 1, tenderness: -0.2, colour: 0.3 },
  },
  {
    id: 'moist-sugar',
    name: say`brown sugar, syrup, honey`,
    unit: '% of flour',
    step: 12,
    of: (f) =>
      perFlour(f, ({ id, kind, analysis }) =>
        kind === 'syrup' ? analysis.sugars : id.endsWith('brown-sugar') || id === 'coconut-sugar' ? 1 : 0,
      ),
    perStep: { spread: 0.8, thickness: -0.95, chew: 1, crispness: -0.8, tenderness: 0.3, colour: 0.9 },
  },
  {
    id: 'fine-sugar',
    name: say`icing sugar`,
    unit: '% of flour',
    step: 12,
    of: sugarOf('icing-sugar'),
    perStep: { spread: -0.35, thickness: 0.2, chew: -0.5, crispness: 0.2, tenderness: 0.9, colour: -0.1 },
  },
  {
    id: 'water',
    name: say`water`,
    unit: '% of flour',
    step: 4,
    of: (f) =>
      perFlour(f, ({ kind, composition }) =>
        kind === 'flour' || kind === 'inclusion' ? 0 : composition.water,
      ),
    perStep: { spread: 0.4, thickness: -0.35, chew: 0.3, crispness: -1, tenderness: -0.2, colour: -0.3 },
  },
  {
    id: 'white',
    name: say`egg white`,
    unit: '% of flour',
    step: 8,
    of: (f) => perFlour(f, ({ id }) => (id === 'egg-white' ? 1 : id === 'whole-egg' ? 0.65 : 0)),
    perStep: { spread: 0.45, thickness: -0.4, chew: 0.2, crispness: -0.2, tenderness: -0.4, colour: 0.2 },
  },
  {
    id: 'yolk',
    name: say`egg yolk`,
    unit: '% of flour',
    step: 5,
    of: (f) => perFlour(f, ({ id }) => (id === 'egg-yolk' ? 1 : id === 'whole-egg' ? 0.35 : 0)),
    perStep: { thickness: 0.05, chew: 0.3, crispness: 0.1, tenderness: 0.6, colour: 0.3 },
  },
  {
    id: 'soda',
    name: say`soda beyond its acid`,
    unit: 'mmol/kg',
    step: 15,
    of: (f) => Math.max(0, leaveningOf(f).left.value),
    perStep: { spread: 0.3, thickness: 0.05, crispness: 0.3, tenderness: 0.2, colour: 0.9 },
  },
  {
    id: 'gas',
    name: say`gas of the leavening`,
    unit: 'mL/kg',
    step: 350,
    of: (f) => leaveningOf(f).gas.value,
    perStep: { thickness: 0.6, tenderness: 0.5, crispness: -0.1 },
  },
  {
    id: 'protein',
    name: say`protein of the flour`,
    unit: '%',
    step: 1.5,
    of: flourProtein,
    perStep: { spread: -0.8, thickness: 0.8, chew: 0.9, crispness: 0.1, tenderness: -0.8, colour: 0.3 },
  },
  {
    id: 'inclusions',
    name: say`inclusions and oats`,
    unit: '% of flour',
    step: 20,
    of: inKind('inclusion'),
    perStep: { spread: -1.3, thickness: 1.25, chew: 0.2, crispness: -0.1 },
  },
  {
    id: 'melted',
    name: say`butter melted or browned`,
    unit: 'share',
    step: 1,
    of: meltedShare,
    perStep: { spread: 1.45, thickness: -1.75, chew: 0.5, crispness: 0.5, colour: 0.3 },
  },
  {
    id: 'cream',
    name: say`creaming`,
    unit: 'short to long',
    step: 1,
    of: creaming,
    perStep: { spread: 0.45, thickness: -0.3, chew: -0.4, tenderness: 0.5 },
  },
  {
    id: 'rest',
    name: say`rest`,
    unit: 'lg(1 + h)',
    step: 0.7,
    of: (f) => Math.log10(1 + f.rest.bestS / 3600),
    perStep: { spread: -0.35, thickness: 0.35, chew: 0.2, crispness: 0.2, colour: 0.6 },
  },
  {
    id: 'oven',
    name: say`oven`,
    unit: '°C',
    step: 10,
    of: (f) => f.bake.setC + (f.bake.fan ? 17 : 0),
    perStep: { spread: -0.1, thickness: 0.1, chew: 0.2, crispness: -0.2, colour: 0.6 },
  },
  {
    id: 'doneness',
    name: say`baked further`,
    unit: 'soft centre to crisp through',
    step: 1,
    of: (f) => ({ 'soft-centre': 0, chewy: 1, 'crisp-edge': 2, 'crisp-through': 3 })[f.bake.target],
    perStep: { crispness: 2.5, chew: -1, tenderness: -0.3, colour: 0.8 },
  },
  {
    id: 'piece',
    name: say`piece weight`,
    unit: 'ln g',
    step: 0.4,
    of: (f) => Math.log(f.piece.massG),
    perStep: { spread: 0.45, thickness: 1.75, chew: 0.4, crispness: -0.6, colour: -0.2, tenderness: 0.1 },
  },
];
