export { exampleFormulas, type ExampleFormula } from './example-formulas.js';
import { usualCentreC } from '../bake/index.js';
import { usualAgeLimits, usualProbeSilentS } from '../rest/index.js';
import { type Equipment, type HouseRules } from '../bakery/index.js';
import { usualCleanS } from '../planning/index.js';

/** House rules that a bakery begins with, all to be changed in Setup. */
export const usualHouseRules: Omit<HouseRules, 'timeZone' | 'trayId'> = {
  bowlLossShare: 0.01,
  portionLossShare: 0.01,
  testPieces: 4,
  trayMarginMm: 10,
  doughC: 22,
  readyCoreC: 8,
  mixS: 25 * 60,
  portionSPerPiece: 5,
  portionSetUpS: 240,
  cleanS: usualCleanS,
  coolS: 35 * 60,
  packS: 10 * 60,
  packPieceS: 2,
  ovenTrayS: 8,
  loadGapS: 150,
  pieceToleranceShare: 0.05,
  coldLimitC: 5,
  eggIntoButterC: 40,
  ...usualAgeLimits,
  probeSilentS: usualProbeSilentS,
  centreC: usualCentreC,
  liner: 'parchment',
  limits: {},
  labels: 'classes',
};

/** One of each, as a small bakery has it: an example to be changed to what is there. */
export const starterEquipment: Equipment = {
  mixers: [{ id: 'mixer', name: 'Mixer', bowlL: 20, minFill: 0.15, maxFill: 0.65, maxMassG: 7000 }],
  ovens: [{ id: 'oven', name: 'Oven', fan: true, places: 5, degreesPerMin: 8 }],
  trays: [
    {
      id: 'tray',
      name: 'Tray 60 × 40',
      material: 'bright-aluminium',
      lengthMm: 600,
      widthMm: 400,
      count: 20,
    },
  ],
  places: [
    {
      id: 'fridge',
      name: 'Fridge',
      kind: 'walk-in',
      airC: 4,
      hWPerM2K: 12,
      trayPlaces: 20,
      tubPlaces: 6,
      bagPlaces: 20,
      probe: false,
    },
    {
      id: 'freezer',
      name: 'Freezer',
      kind: 'freezer',
      airC: -20,
      hWPerM2K: 12,
      trayPlaces: 10,
      tubPlaces: 2,
      bagPlaces: 20,
      probe: false,
    },
    {
      id: 'bench',
      name: 'Bench',
      kind: 'bench',
      airC: 22,
      hWPerM2K: 8,
      trayPlaces: 16,
      tubPlaces: 4,
      bagPlaces: 10,
      probe: false,
    },
  ],
  liners: [{ id: 'paper', name: 'Baking paper', kind: 'parchment' }],
  racks: [{ id: 'rack', name: 'Cooling rack', places: 18 }],
  scales: [{ id: 'scale', name: 'Scale', maxMassG: 6000, resolutionG: 1 }],
  scoops: [16, 20, 30, 40, 50, 60],
  shifts: [{ name: 'Early shift', from: '04:00', to: '12:00', hands: 1 }],
  ovenHours: { from: '04:00', to: '12:00' },
  // Whoever mixes tends the oven too.
  ovenHands: 0,
  crew: ['Baker'],
};
