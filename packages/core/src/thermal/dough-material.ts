import type { Dough } from '../formula/index.js';
import { components, integral, polynomial, solids } from './components.js';
import { meltingHeatJPerKg, solidIn } from '../ingredient/index.js';

/** Heat of fusion of water, J/kg. */
const fusionJPerKg = 333.6e3;
/** Initial freezing point of so sugary a dough, °C: assumed. */
const freezingC = -10;

/** Water that never freezes, mass fraction of dough: bound by flour (.20) and dissolved in sugar (.15). Assumed. */
const unfreezable = (dough: Dough) =>
  Math.min(dough.composition.water, 0.2 * dough.flour + 0.15 * dough.sugar);

/** Ice as a mass fraction of the dough (after Chen, 1985). */
export const iceShare = (dough: Dough, temperatureC: number): number =>
  temperatureC >= freezingC
    ? 0
    : Math.max(0, dough.composition.water - unfreezable(dough)) * (1 - freezingC / temperatureC);

/**
 * Specific enthalpy of the dough without its liquid-water term, J/kg of dough (zero at 0 °C but for the melt terms).
 * The bake model adds the water that is still there as `waterMass × 4176 × T`.
 */
export const dryEnthalpy = (dough: Dough, temperatureC: number): number => {
  const ice = iceShare(dough, temperatureC);
  let solidsPart = 0;
  for (const name of solids)
    solidsPart += dough.composition[name] * integral(components[name].c, temperatureC);
  return (
    solidsPart -
    meltingHeatJPerKg * solidIn(dough.fats, temperatureC) +
    ice * (integral(components.ice.c, temperatureC) - fusionJPerKg - components.water.c[0] * temperatureC)
  );
};

/** Specific enthalpy of the whole dough, J/kg. */
export const enthalpy = (dough: Dough, temperatureC: number): number =>
  dryEnthalpy(dough, temperatureC) + dough.composition.water * components.water.c[0] * temperatureC;

const parts = ([...solids, 'water', 'ice'] as const).map((name) => ({ name, ...components[name] }));
type PartOfDough = (typeof parts)[number];

/** Volume of one component in a kilogram of dough, m³; its water is parted into liquid and `ice`. */
const volumeOf = (dough: Dough, { name, rho }: PartOfDough, ice: number, temperatureC: number): number => {
  const mass = name === 'ice' ? ice : dough.composition[name] - (name === 'water' ? ice : 0);
  return mass / polynomial(rho, temperatureC);
};

/** Density of the dough, kg/m³. @param porosity share of air by volume */
export const doughDensity = (dough: Dough, temperatureC: number, porosity: number): number => {
  const ice = iceShare(dough, temperatureC);
  let total = 0;
  for (const part of parts) total += volumeOf(dough, part, ice, temperatureC);
  return (1 - porosity) / total;
};

/** Conductivity of the dough without pores, W/mK: the mean of parallel and series. */
export const solidConductivity = (dough: Dough, temperatureC: number): number => {
  const ice = iceShare(dough, temperatureC);
  let total = 0;
  let parallel = 0;
  let series = 0;
  for (const part of parts) {
    const volume = volumeOf(dough, part, ice, temperatureC);
    const k = polynomial(part.k, temperatureC);
    total += volume;
    parallel += volume * k;
    series += volume / k;
  }
  return (parallel / total + total / series) / 2;
};

const airConductivity = 0.026;

/** Conductivity with pores, W/mK (Maxwell-Eucken, pores as the dispersed phase). */
export const porousConductivity = (dough: Dough, temperatureC: number, porosity: number): number => {
  const km = solidConductivity(dough, temperatureC);
  const ka = airConductivity;
  return (km * (ka + 2 * km - 2 * porosity * (km - ka))) / (ka + 2 * km + porosity * (km - ka));
};
