/** What a limit or a factor is about: the recipe check, colour, or how the work on a dough tells in the oven. */
export type LimitPart = 'recipe' | 'dark' | 'work';

export interface UsualLimit {
  readonly part: LimitPart;
  readonly usual: number;
  /** What a house may set it to. */
  readonly low: number;
  readonly high: number;
}

const limit = (part: LimitPart, usual: number, low: number, high: number): UsualLimit => ({
  part,
  usual,
  low,
  high,
});

/**
 * Limits and factors of the models that a house may set otherwise, each with what is usual. Ratios per 100 of flour and
 * what binds like it, over all schools from shortbread to thin and crisp: trade practice, set so that ordinary doughs pass
 * and a slip of the pen does not (see the test of the check). Salt per 100 of flour; gas in mL and base in mmol per kg of
 * dough. Colours on the score of 0 to 100. What the work does: as factors; directions after Pyler and Gorton (2008), sizes
 * estimated.
 */
export const usualLimits = {
  fatLow: limit('recipe', 20, 0, 200),
  fatHigh: limit('recipe', 90, 10, 300),
  sugarsLow: limit('recipe', 22, 0, 200),
  sugarsHigh: limit('recipe', 145, 10, 300),
  waterLow: limit('recipe', 9, 0, 100),
  waterHigh: limit('recipe', 62, 5, 200),
  saltLow: limit('recipe', 0.15, 0, 5),
  /** Without a line of salt in it, what butter and the like must bring. */
  saltUnweighed: limit('recipe', 0.4, 0, 5),
  saltHigh: limit('recipe', 2.5, 0.1, 20),
  /** Of salted butter and weighed salt together: above it, the salt was most likely counted twice. */
  saltDoubled: limit('recipe', 1.3, 0.1, 20),
  gasLow: limit('recipe', 100, 0, 2000),
  gasHigh: limit('recipe', 1450, 50, 10_000),
  /** Ginger and dark syrups are baked with more soda on purpose, and hide its taste. */
  darkGasHigh: limit('recipe', 2300, 50, 10_000),
  /** Baker's ammonia gives twice the gas of soda, and leaves with it. */
  ammoniaGasHigh: limit('recipe', 4500, 50, 20_000),
  baseLeft: limit('recipe', 85, 0, 500),
  darkBaseLeft: limit('recipe', 145, 0, 500),
  acidLeft: limit('recipe', 30, 0, 500),
  /** The fat that a dough holds: more when it has much sugar, as the thin and crisp ones do. */
  fatHolds: limit('recipe', 72, 10, 300),
  fatHoldsPerSugar: limit('recipe', 0.25, 0, 2),
  fatHoldsFromSugar: limit('recipe', 80, 0, 300),
  /** A leavened dough without egg needs so much water from elsewhere to bind. */
  bindingWater: limit('recipe', 18, 0, 100),
  /** Of water that browned butter or oil brings less than butter would: so much is worth a word. */
  butterWater: limit('recipe', 3, 0, 50),
  /** Share of the fat that is solid where it is portioned: under it a dough is soft to handle. */
  softFat: limit('recipe', 0.3, 0, 1),

  darkRimSoft: limit('dark', 70, 20, 100),
  darkRimChewy: limit('dark', 80, 20, 100),
  darkRimEdge: limit('dark', 88, 20, 100),
  darkRimThrough: limit('dark', 95, 20, 100),
  darkBaseSoft: limit('dark', 75, 20, 100),
  darkBaseChewy: limit('dark', 80, 20, 100),
  darkBaseEdge: limit('dark', 85, 20, 100),
  darkBaseThrough: limit('dark', 90, 20, 100),

  /** Stiffness of a dough against the same one creamed as usual; a stiffer one spreads less. */
  meltedStiffness: limit('work', Math.exp(-0.35), 0.3, 2),
  longStiffness: limit('work', Math.exp(-0.1), 0.3, 2),
  shortStiffness: limit('work', Math.exp(0.08), 0.3, 2),
  /** Lift against the same dough creamed as usual. */
  meltedLift: limit('work', 0.92, 0.3, 2),
  longLift: limit('work', 1.04, 0.3, 2),
  shortLift: limit('work', 0.97, 0.3, 2),
  /** What days in the cold come to, against a dough that did not rest at all. */
  restedStiffness: limit('work', Math.exp(0.16), 0.5, 2),
  restedColour: limit('work', Math.exp(0.14), 0.5, 2),
  /** What 10 mmol of base a kg that meet no acid come to. */
  baseStiffness: limit('work', Math.exp(-0.04), 0.5, 2),
  baseColour: limit('work', Math.exp(0.04), 0.5, 2),
  /** A coat of sugar or seeds holds the colour back. */
  coatColour: limit('work', 0.95, 0.3, 2),
} as const satisfies Readonly<Record<string, UsualLimit>>;

export type LimitKey = keyof typeof usualLimits;
export const limitKeys = Object.keys(usualLimits) as LimitKey[];

/** What a house sets otherwise than usual. */
export type OwnLimits = Readonly<Partial<Record<LimitKey, number>>>;

/** One limit as the house has it. */
export const limitOf = (own: OwnLimits | undefined, key: LimitKey): number =>
  own?.[key] ?? usualLimits[key].usual;

/** Pairs of which the first lies below the second. */
export const limitPairs = [
  ['fatLow', 'fatHigh'],
  ['sugarsLow', 'sugarsHigh'],
  ['waterLow', 'waterHigh'],
  ['saltLow', 'saltHigh'],
  ['gasLow', 'gasHigh'],
] as const satisfies readonly (readonly [LimitKey, LimitKey])[];

/** What is wrong with limits that a house sets; none where they can be reckoned with. */
export interface WrongLimit {
  readonly key: string;
  readonly why: 'unknown' | 'no-number' | 'outside' | 'crossed';
  /** The limit that it has to lie above, where they cross. */
  readonly against?: LimitKey;
}

export const isLimit = (key: string): key is LimitKey => Object.hasOwn(usualLimits, key);

export const wrongLimits = (own: Readonly<Record<string, unknown>>): readonly WrongLimit[] => {
  const alone = Object.entries(own).flatMap(([key, value]): WrongLimit[] => {
    if (!isLimit(key)) return [{ key, why: 'unknown' }];
    if (typeof value !== 'number' || !Number.isFinite(value)) return [{ key, why: 'no-number' }];
    return value < usualLimits[key].low || value > usualLimits[key].high ? [{ key, why: 'outside' }] : [];
  });
  if (alone.length > 0) return alone;
  return limitPairs
    .filter(([low, high]) => (low in own || high in own) && limitOf(own, low) >= limitOf(own, high))
    .map(([against, key]) => ({ key, why: 'crossed', against }));
};
