/** Where a dough was over its life, cumulative: going out and back does not begin anew. Durations in s. */
export interface LotAge {
  readonly chilledS: number;
  readonly frozenS: number;
  /** On the bench, between places, or on its way: anywhere but in the cold. */
  readonly outS: number;
  /** How many times it was put into the cold. */
  readonly stays: number;
  readonly byPlace: Readonly<Record<string, number>>;
}

export const noAge: LotAge = { chilledS: 0, frozenS: 0, outS: 0, stays: 0, byPlace: {} };

export interface LifeSoFar {
  /** When the dough was mixed; null where nobody wrote it down. */
  readonly mixedMs: number | null;
  readonly stays: readonly {
    readonly placeId: string;
    readonly atMs: number;
    readonly outMs: number | null;
  }[];
  /** When all of it was in the oven, or gone; null while it is dough. */
  readonly endedMs: number | null;
  /** What it brings along as a part of another lot. */
  readonly before?: LotAge | undefined;
}

export type PlaceKindOf = (placeId: string) => 'walk-in' | 'freezer' | 'bench' | undefined;

/**
 * The age of a dough at a moment.
 * @param kindOf what kind of place an id is; an unknown one counts as chilled, since it was put there to rest
 */
export const lotAge = (life: LifeSoFar, kindOf: PlaceKindOf, nowMs: number): LotAge => {
  const endMs = Math.min(nowMs, life.endedMs ?? nowMs);
  const before = life.before ?? noAge;
  const byPlace = new Map(Object.entries(before.byPlace));
  let { chilledS, frozenS, outS } = before;
  let lastMs = life.mixedMs ?? life.stays[0]?.atMs ?? endMs;
  for (const stay of life.stays) {
    if (stay.atMs > endMs) break;
    outS += Math.max(0, stay.atMs - lastMs) / 1000;
    const leftMs = Math.min(stay.outMs ?? endMs, endMs);
    const seconds = Math.max(0, leftMs - stay.atMs) / 1000;
    const kind = kindOf(stay.placeId);
    if (kind === 'bench') outS += seconds;
    else if (kind === 'freezer') frozenS += seconds;
    else chilledS += seconds;
    byPlace.set(stay.placeId, (byPlace.get(stay.placeId) ?? 0) + seconds);
    lastMs = Math.max(lastMs, leftMs);
  }
  outS += Math.max(0, endMs - lastMs) / 1000;
  return {
    chilledS,
    frozenS,
    outS,
    stays: before.stays + life.stays.filter(({ atMs }) => atMs <= endMs).length,
    byPlace: Object.fromEntries(byPlace),
  };
};

/**
 * The age of dough that was worked into another one and has lived on there.
 * @param then its own age when it was worked in
 * @param hostThen the age of the other dough at that moment
 * @param hostNow the age of the other dough now
 */
export const ageWithin = (then: LotAge, hostThen: LotAge, hostNow: LotAge): LotAge => ({
  chilledS: then.chilledS + Math.max(0, hostNow.chilledS - hostThen.chilledS),
  frozenS: then.frozenS + Math.max(0, hostNow.frozenS - hostThen.frozenS),
  outS: then.outS + Math.max(0, hostNow.outS - hostThen.outS),
  stays: then.stays + Math.max(0, hostNow.stays - hostThen.stays),
  byPlace: Object.fromEntries(
    [...new Set([...Object.keys(then.byPlace), ...Object.keys(hostNow.byPlace)])].map((place) => [
      place,
      (then.byPlace[place] ?? 0) +
        Math.max(0, (hostNow.byPlace[place] ?? 0) - (hostThen.byPlace[place] ?? 0)),
    ]),
  ),
});

/** All of a dough's time since it was mixed, s. */
export const wholeAgeS = ({ chilledS, frozenS, outS }: LotAge): number => chilledS + frozenS + outS;

export type ClockName = 'chilled' | 'frozen' | 'out';

/** How long a dough may be in each state over its whole life, s. */
export type AgeLimits = Readonly<Record<ClockName, number>>;

export interface LifeClock {
  readonly clock: ClockName;
  readonly ageS: number;
  readonly limitS: number;
  readonly leftS: number;
}

/**
 * The clocks of a dough that have run at all. Time out counts for the chilled clock too: it ages at least as fast on
 * the bench as in the walk-in. Frozen it stands still.
 */
export const lifeClocks = (age: LotAge, limits: AgeLimits): readonly LifeClock[] => {
  const ages = { chilled: age.chilledS + age.outS, frozen: age.frozenS, out: age.outS };
  return (['chilled', 'frozen', 'out'] as const)
    .filter((clock) => (clock === 'chilled' ? age.chilledS > 0 : ages[clock] > 0))
    .map((clock) => ({
      clock,
      ageS: ages[clock],
      limitS: limits[clock],
      leftS: limits[clock] - ages[clock],
    }));
};
