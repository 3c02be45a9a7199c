import { t } from '@lingui/core/macro';
import { linerKinds, type Equipment, type EquipmentKind, type TypedKind } from '@jokul/core';
import { linerNames } from '../../words/names-of-codes';

/** One figure or choice of a thing: how it is asked for, its limits as stored, and how to find it out. */
export interface Detail {
  readonly key: string;
  readonly label: string;
  readonly hint?: string;
  /** What holds where a thing says nothing of it. */
  readonly usual?: string | boolean;
  /** It may be left empty; what holds then. */
  readonly optional?: string;
  /** How it reads in the list, # being the figure; the label and the figure where left out. */
  readonly said?: string;
  readonly ask:
    | { readonly as: 'text' }
    /** So many words with commas between them. */
    | { readonly as: 'words'; readonly count: number }
    | { readonly as: TypedKind; readonly min: number; readonly max: number; readonly whole?: boolean }
    /** Stored as a share; its limits too. */
    | { readonly as: 'percent'; readonly min: number; readonly max: number }
    /** Stored in seconds; its limits too. */
    | { readonly as: 'minutes'; readonly min: number; readonly max: number }
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
  /** What holds where there is none of them. */
  readonly none?: string;
  /** A ready-made one to begin from. */
  readonly example: Readonly<Record<string, unknown>>;
}

const name: Detail = { key: 'name', label: t`Name`, ask: { as: 'text' } };

