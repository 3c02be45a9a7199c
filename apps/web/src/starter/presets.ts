import { t } from '@lingui/core/macro';
import type { EquipmentKind } from '@jokul/core';
import type { Preset } from '../bakery/equipment/kinds';

const oven = (name: string, fan: boolean, places: number, degreesPerMin: number): Preset => ({
  name,
  fan,
  places,
  degreesPerMin,
});
const tray = (name: string, lengthMm: number, widthMm: number, material = 'bright-aluminium'): Preset => ({
  name,
  material,
  lengthMm,
  widthMm,
  count: 20,
  rails: 'all',
});
const mixer = (name: string, bowlL: number, maxMassG: number): Preset => ({
  name,
  bowlL,
  minFill: 0.15,
  maxFill: 0.65,
  maxMassG,
});
const scale = (name: string, maxMassG: number, resolutionG: number): Preset => ({
  name,
  maxMassG,
  resolutionG,
});
const cold = (name: string, kind: string, airC: number, hWPerM2K: number, trayPlaces: number): Preset => ({
  name,
  kind,
  airC,
  hWPerM2K,
  trayPlaces,
  tubPlaces: Math.round(trayPlaces / 3),
  bagPlaces: trayPlaces,
  probe: false,
});

/** Ready-made things by kind, with typical figures: to be taken, and changed to what is there. */
export const presets: Readonly<Partial<Record<EquipmentKind, readonly Preset[]>>> = {
  ovens: [
    oven(t`Fan oven, 5 trays`, true, 5, 8),
    oven(t`Fan oven, 10 trays`, true, 10, 8),
    oven(t`Deck, 2 trays`, false, 2, 3),
    oven(t`Deck, 4 trays`, false, 4, 3),
    oven(t`Rack oven, 15 trays`, true, 15, 6),
  ],
  trays: [
    tray(t`Tray 60 × 40 cm`, 600, 400),
    tray(t`Half sheet 18 × 13 in`, 430, 310),
    tray(t`Full sheet 26 × 18 in`, 635, 432),
    tray(t`Dark steel 60 × 40 cm`, 600, 400, 'dark-steel'),
  ],
  liners: [
    { name: t`Silicone mats`, kind: 'mat', count: 12 },
    { name: t`Two papers, one over the other`, kind: 'double-parchment' },
  ],
  mixers: [
    mixer(t`Stand mixer, 5 L`, 5, 1500),
    mixer(t`Planetary mixer, 10 L`, 10, 3500),
    mixer(t`Planetary mixer, 20 L`, 20, 7000),
    mixer(t`Planetary mixer, 60 L`, 60, 22_000),
  ],
  scales: [
    scale(t`Bench scale, 6 kg by 1 g`, 6000, 1),
    scale(t`Floor scale, 60 kg by 20 g`, 60_000, 20),
    scale(t`Pocket scale, 500 g by 0.1 g`, 500, 0.1),
    scale(t`Scale, 11 lb by 0.1 oz`, 4990, 2.835),
  ],
  places: [
    cold(t`Reach-in fridge`, 'walk-in', 4, 8, 10),
    cold(t`Walk-in fridge`, 'walk-in', 3, 12, 40),
    cold(t`Chest freezer`, 'freezer', -20, 6, 6),
    cold(t`Walk-in freezer`, 'freezer', -20, 12, 30),
    cold(t`Blast chiller`, 'walk-in', -5, 25, 10),
  ],
  racks: [{ name: t`Rack, 15 trays`, places: 15 }],
};
