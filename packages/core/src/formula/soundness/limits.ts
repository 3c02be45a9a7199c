/**
 * Usual ranges per 100 of flour and what binds like it, over all schools from shortbread to thin and crisp: trade
 * practice, set so that ordinary doughs pass and a slip of the pen does not (see the test of the check).
 */
export const usualRanges = {
  fat: [20, 90],
  sugars: [22, 145],
  water: [9, 62],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;

/** Limits of salt, leavening and binding. Salt per 100 of flour and the like; gas and base per kg of dough. */
export const soundLimits = {
  saltLow: 0.15,
  /** Without a line of salt in it, what butter and the like must bring. */
  saltUnweighed: 0.4,
  saltHigh: 2.5,
  gasLowMl: 100,
  gasHighMl: 1450,
  baseLeftMmol: 85,
  /** Ginger and dark syrups are baked with more soda on purpose, and hide its taste. */
  darkGasHighMl: 2300,
  darkBaseLeftMmol: 145,
  /** Baker's ammonia gives twice the gas of soda, and leaves with it. */
  ammoniaGasHighMl: 4500,
  acidLeftMmol: 30,
  /** The fat that a dough holds: more when it has much sugar, as the thin and crisp ones do. */
  fatHolds: 72,
  fatHoldsPerSugar: 0.25,
  fatHoldsFromSugar: 80,
  /** A leavened dough without egg needs so much water from elsewhere to bind. */
  bindingWater: 18,
} as const;
