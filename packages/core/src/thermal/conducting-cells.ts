import type { Face, Mesh } from './body.js';
import type { TabulatedMaterial } from './material.js';

/**
 * The cells of a body in the cold, with what they hold: volumetric enthalpy is the state, temperature and conductivity
 * are read back from it. All in flat arrays: this is stepped through a million times for a curve.
 */
export class ConductingCells {
  /** J/m³, °C, W/mK and W of each cell. */
  private readonly enthalpy: Float64Array;
  readonly temperatureC: Float64Array;
  private readonly conductivity: Float64Array;
  private readonly gainW: Float64Array;
  private readonly from: Int32Array;
  private readonly to: Int32Array;
  private readonly shape: Float64Array;
  /** Those that take or give heat at all. */
  private readonly open: readonly Face[];
  private readonly surfaceFace: Face;
  private readonly totalVolume: number;

  constructor(
    private readonly mesh: Mesh,
    private readonly table: TabulatedMaterial,
    startC: number,
  ) {
    const n = mesh.volumes.length;
    this.enthalpy = new Float64Array(n).fill(table.volumetricEnthalpy(startC));
    this.temperatureC = new Float64Array(n).fill(startC);
    this.conductivity = new Float64Array(n).fill(table.conductivity(startC));
    this.gainW = new Float64Array(n);
    this.from = Int32Array.from(mesh.links, ({ a }) => a);
    this.to = Int32Array.from(mesh.links, ({ b }) => b);
    this.shape = Float64Array.from(mesh.links, ({ shape }) => shape);
    this.open = mesh.faces.filter(({ share }) => share !== 0);
    this.surfaceFace = mesh.faces.find(({ cell }) => cell === mesh.surface) as Face;
    this.totalVolume = mesh.volumes.reduce((sum, volume) => sum + volume, 0);
  }

  get coreC(): number {
    return this.temperatureC[this.mesh.core] as number;
  }

  /** °C of the surface itself, in air of `airC` under a heat transfer of `hWPerM2K`. */
  surfaceC(airC: number, hWPerM2K: number): number {
    const { half, share } = this.surfaceFace;
    const outward = (this.conductivity[this.mesh.surface] as number) / half;
    const h = hWPerM2K * share;
    return (outward * (this.temperatureC[this.mesh.surface] as number) + h * airC) / (outward + h);
  }

  get meanC(): number {
    return this.overAll(this.temperatureC) / this.totalVolume;
  }

  isEvenWith(airC: number, withinK: number): boolean {
    return this.temperatureC.every((own) => Math.abs(own - airC) < withinK);
  }

  /** Heat in all cells, J. */
  get heatJ(): number {
    return this.overAll(this.enthalpy);
  }

  private overAll(values: Float64Array): number {
    const { volumes } = this.mesh;
    let sum = 0;
    for (let i = 0; i < volumes.length; i++) sum += (volumes[i] as number) * (values[i] as number);
    return sum;
  }

  /** One explicit step of `dtS`. @returns what goes in through the surface meanwhile, W */
  advance(dtS: number, airC: number, hWPerM2K: number): number {
    this.gainW.fill(0);
    this.betweenCells();
    const intoBodyW = this.throughSurface(airC, hWPerM2K);
    this.take(dtS);
    return intoBodyW;
  }

  private betweenCells(): void {
    const { from, to, shape, conductivity: K, temperatureC: T, gainW: Q } = this;
    for (let l = 0; l < shape.length; l++) {
      const a = from[l] as number;
      const b = to[l] as number;
      const ka = K[a] as number;
      const kb = K[b] as number;
      const q = ((2 * ka * kb) / (ka + kb)) * (shape[l] as number) * ((T[a] as number) - (T[b] as number));
      Q[a] = (Q[a] as number) - q;
      Q[b] = (Q[b] as number) + q;
    }
  }

  private throughSurface(airC: number, hWPerM2K: number): number {
    const { open, conductivity: K, temperatureC: T, gainW: Q } = this;
    let intoBodyW = 0;
    for (let f = 0; f < open.length; f++) {
      const { cell, area, half, share } = open[f] as Face;
      const q = (area * (airC - (T[cell] as number))) / (1 / (hWPerM2K * share) + half / (K[cell] as number));
      Q[cell] = (Q[cell] as number) + q;
      intoBodyW += q;
    }
    return intoBodyW;
  }

  private take(dtS: number): void {
    const { enthalpy: H, conductivity: K, temperatureC: T, gainW: Q, table } = this;
    const { volumes } = this.mesh;
    for (let i = 0; i < volumes.length; i++) {
      const held = (H[i] as number) + (dtS * (Q[i] as number)) / (volumes[i] as number);
      const temperatureC = table.temperature(held);
      H[i] = held;
      T[i] = temperatureC;
      K[i] = table.conductivity(temperatureC);
    }
  }
}