export const kinds: readonly Kind[] = [
  {
    kind: 'ovens',
    title: t`Ovens`,
    one: t`oven`,
    details: [
      name,
      {
        key: 'fan',
        label: t`Air`,
        ask: {
          as: 'choice',
          choices: [
            [true, t`moved by a fan`],
            [false, t`still (deck oven)`],
          ],
        },
        hint: t`A fan bakes 10 to 15 % sooner at the same figure.`,
      },
      {
        key: 'places',
        label: t`Trays at once`,
        said: t`# trays at once`,
        ask: { as: 'number', min: 1, max: 60, whole: true },
        hint: t`Of one chamber or deck that is loaded and emptied as a whole.`,
      },
      {
        key: 'degreesPerMin',
        label: t`Heats up per minute`,
        said: t`# a minute`,
        ask: { as: 'difference', min: 0.1, max: 60 },
        hint: t`Time it over 30 °C, or 50 °F, and divide by the minutes.`,
      },
      {
        key: 'offsetK',
        label: t`Hotter than it is set`,
        said: t`# over the dial`,
        optional: t`as it is set`,
        ask: { as: 'difference', min: -60, max: 60 },
        hint: t`Hang a thermometer in its middle for 20 minutes. A minus where it is cooler. Logged bakes correct the rest.`,
      },
      {
        key: 'coolsPerMin',
        label: t`Cools down per minute`,
        said: t`cools # a minute`,
        optional: t`as it heats up`,
        ask: { as: 'difference', min: 0.1, max: 60 },
        hint: t`With the door shut, timed the same way. A deck oven takes long.`,
      },
      {
        key: 'doorFallK',
        label: t`Falls at loading by`,
        said: t`falls # at loading`,
        optional: t`usual of its kind`,
        ask: { as: 'difference', min: 0, max: 120 },
        hint: t`The lowest that a thermometer in its middle shows after a tray went in, below what it showed before.`,
      },
      {
        key: 'doorBackS',
        label: t`Back after, min`,
        said: t`back after # min`,
        optional: t`usual of its kind`,
        ask: { as: 'minutes', min: 10, max: 3600 },
        hint: t`From closing the door until it shows almost what it showed before.`,
      },
      {
        key: 'unevenK',
        label: t`Hottest place over coolest`,
        said: t`# from place to place`,
        optional: t`not known`,
        ask: { as: 'difference', min: 0, max: 60 },
        hint: t`One thermometer moved through the empty oven, ten minutes each. Measured trays correct it.`,
      },
      {
        key: 'acrossK',
        label: t`From side to side`,
        said: t`# across`,
        optional: t`not known`,
        ask: { as: 'difference', min: 0, max: 60 },
        hint: t`At the two ends of one tray. Turning evens it out.`,
      },
      {
        key: 'powerW',
        label: t`Heaters, W`,
        said: t`# W`,
        optional: t`usual for its places`,
        ask: { as: 'number', min: 200, max: 200_000 },
        hint: t`On its plate. It tells how a full oven comes back, and what heating it up costs.`,
      },
    ],
    example: { name: '', fan: true, places: 5, degreesPerMin: 8 },
  },
  {
    kind: 'trays',
    title: t`Trays`,
    one: t`tray`,
    details: [
      name,
      {
        key: 'material',
        label: t`Made of`,
        ask: {
          as: 'choice',
          choices: [
            ['bright-aluminium', t`bright aluminium`],
            ['dark-aluminium', t`dark aluminium`],
            ['dark-steel', t`dark steel`],
            ['stainless', t`stainless steel`],
            ['stone', t`stone`],
          ],
        },
        hint: t`Dark ones brown the underside sooner.`,
      },
      {
        key: 'lengthMm',
        label: t`Length inside the rim`,
        said: t`# long`,
        ask: { as: 'length', min: 100, max: 2000 },
      },
      {
        key: 'widthMm',
        label: t`Width inside the rim`,
        said: t`# wide`,
        ask: { as: 'length', min: 100, max: 2000 },
      },
      {
        key: 'count',
        label: t`How many`,
        said: t`# of them`,
        ask: { as: 'number', min: 1, max: 5000, whole: true },
      },
      {
        key: 'rails',
        label: t`Rails`,
        usual: 'all',
        said: t`rails: #`,
        ask: {
          as: 'choice',
          choices: [
            ['all', t`all round`],
            ['one-end-open', t`open at one end`],
            ['ends-open', t`open at both ends`],
            ['one-side-open', t`open at one long side`],
            ['none', t`none`],
          ],
        },
        hint: t`Pieces may come to the edge where there is no rail.`,
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
    kind: 'liners',
    title: t`Liners`,
    one: t`liner`,
    none: t`None is counted: there is as much of each as is wanted.`,
    details: [
      name,
      {
        key: 'kind',
        label: t`What it is`,
        ask: {
          as: 'choice',
          choices: linerKinds.map((kind) => [kind, linerNames[kind]] as const),
        },
        hint: t`One of each kind: formulas and house rules choose by the kind.`,
      },
      {
        key: 'count',
        label: t`For how many trays`,
        said: t`for # trays`,
        optional: t`as many as are wanted`,
        ask: { as: 'number', min: 1, max: 5000, whole: true },
        hint: t`Mats are counted, paper off a roll is not. No more trays bake and cool with it at once.`,
      },
      {
        key: 'contactWPerM2K',
        label: t`Lets heat through, W/m²K`,
        said: t`lets # W/m²K through`,
        optional: t`usual of its kind`,
        ask: { as: 'number', min: 10, max: 600 },
        hint: t`Usual: paper 130, two papers 90, a mat 50, grease 300, nothing 220. Lower where undersides stay paler than foretold.`,
      },
      {
        key: 'drag',
        label: t`Holds the dough`,
        said: t`holds #`,
        optional: t`usual of its kind`,
        ask: { as: 'number', min: 0.1, max: 3 },
        hint: t`Paper is 1, a mat 0.61, grease 0.35, nothing 0.88. Lower where pieces come out wider than foretold.`,
      },
    ],
    example: { name: '', kind: 'mat', count: 12 },
  },
  {
    kind: 'mixers',
    title: t`Mixers`,
    one: t`mixer`,
    details: [
      name,
      {
        key: 'bowlL',
        label: t`Bowl`,
        ask: { as: 'volume', min: 1, max: 400 },
        hint: t`Filled with water to the brim.`,
      },
      {
        key: 'minFill',
        label: t`Least fill, %`,
        said: t`filled from #`,
        ask: { as: 'percent', min: 0.01, max: 0.9 },
        hint: t`Below it the paddle does not reach.`,
      },
      {
        key: 'maxFill',
        label: t`Most fill, %`,
        said: t`to #`,
        ask: { as: 'percent', min: 0.05, max: 1 },
        hint: t`Above it the flour comes out.`,
      },
      {
        key: 'maxMassG',
        label: t`Most stiff dough`,
        said: t`at most #`,
        ask: { as: 'mass', min: 200, max: 400_000 },
        hint: t`What the motor turns without slowing.`,
      },
      {
        key: 'powerW',
        label: t`Motor, W`,
        said: t`# W`,
        optional: t`usual for its bowl`,
        ask: { as: 'number', min: 20, max: 20_000 },
        hint: t`On its plate. It warms the dough as it mixes.`,
      },
      {
        key: 'speeds',
        label: t`Its three speeds`,
        said: t`speeds #`,
        optional: t`lowest, 1, 2`,
        ask: { as: 'words', count: 3 },
        hint: t`As they stand on the machine: for flour and pieces, for egg, for creaming.`,
      },
      {
        key: 'bowls',
        label: t`How many bowls`,
        said: t`# bowls`,
        optional: '1',
        ask: { as: 'number', min: 1, max: 20, whole: true },
        hint: t`Each with its own tool. With a second one the next dough need not wait until the first is cleaned of an allergen, where cleaning is quicker than mixing.`,
      },
    ],
    example: { name: '', bowlL: 20, minFill: 0.15, maxFill: 0.65, maxMassG: 7000 },
  },
  {
    kind: 'scales',
    title: t`Scales`,
    one: t`scale`,
    details: [
      name,
      { key: 'maxMassG', label: t`Capacity`, said: t`to #`, ask: { as: 'mass', min: 20, max: 500_000 } },
      {
        key: 'resolutionG',
        label: t`Reads to`,
        said: t`by #`,
        ask: { as: 'mass', min: 0.001, max: 100 },
        hint: t`The smallest step of its display.`,
      },
      {
        key: 'toleranceG',
        label: t`Right to within`,
        said: t`right to #`,
        optional: t`half of its step`,
        ask: { as: 'mass', min: 0, max: 1000 },
        hint: t`What a test weight or its last check shows. What it cannot weigh well enough goes to a finer one.`,
      },
    ],
    example: { name: '', maxMassG: 6000, resolutionG: 1 },
  },
  {
    kind: 'places',
    title: t`Cold places and benches`,
    one: t`place`,
    details: [
      name,
      {
        key: 'kind',
        label: t`Kind`,
        ask: {
          as: 'choice',
          choices: [
            ['walk-in', t`chilled`],
            ['freezer', t`frozen`],
            ['bench', t`bench, room`],
          ],
        },
      },
      {
        key: 'airC',
        label: t`Air`,
        ask: { as: 'temperature', min: -40, max: 45 },
        hint: t`Hang a thermometer among the trays over a night.`,
      },
      {
        key: 'hWPerM2K',
        label: t`Air movement`,
        ask: {
          as: 'choice',
          choices: [
            [6, 'hardly'],
            [8, t`a little`],
            [12, t`by a fan`],
            [25, t`hard (blast)`],
          ],
        },
      },
      {
        key: 'trayPlaces',
        label: t`Places for trays`,
        said: t`# trays`,
        ask: { as: 'number', min: 0, max: 5000, whole: true },
      },
      {
        key: 'tubPlaces',
        label: t`Places for tubs`,
        said: t`# tubs`,
        ask: { as: 'number', min: 0, max: 5000, whole: true },
      },
      {
        key: 'bagPlaces',
        label: t`Places for bags`,
        said: t`# bags`,
        ask: { as: 'number', min: 0, max: 5000, whole: true },
      },
      {
        key: 'probe',
        label: t`Its probe`,
        usual: true,
        ask: {
          as: 'choice',
          choices: [
            [false, t`no probe`],
            [true, t`simulated probe`],
          ],
        },
        hint: t`Without one its air is taken to be as it is set. What the simulated one reads is made up, to try alarms out.`,
      },
      {
        key: 'powerW',
        label: t`Its machine, W`,
        said: t`# W`,
        optional: t`usual of its kind`,
        ask: { as: 'number', min: 50, max: 200_000 },
        hint: t`Cooling power, on the plate of the machine. It tells how warm it gets with much warm dough in it.`,
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
      probe: false,
    },
  },
  {
    kind: 'racks',
    title: t`Cooling racks`,
    one: t`rack`,
    details: [
      name,
      {
        key: 'places',
        label: t`Places for trays`,
        said: t`# trays`,
        ask: { as: 'number', min: 1, max: 5000, whole: true },
      },
    ],
    example: { name: '', places: 18 },
  },
];

/** How a figure is typed and shown: as a kind of the device's units, times a factor. */
export const figureOf = (
  ask: Extract<Detail['ask'], { min: number }>,
): { readonly kind: TypedKind; readonly factor: number } => {
  if (ask.as === 'percent') return { kind: 'number', factor: 100 };
  if (ask.as === 'minutes') return { kind: 'number', factor: 1 / 60 };
  return { kind: ask.as, factor: 1 };
};

/** A ready-made thing to begin from, with a name of its own. */
export type Preset = Readonly<Record<string, unknown>> & { readonly name: string };

export type Thing = Readonly<Record<string, unknown>> & { readonly id: string; readonly retired?: boolean };
export const thingsOf = (equipment: Equipment, kind: EquipmentKind): readonly Thing[] =>
  equipment[kind] as unknown as readonly Thing[];
export const nameOf = (thing: Thing): string => (typeof thing.name === 'string' ? thing.name : thing.id);
