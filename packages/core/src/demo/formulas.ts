import type { Formula, FormulaStage, Topping, ToppingWay } from '../formula/index.js';

/** The nine formulas of the made-up Hollin Quay Bakehouse. */
const min = 60;
const hour = 3600;

type Lines = Readonly<Record<string, number>>;
const stage = (id: string, name: string, cue: string, lines: Lines, browned?: string): FormulaStage => ({
  id,
  name,
  cue,
  lines: Object.entries(lines).map(([ingredientId, percent]) => ({
    ingredientId,
    percent,
    ...(ingredientId === browned && { browned: true }),
  })),
});
const topping = (on: ToppingWay, lines: Lines): readonly Topping[] =>
  stage('topping', '', '', lines).lines.map((line) => ({ ...line, on }));

const creamCue = 'Speed 2 until pale and soft, 3 min. Stop and scrape bowl, paddle and underside.';
const eggCue = 'Speed 1, egg in two parts, until silky, about 1 min. Cold egg splits the cream.';
const dryCue = 'Lowest speed, in two parts. Stop while a little flour still shows.';
const foldCue = 'Lowest speed, 20 s. Turn up the bottom of the bowl by hand.';

export const demoFormulas: readonly Formula[] = [
  {
    code: 'GNG',
    name: 'Quay Ginger',
    version: 1,
    stages: [
      stage('cream', 'Cream', creamCue, { butter: 62, 'dark-brown-sugar': 55, 'white-sugar': 20 }),
      stage('wet', 'Egg and liquids', `${eggCue} Molasses slowly at the end.`, {
        'whole-egg': 14,
        molasses: 22,
      }),
      stage('dry', 'Dry', dryCue, {
        'wheat-flour': 100,
        'baking-soda': 2.2,
        salt: 1.1,
        ginger: 2.4,
        cinnamon: 1,
        clove: 0.3,
      }),
    ],
    toppings: topping('coat', { 'white-sugar': 8 }),
    piece: { massG: 32, shape: 'ball' },
    rest: {
      form: 'pieces',
      placeKind: 'walk-in',
      minS: 2 * hour,
      bestS: 14 * hour,
      maxS: 24 * hour,
      temperS: 0,
    },
    bake: { target: 'crisp-through', setC: 150, fan: true, trayRestS: 5 * min, gapMm: 20 },
  },
  {
    code: 'SES',
    name: 'Sesame Tahini Round',
    version: 1,
    stages: [
      stage('cream', 'Cream', `${creamCue} Tahini last.`, {
        butter: 48,
        'light-brown-sugar': 58,
        'white-sugar': 26,
        tahini: 40,
      }),
      stage('wet', 'Egg', eggCue, { 'whole-egg': 20, 'egg-yolk': 6 }),
      stage('dry', 'Dry', dryCue, {
        'wheat-flour': 100,
        'baking-soda': 0.9,
        'baking-powder': 0.6,
        salt: 1.6,
      }),
      stage('fold', 'Fold in', foldCue, { 'black-sesame': 12 }),
    ],
    toppings: topping('coat', { sesame: 6 }),
    piece: { massG: 38, shape: 'mound' },
    rest: {
      form: 'tub',
      placeKind: 'walk-in',
      minS: 12 * hour,
      bestS: 14 * hour,
      maxS: 36 * hour,
      temperS: 20 * min,
    },
    bake: { target: 'soft-centre', setC: 165, fan: true, trayRestS: 8 * min, gapMm: 20 },
  },
  {
    code: 'LEM',
    name: 'Lemon Poppy Drop',
    version: 1,
    stages: [
      stage('cream', 'Cream', `${creamCue} Zest with the sugar.`, {
        butter: 64,
        'white-sugar': 78,
        'lemon-zest': 2.4,
      }),
      stage('wet', 'Egg and juice', eggCue, { 'whole-egg': 22, 'lemon-juice': 4 }),
      stage('dry', 'Dry', dryCue, {
        'wheat-flour': 100,
        'baking-soda': 0.6,
        'baking-powder': 0.8,
        salt: 1,
        'poppy-seed': 3.5,
      }),
    ],
    toppings: [],
    piece: { massG: 34, shape: 'mound' },
    rest: { form: 'none', placeKind: 'bench', minS: 0, bestS: 5 * min, maxS: 60 * min, temperS: 0 },
    bake: { target: 'chewy', setC: 160, fan: true, trayRestS: 6 * min, gapMm: 25 },
  },
  {
    code: 'RYE',
    name: 'Burnt-Butter Walnut Rye',
    version: 1,
    stages: [
      stage(
        'cream',
        'Browned butter and sugar',
        'Butter browned to amber, poured off at once, cooled below 40 °C, then beaten with the sugars, 2 min.',
        { butter: 78, 'dark-brown-sugar': 66, 'white-sugar': 30 },
        'butter',
      ),
      stage('wet', 'Egg and vanilla', eggCue, { 'whole-egg': 24, 'egg-yolk': 8, vanilla: 2 }),
      stage('dry', 'Dry', dryCue, { 'wheat-flour': 62, 'dark-rye-flour': 38, 'baking-soda': 1.1, salt: 1.4 }),
      stage('fold', 'Fold in', foldCue, { walnuts: 52 }),
    ],
    toppings: topping('top', { 'flaked-salt': 0.8 }),
    piece: { massG: 70, shape: 'ball' },
    rest: {
      form: 'pieces',
      placeKind: 'walk-in',
      minS: 24 * hour,
      bestS: 38 * hour,
      maxS: 72 * hour,
      temperS: 0,
    },
    bake: { target: 'crisp-edge', setC: 150, fan: true, trayRestS: 10 * min, gapMm: 30 },
  },
  {
    code: 'PNT',
    name: 'Peanut Crunch',
    version: 1,
    stages: [
      stage('cream', 'Cream', `${creamCue} Peanut butter last.`, {
        butter: 52,
        'light-brown-sugar': 60,
        'white-sugar': 40,
        'peanut-butter': 70,
      }),
      stage('wet', 'Egg', eggCue, { 'whole-egg': 24 }),
      stage('dry', 'Dry', dryCue, {
        'wheat-flour': 100,
        'baking-soda': 1.3,
        'baking-powder': 0.8,
        salt: 1.2,
      }),
      stage('fold', 'Fold in', foldCue, { 'chopped-peanuts': 25 }),
    ],
    toppings: [],
    piece: { massG: 30, shape: 'puck' },
    rest: {
      form: 'pieces',
      placeKind: 'walk-in',
      minS: 30 * min,
      bestS: 40 * min,
      maxS: 90 * min,
      temperS: 0,
    },
    bake: { target: 'crisp-edge', setC: 150, fan: true, trayRestS: 5 * min, gapMm: 20 },
  },
  {
    code: 'CLM',
    name: 'Coconut Lime Cooler',
    version: 1,
    stages: [
      stage('cream', 'Cream', `${creamCue} Zest with the sugar.`, {
        butter: 60,
        'white-sugar': 55,
        'light-brown-sugar': 25,
        'lime-zest': 2,
      }),
      stage('wet', 'Egg', eggCue, { 'whole-egg': 20 }),
      stage('dry', 'Dry', dryCue, { 'wheat-flour': 100, 'baking-powder': 1.4, salt: 1 }),
      stage('fold', 'Fold in', foldCue, { coconut: 42 }),
    ],
    toppings: topping('iced', { 'icing-sugar': 45, 'lime-juice': 8 }),
    piece: { massG: 42, shape: 'puck' },
    rest: {
      form: 'pieces',
      placeKind: 'walk-in',
      minS: 1 * hour,
      bestS: 75 * min,
      maxS: 3 * hour,
      temperS: 0,
    },
    bake: { target: 'soft-centre', setC: 160, fan: true, trayRestS: 8 * min, gapMm: 20 },
    // A thin glaze, when they are cold: it sets in half an hour.
    afterBake: { icePieceS: 4, dryS: 30 * min },
  },
  {
    code: 'MLT',
    name: 'Barley Malt & Date',
    version: 1,
    stages: [
      stage('cream', 'Cream', creamCue, { butter: 58, 'light-brown-sugar': 62 }),
      stage('wet', 'Egg and malt', `${eggCue} Malt syrup slowly at the end.`, {
        'whole-egg': 22,
        'malt-syrup': 14,
      }),
      stage('dry', 'Dry', dryCue, {
        'wheat-flour': 85,
        'malted-barley-flour': 15,
        'baking-soda': 1.2,
        'baking-powder': 0.5,
        salt: 1.2,
      }),
      stage('fold', 'Fold in', foldCue, { dates: 48 }),
    ],
    toppings: [],
    piece: { massG: 45, shape: 'mound' },
    rest: {
      form: 'tub',
      placeKind: 'walk-in',
      minS: 8 * hour,
      bestS: 14 * hour,
      maxS: 24 * hour,
      temperS: 20 * min,
    },
    bake: { target: 'chewy', setC: 160, fan: true, trayRestS: 8 * min, gapMm: 20 },
  },
  {
    code: 'CRD',
    name: 'Cardamom Shortbite',
    version: 1,
    stages: [
      stage('cream', 'Cream', 'Speed 1, 2 min, only until smooth: a short dough wants no air.', {
        butter: 72,
        'icing-sugar': 42,
      }),
      stage('wet', 'Yolk', 'Speed 1, until it disappears.', { 'egg-yolk': 10 }),
      stage('dry', 'Dry', dryCue, { 'wheat-flour': 100, cardamom: 1.1, salt: 0.9 }),
    ],
    toppings: topping('top', { 'pearl-sugar': 6 }),
    piece: { massG: 18, shape: 'slice' },
    rest: {
      form: 'bag',
      placeKind: 'freezer',
      minS: 20 * hour,
      bestS: 38 * hour,
      maxS: 56 * 24 * hour,
      temperS: 11.5 * hour,
    },
    bake: { target: 'chewy', setC: 150, fan: true, trayRestS: 5 * min, gapMm: 15 },
  },
  {
    code: 'NIB',
    name: 'Cocoa-Nib Yoghurt Drop',
    version: 1,
    stages: [
      stage('cream', 'Cream', creamCue, { butter: 57, 'white-sugar': 36, 'dark-brown-sugar': 20 }),
      stage('wet', 'Yoghurt and vanilla', 'Speed 1 until silky. No egg in this dough.', {
        yoghurt: 21,
        vanilla: 1,
      }),
      stage('dry', 'Dry', dryCue, {
        'wheat-flour': 88,
        'potato-starch': 12,
        'baking-soda': 1.1,
        salt: 1.1,
      }),
      stage('fold', 'Fold in', foldCue, { 'cocoa-nibs': 30 }),
    ],
    toppings: [],
    piece: { massG: 26, shape: 'mound' },
    rest: {
      form: 'pieces',
      placeKind: 'walk-in',
      minS: 4 * hour,
      bestS: 12 * hour,
      maxS: 16 * hour,
      temperS: 0,
    },
    bake: { target: 'soft-centre', setC: 160, fan: true, trayRestS: 6 * min, gapMm: 20 },
  },
];
