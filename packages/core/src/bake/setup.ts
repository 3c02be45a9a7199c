import { fatIn, typicalThinning } from '../ingredient/index.js';
import {
  plainFlourProtein,
  pressedAspect,
  typicalReducing,
  type Dough,
  type PieceShape,
} from '../formula/index.js';
import { doughDensity } from '../thermal/index.js';
import { liners, trayMaterials, type BakeParameters, type Liner, type TrayMaterial } from './parameters.js';
import { shapingTable } from './shaping.js';
import { emptyRings, placeRings, ringLayout, type RingLayout, type Rings } from './rings.js';
import { processFactors, type Process } from './process.js';
import { at, bakeTables, gas, table, type BakeTables } from './tables.js';

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
  readonly setC: number;
  /** Air above what is set, K, as learned of this oven and place; 0 when left out. */
  readonly offsetK?: number;
  readonly fan: boolean;
  /** How the dough was worked; as the parameters are tuned to when left out. */
  readonly process?: Process;
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
const asSetDown = ({ shape, pressedMm }: BakeSetup, volumeM3: number) =>
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

/** Everything that moves. Typed arrays of rings × layers, index ring × layers + layer (layer 0 at the tray). */
export interface State extends Rings {
  readonly U: Float64Array;
  readonly W: Float64Array;
  readonly T: Float64Array;
  readonly sigma: Float64Array;
  readonly Tmax: Float64Array;
  /** How well the crumb of a cell conducts, over its solids. */
  readonly crumb: Float64Array;
  readonly brownTop: Float64Array;
  readonly brownBottom: Float64Array;
  readonly topC: Float64Array;
  radius: number;
  lift: number;
  /** Ln of the power of the top. */
  lnPower: number;
  trayUnderC: number;
  trayEdgeC: number;
  timeS: number;
  /** Time that set, lift and shape have not followed yet, s. */
  unshapedS: number;
}

/** How well a cell's crumb conducts over its solids: less where it has risen to so many times its volume, more where it fell again. */
export const crumbConducts = (p: BakeParameters, rise: number): number =>
  p.conductivityFactor * Math.max(0.2, (1 - bakePorosity) / rise);

/** The parameters with what the process puts on them. */
const withProcess = ({ parameters, process }: BakeSetup): BakeParameters => {
  if (!process) return parameters;
  const { stiffness, colour, lift } = processFactors(process);
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
    drag: p.dragBase * liner.drag,
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
    contact: liner.contact,
    pitchArea: 0.107 ** 2 * (massG / 35) ** 0.7,
  };
};

/** Temperature of a cell from a profile core to surface, by how far out the cell lies in the piece. */
const fromProfile = (profile: readonly number[], out: number): number => {
  const x = Math.min(profile.length - 1, Math.max(0, out * profile.length - 0.5));
  const i = Math.min(profile.length - 2, Math.floor(x));
  if (profile.length === 1) return profile[0] as number;
  const a = profile[i] as number;
  return a + (x - i) * ((profile[i + 1] as number) - a);
};

export const initialState = (fixed: Fixed): State => {
  const { setup, nr, nz, volume0, cellMass, tables } = fixed;
  const n = nr * nz;
  const ovenC = setup.setC + (setup.offsetK ?? 0);
  const rings = emptyRings(nr);
  const { aspect, power } = asSetDown(setup, volume0);
  const lnPower = Math.log(power);
  placeRings(fixed.layout, lnPower, rings);
  const { centres } = rings;
  const state: State = {
    ...rings,
    U: new Float64Array(n),
    W: new Float64Array(n),
    T: new Float64Array(n),
    sigma: new Float64Array(n),
    Tmax: new Float64Array(n),
    crumb: new Float64Array(n).fill(crumbConducts(fixed.p, 1)),
    brownTop: new Float64Array(nr),
    brownBottom: new Float64Array(nr),
    topC: new Float64Array(nr),
    radius: Math.cbrt(volume0 / (2 * Math.PI * aspect)),
    lift: 1,
    lnPower,
    trayUnderC: trayMaterials[setup.tray].preheated ? ovenC : setup.roomC,
    trayEdgeC: trayMaterials[setup.tray].preheated ? ovenC : setup.roomC,
    timeS: 0,
    unshapedS: 0,
  };
  for (let i = 0; i < nr; i++) {
    for (let j = 0; j < nz; j++) {
      const a = i * nz + j;
      const up = (2 * (j + 0.5)) / nz - 1;
      const out = Math.min(1, Math.hypot(centres[i] as number, up));
      const t = typeof setup.start === 'number' ? setup.start : fromProfile(setup.start, out);
      const m = cellMass[i] as number;
      const w = m * setup.dough.composition.water;
      state.T[a] = t;
      state.Tmax[a] = t;
      state.W[a] = w;
      state.U[a] = m * at(tables.dryEnthalpy, t) + w * 4176 * t;
    }
    state.topC[i] = state.T[i * nz + nz - 1] as number;
  }
  return state;
};

export const copyState = (s: State): State => ({
  ...s,
  U: s.U.slice(),
  W: s.W.slice(),
  T: s.T.slice(),
  sigma: s.sigma.slice(),
  Tmax: s.Tmax.slice(),
  crumb: s.crumb.slice(),
  faces: s.faces.slice(),
  centres: s.centres.slice(),
  areaShare: s.areaShare.slice(),
  heightShare: s.heightShare.slice(),
  upward: s.upward.slice(),
  outward: s.outward.slice(),
  brownTop: s.brownTop.slice(),
  brownBottom: s.brownBottom.slice(),
  topC: s.topC.slice(),
});
