import type { Equipment, EquipmentKind, TypedKind } from '@jokul/core';

/** One figure or choice of a thing: how it is asked for, its limits as stored, and how to find it out. */
export interface Detail {
  readonly key: string;
  readonly label: string;
  readonly hint?: string;
  /** What holds where a thing says nothing of it. */
  readonly usual?: string;
  /** How it reads in the list, # being the figure; the label and the figure where left out. */
  readonly said?: string;
  readonly ask:
    | { readonly as: 'text' }
    | { readonly as: TypedKind; readonly min: number; readonly max: number; readonly whole?: boolean }
    | { readonly as: 'percent'; readonly min: number; readonly max: number }
    | {
        readonly as: 'choice';
        readonly choices: readonly (readonly [value: string | number | boolean, label: string])[];
      };
}

export interface Kind {
  readonly kind: EquipmentKind;
  readonly title: string;
  readonly one: string;
  readonly details: readonly Detail[];
  /** A ready-made one to begin from. */
  readonly example: Readonly<Record<string, unknown>>;
}

const name: Detail = { key: 'name', label: 'Name', ask: { as: 'text' } };

export const kinds: readonly Kind[] = [
  {
    kind: 'ovens',
    title: 'Ovens',
    one: 'oven',
    details: [
      name,
      {
        key: 'fan',
        label: 'Air',
        ask: {
          as: 'choice',
          choices: [
            [true, 'moved by a fan'],
            [false, 'still (deck oven)'],
          ],
        },
        hint: 'A fan bakes 10 to 15 % sooner at the same figure.',
      },
      {
        key: 'places',
        label: 'Trays at once',
        said: '# trays at once',
        ask: { as: 'number', min: 1, max: 60, whole: true },
        hint: 'Of one chamber or deck that is loaded and emptied as a whole.',
      },
      {
        key: 'degreesPerMin',
        label: 'Heats up per minute',
        said: '# a minute',
        ask: { as: 'difference', min: 0.1, max: 60 },
        hint: 'Time it over 30 °C, or 50 °F, and divide by the minutes.',
      },
    ],
    example: { name: '', fan: true, places: 5, degreesPerMin: 8 },
  },
  {
    kind: 'trays',
    title: 'Trays',
    one: 'tray',
    details: [
      name,
      {
        key: 'material',
        label: 'Made of',
        ask: {
          as: 'choice',
          choices: [
            ['bright-aluminium', 'bright aluminium'],
            ['dark-aluminium', 'dark aluminium'],
            ['dark-steel', 'dark steel'],
            ['stainless', 'stainless steel'],
            ['stone', 'stone'],
          ],
        },
        hint: 'Dark ones brown the underside sooner.',
      },
      {
        key: 'lengthMm',
        label: 'Length inside the rim',
        said: '# long',
        ask: { as: 'length', min: 100, max: 2000 },
      },
      {
        key: 'widthMm',
        label: 'Width inside the rim',
        said: '# wide',
        ask: { as: 'length', min: 100, max: 2000 },
      },
      {
        key: 'count',
        label: 'How many',
        said: '# of them',
        ask: { as: 'number', min: 1, max: 5000, whole: true },
      },
      {
        key: 'rails',
        label: 'Rails',
        usual: 'all',
        said: 'rails: #',
        ask: {
          as: 'choice',
          choices: [
            ['all', 'all round'],
            ['one-end-open', 'open at one end'],
            ['ends-open', 'open at both ends'],
            ['one-side-open', 'open at one long side'],
            ['none', 'none'],
          ],
        },
        hint: 'Pieces may come to the edge where there is no rail.',
      },
    ],
    example: {
      name: '',
      material: 'bright-aluminium',
      lengthMm: 600,
      widthMm: 400,
      count: 20,
      rails: 'all',
    },
  },
  {
    kind: 'mixers',
    title: 'Mixers',
    one: 'mixer',
    details: [
      name,
      {
        key: 'bowlL',
        label: 'Bowl',
        ask: { as: 'volume', min: 1, max: 400 },
        hint: 'Filled with water to the brim.',
      },
      {
        key: 'minFill',
        label: 'Least fill, %',
        said: 'filled from #',
        ask: { as: 'percent', min: 1, max: 90 },
        hint: 'Below it the paddle does not reach.',
      },
      {
        key: 'maxFill',
        label: 'Most fill, %',
        said: 'to #',
        ask: { as: 'percent', min: 5, max: 100 },
        hint: 'Above it the flour comes out.',
      },
      {
        key: 'maxMassG',
        label: 'Most stiff dough',
        said: 'at most #',
        ask: { as: 'mass', min: 200, max: 400_000 },
        hint: 'What the motor turns without slowing.',
      },
    ],
    example: { name: '', bowlL: 20, minFill: 0.15, maxFill: 0.65, maxMassG: 7000 },
  },
  {
    kind: 'scales',
    title: 'Scales',
    one: 'scale',
    details: [
      name,
      { key: 'maxMassG', label: 'Capacity', said: 'to #', ask: { as: 'mass', min: 20, max: 500_000 } },
      {
        key: 'resolutionG',
        label: 'Reads to',
        said: 'by #',
        ask: { as: 'mass', min: 0.001, max: 100 },
        hint: 'The smallest step of its display.',
      },
    ],
    example: { name: '', maxMassG: 6000, resolutionG: 1 },
  },
  {
    kind: 'places',
    title: 'Cold places and benches',
    one: 'place',
    details: [
      name,
      {
        key: 'kind',
        label: 'Kind',
        ask: {
          as: 'choice',
          choices: [
            ['walk-in', 'chilled'],
            ['freezer', 'frozen'],
            ['bench', 'bench, room'],
          ],
        },
      },
      {
        key: 'airC',
        label: 'Air',
        ask: { as: 'temperature', min: -40, max: 45 },
        hint: 'Hang a thermometer among the trays over a night.',
      },
      {
        key: 'hWPerM2K',
        label: 'Air movement',
        ask: {
          as: 'choice',
          choices: [
            [6, 'hardly'],
            [8, 'a little'],
            [12, 'by a fan'],
            [25, 'hard (blast)'],
          ],
        },
      },
      {
        key: 'trayPlaces',
        label: 'Places for trays',
        said: '# trays',
        ask: { as: 'number', min: 0, max: 5000, whole: true },
      },
      {
        key: 'tubPlaces',
        label: 'Places for tubs',
        said: '# tubs',
        ask: { as: 'number', min: 0, max: 5000, whole: true },
      },
      {
        key: 'bagPlaces',
        label: 'Places for bags',
        said: '# bags',
        ask: { as: 'number', min: 0, max: 5000, whole: true },
      },
    ],
    example: {
      name: '',
      kind: 'walk-in',
      airC: 4,
      hWPerM2K: 12,
      trayPlaces: 20,
      tubPlaces: 6,
      bagPlaces: 20,
    },
  },
  {
    kind: 'racks',
    title: 'Cooling racks',
    one: 'rack',
    details: [
      name,
      {
        key: 'places',
        label: 'Places for trays',
        said: '# trays',
        ask: { as: 'number', min: 1, max: 5000, whole: true },
      },
    ],
    example: { name: '', places: 18 },
  },
];

/** A ready-made thing to begin from, with a name of its own. */
export type Preset = Readonly<Record<string, unknown>> & { readonly name: string };

export type Thing = Readonly<Record<string, unknown>> & { readonly id: string; readonly retired?: boolean };
export const thingsOf = (equipment: Equipment, kind: EquipmentKind): readonly Thing[] =>
  equipment[kind] as unknown as readonly Thing[];
export const nameOf = (thing: Thing): string => (typeof thing.name === 'string' ? thing.name : thing.id);
