import { trayMaterials } from './parameters.js';
import { emptyRings, placeRings, type Rings } from './rings.js';
import { asSetDown, crumbConducts, type Fixed } from './setup.js';
import { at } from './tables.js';

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
