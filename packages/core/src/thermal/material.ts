import type { Dough } from '../formula/index.js';
import { cached } from '../cache/index.js';
import { doughDensity, enthalpy, iceShare, porousConductivity } from './dough-material.js';

/** What conduction needs of a body: density, and enthalpy and conductivity as functions of temperature. */
export interface Material {
  readonly densityKgPerM3: number;
  /** J/kg at °C; strictly rising. */
  readonly enthalpyJPerKg: (temperatureC: number) => number;
  readonly conductivityWPerMK: (temperatureC: number) => number;
  readonly iceShare: (temperatureC: number) => number;
}

/** Air in a dough that was creamed and scooped, share by volume: typical. */
export const coldPorosity = 0.08;

/** The materials of the doughs that were asked of lately: their tables cost more than a whole curve. */
const mostKnown = 60;

export const doughMaterial: (dough: Dough, porosity?: number) => Material = cached(
  (dough: Dough, porosity: number = coldPorosity): Material => ({
    densityKgPerM3: doughDensity(dough, 15, porosity),
    enthalpyJPerKg: (t) => enthalpy(dough, t),
    conductivityWPerMK: (t) => porousConductivity(dough, t, porosity),
    iceShare: (t) => iceShare(dough, t),
  }),
  (dough, porosity = coldPorosity) => JSON.stringify([dough, porosity]),
  mostKnown,
);

const names = new WeakMap<Material, number>();
let named = 0;

/** A name that no other material has while this one lives. */
export const materialName = (material: Material): number => {
  const name = names.get(material) ?? (named += 1);
  names.set(material, name);
  return name;
};

/** A body of constant properties, for checking against series solutions. */
export const constantMaterial = (p: {
  readonly conductivityWPerMK: number;
  readonly specificHeatJPerKgK: number;
  readonly densityKgPerM3: number;
}): Material => ({
  densityKgPerM3: p.densityKgPerM3,
  enthalpyJPerKg: (t) => p.specificHeatJPerKgK * t,
  conductivityWPerMK: () => p.conductivityWPerMK,
  iceShare: () => 0,
});

const fromC = -60;
const toC = 130;
/** Every tenth of a kelvin: what melts and freezes does so over many of them. */
const points = 1901;
const perK = (points - 1) / (toC - fromC);

/**
 * The material as tables: temperature by volumetric enthalpy (even in enthalpy, so that the inverse needs no search),
 * conductivity by temperature, and the largest diffusivity, which limits the time step.
 */
export class TabulatedMaterial {
  readonly maxDiffusivity: number;
  private readonly byEnthalpy = new Float64Array(points);
  private readonly k = new Float64Array(points);
  private readonly h0: number;
  private readonly dH: number;

  constructor(readonly material: Material) {
    const rho = material.densityKgPerM3;
    const step = (toC - fromC) / (points - 1);
    const H = new Float64Array(points);
    let fastest = 0;
    for (let i = 0; i < points; i++) {
      const t = fromC + i * step;
      H[i] = rho * material.enthalpyJPerKg(t);
      this.k[i] = material.conductivityWPerMK(t);
      if (i > 0)
        fastest = Math.max(
          fastest,
          ((this.k[i] as number) * step) / ((H[i] as number) - (H[i - 1] as number)),
        );
    }
    this.maxDiffusivity = fastest;
    this.h0 = H[0] as number;
    this.dH = ((H[points - 1] as number) - this.h0) / (points - 1);
    for (let i = 0, j = 0; i < points; i++) {
      const target = this.h0 + i * this.dH;
      while (j < points - 2 && (H[j + 1] as number) < target) j++;
      const span = (H[j + 1] as number) - (H[j] as number);
      this.byEnthalpy[i] = fromC + (j + (target - (H[j] as number)) / span) * step;
    }
  }

  /** J/m³ */
  volumetricEnthalpy(temperatureC: number): number {
    return this.material.densityKgPerM3 * this.material.enthalpyJPerKg(temperatureC);
  }

  temperature(enthalpyJPerM3: number): number {
    const x = Math.min(points - 1.001, Math.max(0, (enthalpyJPerM3 - this.h0) / this.dH));
    const i = Math.floor(x);
    const a = this.byEnthalpy[i] as number;
    return a + (x - i) * ((this.byEnthalpy[i + 1] as number) - a);
  }

  conductivity(temperatureC: number): number {
    const x = Math.min(points - 1.001, Math.max(0, (temperatureC - fromC) * perK));
    const i = Math.floor(x);
    const a = this.k[i] as number;
    return a + (x - i) * ((this.k[i + 1] as number) - a);
  }
}

const tables = new WeakMap<Material, TabulatedMaterial>();

/** The tables of a material, made once. */
export const tabulated = (material: Material): TabulatedMaterial => {
  const found = tables.get(material) ?? new TabulatedMaterial(material);
  tables.set(material, found);
  return found;
};
