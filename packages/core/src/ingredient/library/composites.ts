/** An ingredient made of others; shares are mass fractions and add up to 1. */
export interface CompositeRow {
  readonly id: string;
  readonly name: string;
  readonly kind: 'flour' | 'butter' | 'sugar' | 'liquid' | 'nut-butter' | 'flavour';
  readonly parts: Readonly<Record<string, number>>;
  readonly densityGPerMl: Readonly<Record<string, number>>;
  readonly pieces?: Readonly<Record<string, number>>;
  readonly words: readonly string[];
}

export const compositeRows: readonly CompositeRow[] = [
  {
    id: 'salted-butter',
    name: 'Butter, salted',
    kind: 'butter',
    parts: { butter: 0.984, salt: 0.016 },
    densityGPerMl: { packed: 0.96, melted: 0.91 },
    pieces: { stick: 113.4 },
    words: ['salted butter'],
  },
  {
    id: 'lightly-salted-butter',
    name: 'Butter, lightly salted',
    kind: 'butter',
    parts: { butter: 0.988, salt: 0.012 },
    densityGPerMl: { packed: 0.96, melted: 0.91 },
    pieces: { stick: 113.4 },
    words: ['lightly salted butter', 'slightly salted butter'],
  },
  {
    id: 'self-raising-flour',
    name: 'Self-raising flour',
    kind: 'flour',
    parts: { 'wheat-flour': 0.95, 'baking-powder': 0.05 },
    densityGPerMl: { spooned: 0.52, dipped: 0.61, sifted: 0.46 },
    words: ['self-raising flour', 'self raising flour', 'sr flour'],
  },
  {
    id: 'self-rising-flour',
    name: 'Self-rising flour, with salt',
    kind: 'flour',
    parts: { 'soft-wheat-flour': 0.94, 'baking-powder': 0.042, salt: 0.018 },
    densityGPerMl: { spooned: 0.5, dipped: 0.58, sifted: 0.45 },
    words: ['self-rising flour', 'self rising flour'],
  },
  {
    id: 'vanilla-sugar',
    name: 'Vanilla sugar',
    kind: 'sugar',
    parts: { 'white-sugar': 0.98, 'vanilla-seeds': 0.02 },
    densityGPerMl: { level: 0.84 },
    words: ['vanilla sugar'],
  },
  {
    id: 'cinnamon-sugar',
    name: 'Cinnamon sugar',
    kind: 'sugar',
    parts: { 'white-sugar': 0.9, cinnamon: 0.1 },
    densityGPerMl: { level: 0.8 },
    words: ['cinnamon sugar'],
  },
  {
    id: 'sourdough-discard',
    name: 'Sourdough discard, 100 % hydration',
    kind: 'liquid',
    parts: { 'wheat-flour': 0.49, water: 0.5, vinegar: 0.01 },
    densityGPerMl: { stirred: 1.02 },
    words: ['sourdough discard', 'sourdough starter', 'discard'],
  },
  {
    id: 'sweet-hazelnut-spread',
    name: 'Cocoa hazelnut spread',
    kind: 'nut-butter',
    parts: {
      'white-sugar': 0.52,
      'sunflower-oil': 0.22,
      'hazelnut-paste': 0.13,
      'milk-powder': 0.06,
      'dutch-cocoa': 0.07,
    },
    densityGPerMl: { stirred: 1.25 },
    words: ['chocolate hazelnut spread', 'hazelnut spread', 'cocoa hazelnut spread'],
  },
  {
    id: 'sweet-peanut-butter',
    name: 'Peanut butter, sweetened',
    kind: 'nut-butter',
    parts: { 'peanut-butter': 0.91, 'white-sugar': 0.06, shortening: 0.03 },
    densityGPerMl: { stirred: 1.09 },
    words: ['sweetened peanut butter'],
  },
  {
    id: 'vanilla-pudding-powder',
    name: 'Vanilla pudding powder, sweetened',
    kind: 'flavour',
    parts: { 'white-sugar': 0.68, cornflour: 0.31, salt: 0.01 },
    densityGPerMl: { level: 0.72 },
    words: [
      'instant pudding mix',
      'instant vanilla pudding mix',
      'pudding mix',
      'pudding powder',
      'custard powder',
      'vanilla pudding mix',
    ],
  },
  {
    id: 'marzipan',
    name: 'Marzipan',
    kind: 'nut-butter',
    parts: { almonds: 0.48, 'icing-sugar': 0.42, 'glucose-syrup': 0.06, water: 0.04 },
    densityGPerMl: { packed: 1.2 },
    words: ['almond paste', 'marzipan'],
  },
];
