import type { TrayMaterial } from '../bake/index.js';
import type { Formula, LabelWording, Liner } from '../formula/index.js';
import type { OwnLimits } from '../limits/index.js';
import type { Mixer, Scale } from '../scaling/index.js';
import type { Place } from '../thermal/index.js';
import type { Rails } from '../tray/index.js';
import type { Calendar } from './calendar.js';

/** One oven chamber or deck, loaded and emptied as a whole. */
export interface Oven {
  readonly id: string;
  readonly name: string;
  readonly fan: boolean;
  /** Trays at once. */
  readonly places: number;
  /** Trays at once of other kinds, where they differ. */
  readonly placesFor?: readonly { readonly trayId: string; readonly places: number }[];
  /** How much hotter it is than what it is set to, by a thermometer in its middle, K; what bakes teach comes on top. */
  readonly offsetK?: number;
  /** How fast it heats up. */
  readonly degreesPerMin: number;
  /** How fast it cools with its door shut; as it heats up where left out. */
  readonly coolsPerMin?: number;
  /** How far its air falls when it is loaded, K, and after how long it is back, s; the usual of its kind where left out. */
  readonly doorFallK?: number;
  readonly doorBackS?: number;
  /** From its hottest place to its coolest, and from side to side of a tray, K, until bakes teach it. */
  readonly unevenK?: number;
  readonly acrossK?: number;
  /** Power of its heaters, W; the usual for its places where left out. */
  readonly powerW?: number;
  /** Out of use, and kept for what was recorded with it. */
  readonly retired?: boolean;
}

/** How many trays of a kind an oven takes at once. */
export const placesOf = (
  { places, placesFor = [] }: Pick<Oven, 'places' | 'placesFor'>,
  trayId: string,
): number => placesFor.find((own) => own.trayId === trayId)?.places ?? places;

export interface TrayKind {
  readonly id: string;
  readonly name: string;
  readonly material: TrayMaterial;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly count: number;
  /** Which sides have a rail; all where left out. */
  readonly rails?: Rails;
  /** Out of use, and kept for what was recorded with it. */
  readonly retired?: boolean;
}

/** What pieces lie on, as the house has it. */
export interface LinerStock {
  readonly id: string;
  readonly name: string;
  readonly kind: Liner;
  /** How many trays can be laid out with it; as many as are wanted where left out. */
  readonly count?: number;
  /** Heat that it lets through, W/m²K, and how hard it holds the dough (paper: 1); the usual of its kind where left out. */
  readonly contactWPerM2K?: number;
  readonly drag?: number;
  /** Out of use, and kept for what was recorded with it. */
  readonly retired?: boolean;
}

export interface Rack {
  readonly id: string;
  readonly name: string;
  readonly places: number;
  /** Out of use, and kept for what was recorded with it. */
  readonly retired?: boolean;
}

/** From a time of day to another one, by the bakery's clock. */
export interface Hours {
  readonly from: string;
  readonly to: string;
}

/** What hands of a shift may be asked for: `oven` to load, turn and pull, `pack` to ice and pack; making ready is everybody's. */
export const skills = ['mix', 'portion', 'oven', 'pack'] as const;
export type Skill = (typeof skills)[number];

export interface Shift {
  readonly name: string;
  /** Wall clock, every day. */
  readonly from: string;
  readonly to: string;
  /** People of the line; those who only tend the ovens are not counted (`Equipment.ovenHands`). */
  readonly hands: number;
  /** What they can do; all of it where left out. */
  readonly can?: readonly Skill[];
  /** When nobody of the shift works, the first first; none where left out. */
  readonly breaks?: readonly Hours[];
}

export interface Equipment {
  readonly mixers: readonly Mixer[];
  readonly ovens: readonly Oven[];
  readonly trays: readonly TrayKind[];
  readonly liners: readonly LinerStock[];
  readonly places: readonly Place[];
  readonly racks: readonly Rack[];
  readonly scales: readonly Scale[];
  readonly scoops: readonly number[];
  readonly shifts: readonly Shift[];
  readonly ovenHours: { readonly from: string; readonly to: string };
  /** People who tend the ovens in those hours and do nothing else, 1 where left out; with 0 the hands of the shifts do. */
  readonly ovenHands?: number;
  readonly crew: readonly string[];
  /** Open every day where left out. */
  readonly calendar?: Calendar;
}

