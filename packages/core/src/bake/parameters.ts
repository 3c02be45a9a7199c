import type { Liner } from '../formula/index.js';

/**
 * Parameters of the bake model. "Tuned" values were set once, for all cases together, so that the model
 * shows what is generally known of drop cookies; they are no measurements. See docs/models.md.
 */
export interface BakeParameters {
  /** Convective heat transfer, W/m²K: still, at 75 K between air and surface, and fan. */
  readonly hStill: number;
  readonly hFan: number;
  readonly emissivityDough: number;
  /** Share of the rim that sees the oven: neighbours shade it. */
  readonly rimExposure: number;
  readonly dipStillK: number;
  readonly dipStillS: number;
  readonly dipFanK: number;
  readonly dipFanS: number;
  /** How much hotter the wall below radiates in a still oven, K. */
  readonly belowK: number;
  /** How much hotter than the air the walls of a still oven radiate, K, by the power that they give off; half of it with a fan. */
  readonly wallOverK: number;
  /** Convection under the tray over convection above. */
  readonly underRatio: number;
  /** Half-saturation water of the sorption curve up to 100 °C, kg per kg non-fat solids, and its fall above, 1/K (tuned). */
  readonly sorptionA: number;
  readonly sorptionPerK: number;
  /** Vapour permeability relative to free air, raw and set (tuned). */
  readonly permeabilityRaw: number;
  readonly permeabilitySet: number;
  /** Cap of the boiling flow. */
  readonly stefanMax: number;
  readonly airVapourPa: number;
  readonly conductivityFactor: number;
  /** Viscosity at 25 °C, Pa s, and what changes it (tuned to diameters). */
  readonly eta0PaS: number;
  readonly etaPerK: number;
  /** Up to here warmth thins it, °C (tuned): by then its fat is molten and its sugar dissolved. */
  readonly thinsUpToC: number;
  readonly etaPerSolidFat: number;
  readonly etaPerSet: number;
  readonly yieldPa: number;
  readonly dragBase: number;
  readonly etaPerSugar: number;
  readonly etaPerFat: number;
  readonly etaPerWater: number;
  readonly etaPerFlour: number;
  /** By the protein of the flour, and browning by the reducing sugars of the dough (signs known, sizes assumed). */
  readonly etaPerStrength: number;
  readonly browningPerReducing: number;
  readonly setC: number;
  readonly setWidthK: number;
  readonly setS: number;
  readonly lift: number;
  readonly liftIsotropy: number;
  readonly collapse: number;
  /** Power of the top when it has sunk as flat as it gets (see `rings.ts`). */
  readonly profilePower: number;
  /** How fast the dome sinks, over how fast the foot spreads (tuned). */
  readonly sinking: number;
  /** How much more the rim's dough counts for the spread than the middle's (tuned). */
  readonly outward: number;
  readonly browningPerS: number;
  readonly browningJPerMol: number;
  readonly browningAw: number;
}

/** Counts up whenever the same bake comes out otherwise: what was computed by another is old. */
export const bakeModelVersion = 5;

export const defaultBakeParameters: BakeParameters = {
  hStill: 2.778,
  hFan: 5.564,
  emissivityDough: 0.655,
  rimExposure: 0.9203,
  dipStillK: 30.51,
  dipStillS: 238.9,
  dipFanK: 16.36,
  dipFanS: 89.91,
  belowK: 1.322,
  wallOverK: 13.45,
  underRatio: 1.141,
  sorptionA: 0.09486,
  sorptionPerK: 0.02379,
  permeabilityRaw: 0.01158,
  permeabilitySet: 0.1602,
  stefanMax: 25,
  airVapourPa: 1500,
  conductivityFactor: 2.067,
  eta0PaS: 967.3,
  etaPerK: 0.09216,
  thinsUpToC: 57.16,
  etaPerSolidFat: 8.36,
  etaPerSet: 7.912,
  yieldPa: 20,
  dragBase: 1.731,
  etaPerSugar: 10,
  etaPerFat: 8,
  etaPerWater: 8,
  etaPerFlour: 6,
  etaPerStrength: 12,
  browningPerReducing: 15,
  setC: 80.97,
  setWidthK: 20.13,
  setS: 82.28,
  lift: 0.3,
  liftIsotropy: 0.4492,
  collapse: 0.4725,
  profilePower: 2.501,
  sinking: 4,
  outward: 0.7267,
  browningPerS: 0.01288,
  browningJPerMol: 83100,
  browningAw: 0.6,
};

export type TrayMaterial = 'bright-aluminium' | 'dark-aluminium' | 'dark-steel' | 'stainless' | 'stone';

/** Thickness mm, volumetric heat J/m³K, conductivity W/mK, emissivity; handbook values, bright emissivity of used metal. */
export const trayMaterials: Readonly<
  Record<
    TrayMaterial,
    {
      readonly thicknessMm: number;
      readonly rhoC: number;
      readonly k: number;
      readonly eps: number;
      readonly preheated: boolean;
    }
  >
> = {
  'bright-aluminium': { thicknessMm: 1.2, rhoC: 2.43e6, k: 200, eps: 0.3, preheated: false },
  'dark-aluminium': { thicknessMm: 1.2, rhoC: 2.43e6, k: 200, eps: 0.8, preheated: false },
  'dark-steel': { thicknessMm: 0.8, rhoC: 3.6e6, k: 45, eps: 0.8, preheated: false },
  stainless: { thicknessMm: 0.8, rhoC: 3.9e6, k: 16, eps: 0.35, preheated: false },
  stone: { thicknessMm: 14, rhoC: 2.0e6, k: 1.6, eps: 0.9, preheated: true },
};

/** What a house may set of a liner: heat let through, W/m²K, and how hard it holds the dough, paper being 1. */
export const linerRanges = { contactWPerM2K: [10, 600], drag: [0.1, 3] } as const;

/**
 * Contact heat transfer W/m²K (estimate), how much of the tray's top it covers for radiation, and its drag on the spread.
 * Set so that paper or a mat never makes a bake faster than the bare surface: what slips further is thinner and dries
 * sooner, which must not outweigh the poorer contact.
 */
export const liners: Readonly<
  Record<Liner, { readonly contact: number; readonly cover: number; readonly drag: number }>
> = {
  bare: { contact: 220, cover: 0, drag: 0.88 },
  greased: { contact: 300, cover: 0.12, drag: 0.35 },
  parchment: { contact: 130, cover: 0.25, drag: 1 },
  'double-parchment': { contact: 90, cover: 0.25, drag: 1 },
  mat: { contact: 50, cover: 0.1, drag: 0.61 },
};
