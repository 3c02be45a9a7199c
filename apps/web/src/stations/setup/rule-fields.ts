import type { Liner } from '@jokul/core';

/** Name, label, unit that the form shows, and how the stored value becomes that unit. */
export const ruleFields = [
  ['bowlLossShare', 'Left in the bowl, %', 100],
  ['portionLossShare', 'Lost at portioning, %', 100],
  ['testPieces', 'Test pieces per product', 1],
  ['pieceToleranceShare', 'Tolerance of a piece, %', 100],
  ['doughC', 'Dough off the mixer, °C', 1],
  ['readyCoreC', 'Core counts as cold at, °C', 1],
  ['coldLimitC', 'Raw dough at or below, °C', 1],
  ['centreC', 'Baked centre at least, °C', 1],
  ['outMaxS', 'Out of the cold in total, h', 1 / 3600],
  ['thawedMaxS', 'Thawed, h', 1 / 3600],
  ['frozenMaxS', 'Frozen, days', 1 / 86_400],
  ['probeSilentS', 'Probe silent for, min', 1 / 60],
  ['trayMarginMm', 'Margin on the tray, mm', 1],
  ['mixS', 'Weigh and mix a batch, min', 1 / 60],
  ['portionSPerPiece', 'Portioning one piece, s', 1],
  ['coolS', 'On the rack until cold, min', 1 / 60],
  ['packS', 'Packing, min', 1 / 60],
] as const;

export const linerNames: readonly (readonly [Liner, string])[] = [
  ['parchment', 'baking paper'],
  ['double-parchment', 'two papers'],
  ['mat', 'a silicone mat'],
  ['greased', 'grease'],
  ['bare', 'nothing'],
];