/** Defaults that a bakery may disagree with, all in Setup. */
export interface HouseRules {
  readonly timeZone: string;
  readonly bowlLossShare: number;
  readonly portionLossShare: number;
  readonly testPieces: number;
  readonly trayMarginMm: number;
  /** Dough off the mixer, °C. */
  readonly doughC: number;
  /** Core at which rested dough counts as cold, °C. */
  readonly readyCoreC: number;
  /** Weighing and mixing of one batch. */
  readonly mixS: number;
  readonly portionSPerPiece: number;
  readonly portionSetUpS: number;
  /** Cleaning a mixer’s bowl of an allergen, s; the usual where left out. */
  readonly cleanS?: number;
  /** On the rack until cold. */
  readonly coolS: number;
  readonly packS: number;
  /** A hand's time for packing a piece, s; packing takes nobody of the line where left out or 0. */
  readonly packPieceS?: number;
  /** Between two loads of one chamber: empty, fill, recover. */
  readonly loadGapS: number;
  /** A hand's time for putting a tray in, turning it or taking it out, s; takes nobody where left out or 0. */
  readonly ovenTrayS?: number;
  readonly pieceToleranceShare: number;
  /** Raw dough with egg stays at or below this, °C. */
  readonly coldLimitC: number;
  readonly eggIntoButterC: number;
  /** What even the coldest point of a baked piece reaches, carryover included, °C; under it a piece is raw. */
  readonly centreC: number;
  /** How long dough may be thawed, frozen, and out of the cold altogether, s; the usual ones where left out. */
  readonly thawedMaxS?: number;
  readonly frozenMaxS?: number;
  readonly outMaxS?: number;
  /** A probe that said nothing for so long raises the alarm, s. */
  readonly probeSilentS?: number;
  readonly liner: Liner;
  readonly trayId: string;
  /** How labels name allergens; by their classes where left out. */
  readonly labels?: LabelWording;
  /** Limits and factors of the models that the house sets otherwise than usual. */
  readonly limits?: OwnLimits;
}

type OfBakes = Pick<HouseRules, 'liner' | 'centreC' | 'limits'>;

/** What a formula lies on: its own liner, or that of the house. */
export const linerOf = (
  { liner }: Pick<HouseRules, 'liner'>,
  { bake }: { readonly bake: Pick<Formula['bake'], 'liner'> },
): Liner => bake.liner ?? liner;

/** The house's own of a kind of liner; none where it was not set up. */
export const linerStock = ({ liners }: Pick<Equipment, 'liners'>, kind: Liner): LinerStock | undefined =>
  liners.find((own) => own.kind === kind && !own.retired);

/** A kind of liner as a bake takes it: with the house's own figures where it has some. */
export const onLiner = (
  kind: Liner,
  equipment: Pick<Equipment, 'liners'>,
): { readonly liner: Liner } & Pick<LinerStock, 'contactWPerM2K' | 'drag'> => {
  const { contactWPerM2K, drag } = linerStock(equipment, kind) ?? {};
  return {
    liner: kind,
    ...(contactWPerM2K !== undefined && { contactWPerM2K }),
    ...(drag !== undefined && { drag }),
  };
};

/** What a bake of a formula needs of the house, where the formula has none of its own. */
export const ruledBy = (
  { liner, centreC, limits }: OfBakes,
  formula: { readonly bake: Pick<Formula['bake'], 'liner'> },
  equipment: Pick<Equipment, 'liners'>,
): OfBakes & Pick<LinerStock, 'contactWPerM2K' | 'drag'> => ({
  ...onLiner(linerOf({ liner }, formula), equipment),
  centreC,
  ...(limits && { limits }),
});

/** Whether a formula is baked in an oven. */
export const bakesIn = (
  { bake }: { readonly bake: Pick<Formula['bake'], 'ovens'> },
  ovenId: string,
): boolean => !bake.ovens || bake.ovens.includes(ovenId);

/** People who tend the ovens and do nothing else. */
export const ovenHandsOf = ({ ovenHands = 1 }: Pick<Equipment, 'ovenHands'>): number => ovenHands;

/** What a bake needs to know of an oven besides what it is set to. */
export type OvenHeat = Pick<Oven, 'fan' | 'offsetK' | 'doorFallK' | 'doorBackS' | 'unevenK'>;

export const heatOf = ({ fan, offsetK, doorFallK, doorBackS, unevenK }: OvenHeat): OvenHeat => ({
  fan,
  ...(offsetK !== undefined && offsetK !== 0 && { offsetK }),
  ...(doorFallK !== undefined && { doorFallK }),
  ...(doorBackS !== undefined && { doorBackS }),
  ...(unevenK !== undefined && { unevenK }),
});
