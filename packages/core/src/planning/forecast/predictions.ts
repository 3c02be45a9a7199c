import {
  bake,
  bakeInputOf,
  calibrated,
  startAspect,
  type BakeInput,
  type BakeResult,
  type Calibration,
} from '../../bake/index.js';
import { doughOf, type Formula } from '../../formula/index.js';
import { componentNames } from '../../ingredient/index.js';
import { JokulError, modelled, type Figure, say } from '../../shown/index.js';
import { ballRadiusM, coldPorosity } from '../../thermal/index.js';
import { layOut, openSidesOf, type Layout } from '../../tray/index.js';
import {
  bakesIn,
  heatOf,
  ruledBy,
  type Equipment,
  type HouseRules,
  type Oven,
  type OvenHeat,
  type TrayKind,
} from '../../bakery/index.js';
import { loadTemperature } from './load-temperature.js';
import { doughDensityGPerMl } from './scale-product.js';

/** Fan ovens run hotter than still ones at the same figure: the still oven is set this much higher. General trade practice. */
export const stillAboveFanK = 17;

/** What the bake model foretells of one formula in one oven. */
export interface Prediction {
  readonly ovenId: string;
  readonly setC: number;
  readonly bake: BakeResult;
}

/** The bakes of a formula that it can be planned with: in its ovens, and to its target. */
export const usableBakes = (
  formula: Formula,
  predictions: readonly Prediction[] | undefined,
): readonly Prediction[] =>
  (predictions ?? []).filter(({ ovenId, bake: { pull } }) => pull !== null && bakesIn(formula, ovenId));

/** The set temperature of a formula in an oven of either kind. */
export const setTemperature = (formula: Formula, fan: boolean): number =>
  formula.bake.setC + (formula.bake.fan === fan ? 0 : fan ? -stillAboveFanK : stillAboveFanK);

export const trayKindOf = (equipment: Equipment, rules: HouseRules): TrayKind => {
  const found = equipment.trays.find((tray) => tray.id === rules.trayId) ?? equipment.trays[0];
  if (!found) throw new JokulError('no-trays', say`No trays are set up: add them in Setup.`, 'trays');
  return found;
};

/**
 * What is asked of the bake model for a formula's piece in an oven, on the house's usual tray.
 * @param startC of the dough as it is loaded, where somebody has computed it already, °C
 */
export const bakeInputIn = (
  formula: Formula,
  oven: Pick<Oven, 'id'> & OvenHeat,
  equipment: Equipment,
  rules: HouseRules,
  calibration: Calibration | null = null,
  position?: number,
  startC = loadTemperature(formula, rules, equipment),
): BakeInput =>
  calibrated(
    bakeInputOf(formula, {
      start: startC,
      tray: trayKindOf(equipment, rules).material,
      ...ruledBy(rules, formula, equipment),
      ...heatOf(oven),
      setC: setTemperature(formula, oven.fan),
    }),
    calibration,
    { ovenId: oven.id, code: formula.code, ...(position !== undefined && { position }) },
  );

/** One bake of the formula's piece in an oven, by what was learned of it. */
export const predictIn = (...asked: Parameters<typeof bakeInputIn>): BakeResult =>
  bake(bakeInputIn(...asked));

/** The same as a figure that shows the composition it comes from. */
export const doughDensityFigure = (formula: Formula): Figure => {
  const { composition } = doughOf(formula);
  return modelled({
    name: say`Density of the mixed dough`,
    symbol: 'ρ',
    value: doughDensityGPerMl(formula),
    unit: 'g/mL',
    relation: say`${'1/ρ = Σ x / ρ_x'}, times (1 − air)`,
    terms: [
      ...componentNames.map((name) => ({
        symbol: 'x',
        name,
        value: composition[name],
        unit: 'share' as const,
        source: say`composition of the ingredients`,
      })),
      {
        symbol: 'air',
        name: say`air by volume`,
        value: coldPorosity,
        unit: 'share' as const,
        source: say`typical`,
      },
    ],
    source: say`densities of the components at 20 °C after Choi and Okos (1986)`,
    note: say`Creaming and inclusions move it: weigh three scoops.`,
  });
};

/** Diameter of a raw piece as it is set down, mm: as it was pressed, or by its shape. */
export const rawDiameterMm = (formula: Formula): number => {
  const { massG, shape, pressedMm } = formula.piece;
  if (pressedMm !== undefined) return pressedMm;
  const densityKgPerM3 = doughDensityGPerMl(formula) * 1000;
  if (shape === 'ball') return 2000 * ballRadiusM(massG, densityKgPerM3);
  return 1000 * Math.cbrt((4 * massG) / 1000 / densityKgPerM3 / (Math.PI * startAspect[shape]));
};

/** Pieces on one baking tray by the widest of the predictions, so that none touch in any oven. */
export const trayLayout = (
  formula: Formula,
  predictions: readonly Prediction[],
  equipment: Equipment,
  rules: HouseRules,
): Layout => {
  const widest = Math.max(...predictions.map((p) => p.bake.cooled?.diameterMm ?? 0));
  const tray = trayKindOf(equipment, rules);
  return layOut({
    lengthMm: tray.lengthMm,
    widthMm: tray.widthMm,
    openSides: openSidesOf(tray),
    diameterMm: widest,
    gapMm: formula.bake.gapMm,
    marginMm: rules.trayMarginMm,
    pattern: 'best',
  });
};
