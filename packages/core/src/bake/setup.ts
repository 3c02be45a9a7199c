import {
  plainFlourProtein,
  pressedAspect,
  typicalReducing,
  type Dough,
  type Liner,
  type PieceShape,
} from '../formula/index.js';
import { fatIn, typicalThinning } from '../ingredient/index.js';
import type { OwnLimits } from '../limits/index.js';
import { doughDensity } from '../thermal/index.js';
import { liners, trayMaterials, type BakeParameters, type TrayMaterial } from './parameters.js';
import { processFactors, type Process } from './process.js';
import { ringLayout, type RingLayout } from './rings.js';
import { shapingTable } from './shaping.js';
import { bakeTables, gas, table, type BakeTables } from './tables.js';

export interface BakeSetup {
  readonly massG: number;
  readonly shape: PieceShape;
  /** Pressed flat to this diameter, mm. */
  readonly pressedMm?: number;
  readonly dough: Dough;
  /** Start temperature, °C, or a profile from the core to the surface. */
  readonly start: number | readonly number[];
  readonly tray: TrayMaterial;
  readonly liner: Liner;
  /** Heat that the liner lets through, W/m²K, and how hard it holds the dough; the usual of its kind where left out. */
  readonly contactWPerM2K?: number;
  readonly drag?: number;
  readonly setC: number;
  /** Air above what is set, K, as learned of this oven and place; 0 when left out. */
  readonly offsetK?: number;
  readonly fan: boolean;
  /** How far the air falls at loading, K, and after how long it is back but for a twentieth, s; the usual where left out. */
  readonly doorFallK?: number;
  readonly doorBackS?: number;
  /** From the hottest place of the oven to the coolest, K; it makes a pull less sure where no place is named. */
  readonly unevenK?: number;
  /** How the dough was worked; as the parameters are tuned to when left out. */
  readonly process?: Process;
  /** What the house sets otherwise of colours and of what the work does. */
  readonly limits?: OwnLimits;
  readonly roomC: number;
  readonly parameters: BakeParameters;
  /** Cells over the radius and the height. */
  readonly rings: number;
  readonly layers: number;
}

/** Mean height over diameter of the piece as it is set down. */
export const startAspect: Readonly<Record<PieceShape, number>> = {
  ball: 0.66,
  mound: 0.4,
  puck: 0.3,
  slice: 0.28,
};

/** How flat its top is then, as a power (see `rings.ts`): a ball is round all over, a slice hardly. */
export const startPower: Readonly<Record<PieceShape, number>> = { ball: 2, mound: 2.8, puck: 5, slice: 9 };

/** Height over diameter, and the power of the top, of the piece as it is set down: a pressed one is a puck of its own height. */
export const asSetDown = ({ shape, pressedMm }: BakeSetup, volumeM3: number) =>
  pressedMm === undefined
    ? { aspect: startAspect[shape], power: startPower[shape] }
    : { aspect: pressedAspect(volumeM3, pressedMm), power: Math.max(startPower[shape], startPower.puck) };

/** Air in the dough when it goes in, share by volume. */
export const bakePorosity = 0.06;

/** What does not change during a bake. */
export interface Fixed {
  readonly setup: BakeSetup;
  readonly p: BakeParameters;
  readonly tables: BakeTables;
  readonly nr: number;
  readonly nz: number;
  readonly massKg: number;
  readonly volume0: number;
  readonly layout: RingLayout;
  /** Ln of the power of the top when it has sunk as flat as it gets. */
  readonly lnFlat: number;
  /** Dough mass of a cell of each ring, kg; non-fat solids per kg of dough. */
  readonly cellMass: Float64Array;
  readonly solids: number;
  readonly lnEtaRecipe: number;
  readonly yieldPa: number;
  readonly drag: number;
  /** How fast it browns (dry) by temperature, 1/s: a table as those of the dough. */
  readonly browning: Float64Array;
  /** What moves the shape by temperature, side by side (see `reshape.ts`). */
  readonly shaping: Float64Array;
  readonly tray: {
    readonly heat: number;
    readonly conduct: number;
    readonly epsUnder: number;
    readonly epsTop: number;
  };
  readonly contact: number;
  /** Tray area that belongs to one piece, m². */
  readonly pitchArea: number;
}

/** How well a cell's crumb conducts over its solids: less where it has risen to so many times its volume, more where it fell again. */
export const crumbConducts = (p: BakeParameters, rise: number): number =>
  p.conductivityFactor * Math.max(0.2, (1 - bakePorosity) / rise);

/** The parameters with what the process puts on them. */
const withProcess = ({ parameters, process, limits }: BakeSetup): BakeParameters => {
  if (!process) return parameters;
  const { stiffness, colour, lift } = processFactors(process, limits);
  return {
    ...parameters,
    eta0PaS: parameters.eta0PaS * stiffness,
    browningPerS: parameters.browningPerS * colour,
    lift: parameters.lift * lift,
  };
};

/** How much faster a dough browns than the typical one, by the sugars that do so at once. */
const browningOf = (dough: Dough, p: BakeParameters): number =>
  Math.min(
    3,
    Math.max(0.85, 1 + p.browningPerReducing * ((dough.reducing ?? typicalReducing) - typicalReducing)),
  );

export const prepare = (setup: BakeSetup): Fixed => {
  const { rings: nr, layers: nz, dough, massG } = setup;
  const p = withProcess(setup);
  const massKg = massG / 1000;
  const volume0 = massKg / doughDensity(dough, 15, bakePorosity);
  const layout = ringLayout(nr);
  const cellMass = layout.massShare.map((share) => (massKg * share) / nz);
  const material = trayMaterials[setup.tray];
  const liner = liners[setup.liner];
  const { composition: c } = dough;
  const fat = fatIn(dough.fats);
  const browns = browningOf(dough, p);
  const tables = bakeTables(dough);
  const setC = p.setC + 40 * (dough.sugar - 0.28) - 150 * (dough.eggProtein - 0.0101);
  return {
    setup,
    p,
    tables,
    nr,
    nz,
    massKg,
    volume0,
    layout,
    lnFlat: Math.log(p.profilePower),
    cellMass,
    solids: dough.nonFatSolids,
    lnEtaRecipe:
      Math.log(p.eta0PaS) -
      p.etaPerSugar * ((dough.thinning ?? typicalThinning * dough.sugar) / typicalThinning - 0.28) -
      p.etaPerFat * (fat - 0.163) -
      p.etaPerWater * (c.water - 0.137) +
      p.etaPerFlour * (dough.flour - 0.3) +
      p.etaPerStrength * ((dough.flourProtein ?? plainFlourProtein) - plainFlourProtein),
    yieldPa: p.yieldPa * Math.exp(-6 * (c.water - 0.137 + (fat - 0.163))),
    drag: p.dragBase * (setup.drag ?? liner.drag),
    browning: table(
      (t) => p.browningPerS * browns * Math.exp((-p.browningJPerMol / gas) * (1 / (t + 273.15) - 1 / 413.15)),
    ),
    shaping: shapingTable(p, tables, setC),
    tray: {
      heat: material.rhoC * material.thicknessMm * 1e-3,
      conduct: material.k * material.thicknessMm * 1e-3,
      epsUnder: material.eps,
      epsTop: material.eps * (1 - liner.cover) + 0.85 * liner.cover,
    },
    contact: setup.contactWPerM2K ?? liner.contact,
    pitchArea: 0.107 ** 2 * (massG / 35) ** 0.7,
  };
};
