import { div, JokulError, mul, relation, requireNumber, type Figure, say, counted } from '../shown/index.js';

/** What a mixer can take of one dough, by mass. */
export interface MixerRange {
  readonly id: string;
  readonly minMassG: number;
  readonly maxMassG: number;
}

export interface Mixer {
  readonly id: string;
  readonly name: string;
  readonly bowlL: number;
  readonly minFill: number;
  readonly maxFill: number;
  /** Most stiff dough the motor may turn. */
  readonly maxMassG: number;
  /** Power of the motor, W; the usual for its bowl where left out. */
  readonly powerW?: number;
  /** What its speeds are called: for flour and pieces, for egg, for creaming; lowest, 1 and 2 where left out. */
  readonly speeds?: readonly string[];
  /** How many bowls it has, each with its tool; one where left out. */
  readonly bowls?: number;
  /** Out of use, and kept for what was recorded with it. */
  readonly retired?: boolean;
}

export interface BatchShare {
  readonly mixerId: string;
  readonly massG: number;
}

export interface Split {
  readonly batches: readonly BatchShare[];
  readonly even: boolean;
  /** Why this one stands where it does, for the baker. */
  readonly reason: string;
}

/** Working range by mass, the tighter of bowl volume and motor. @param densityGPerMl density of the mixed dough */
export const mixerRange = (mixer: Mixer, densityGPerMl: number): MixerRange => ({
  id: mixer.id,
  minMassG: mixer.minFill * mixer.bowlL * 1000 * densityGPerMl,
  maxMassG: Math.min(mixer.maxFill * mixer.bowlL * 1000 * densityGPerMl, mixer.maxMassG),
});

const fill = relation({
  name: say`Fill of the bowl`,
  symbol: 'f',
  unit: 'share',
  inputs: {
    M: { symbol: 'M', name: say`dough`, unit: 'g' },
    rho: { symbol: 'ρ', name: say`density of the mixed dough`, unit: 'g/mL' },
    V: { symbol: 'V', name: say`bowl`, unit: 'mL', source: say`mixer` },
  },
  formula: ({ M, rho, V }) => div(M, mul(rho, V)),
  source: 'f = M / (ρ V)',
});
/** How full a bowl is of so much dough. */
export const bowlFill = (mixer: Mixer, massG: number, densityGPerMl: number | Figure): Figure =>
  fill({ M: massG, rho: densityGPerMl, V: mixer.bowlL * 1000 });

/** Shares of `massG` that stay inside each range, as even as the ranges allow. */
const evenWithin = (massG: number, ranges: readonly MixerRange[]): readonly number[] => {
  // Raise a common level until the clamped shares add up: the level is found by bisection.
  const at = (level: number) => ranges.map((r) => Math.min(r.maxMassG, Math.max(r.minMassG, level)));
  let low = 0;
  let high = massG;
  for (let i = 0; i < 80; i++) {
    const mid = (low + high) / 2;
    if (at(mid).reduce((a, b) => a + b, 0) < massG) low = mid;
    else high = mid;
  }
  const shares = at(high);
  // What bisection left over goes where there is room, so that mass is conserved exactly.
  const rest = massG - shares.reduce((a, b) => a + b, 0);
  const open = shares.findIndex((s, i) => s > (ranges[i]?.minMassG ?? 0) && s < (ranges[i]?.maxMassG ?? 0));
  return shares.map((s, i) => (i === (open === -1 ? 0 : open) ? s + rest : s));
};

/** Mixers that take the same: which of them stands where makes no difference to the dough. */
const alike = (mixers: readonly MixerRange[]): readonly (readonly MixerRange[])[] => {
  const kinds = new Map<string, MixerRange[]>();
  for (const mixer of mixers) {
    const key = `${mixer.minMassG} ${mixer.maxMassG}`;
    kinds.set(key, [...(kinds.get(key) ?? []), mixer]);
  }
  return [...kinds.values()];
};

/** More batches of one dough are no one day's work. */
const mostBatches = 60;

/** So many ways are looked at; where there are more, fewer kinds of mixer go together. */
const mostWays = 5000;

/** How many ways there are to share `k` batches among kinds. */
const waysOf = (kinds: number, k: number): number => {
  let ways = 1;
  for (let i = 1; i < kinds; i++) ways = (ways * (k + i)) / i;
  return ways;
};

/** All ways to share `k` batches among kinds: how many each kind takes. */
const counts = (kinds: number, k: number, kindsLeft: number): readonly (readonly number[])[] => {
  if (kinds === 1) return kindsLeft > 0 || k === 0 ? [[k]] : [];
  const most = kindsLeft > 0 ? k : 0;
  return Array.from({ length: most + 1 }, (_, i) => most - i).flatMap((own) =>
    counts(kinds - 1, k - own, kindsLeft - (own > 0 ? 1 : 0)).map((rest) => [own, ...rest]),
  );
};

/** All ways to choose `k` mixers with repetition; mixers that are alike take turns. */
const choose = (mixers: readonly MixerRange[], k: number): readonly (readonly MixerRange[])[] => {
  const kinds = alike(mixers);
  const turns = (own: readonly MixerRange[], n: number) =>
    Array.from({ length: n }, (_, i) => own[i % own.length] as MixerRange);
  const together = waysOf(kinds.length, k) <= mostWays ? kinds.length : 2;
  if (together === 2 && k * kinds.length ** 2 > 2 * mostWays) return kinds.map((own) => turns(own, k));
  return counts(kinds.length, k, together).map((of) => of.flatMap((n, kind) => turns(kinds[kind] ?? [], n)));
};

/** A hair more than whole pieces where the mass is no whole number, so that counting them back from it finds them all. */
const massOf = (pieces: number, pieceDoughG: number): number => {
  const massG = pieces * pieceDoughG;
  return Number.isInteger(massG) ? massG : massG * (1 + 1e-12);
};

/**
 * Shares as whole pieces, so that no batch leaves part of a piece over that the order then lacks; the sum stays.
 * @param pieceDoughG dough that one piece takes off the mixer, losses included
 * @returns null when so many pieces do not fit into the ranges
 */
const wholePieces = (
  shares: readonly number[],
  ranges: readonly MixerRange[],
  pieceDoughG: number,
): readonly number[] | null => {
  const all = shares.reduce((sum, share) => sum + share, 0) / pieceDoughG;
  const total = Math.round(all);
  // Pieces of several weights, or an amount that was given: there is no whole number to keep.
  if (Math.abs(all - total) > 1e-6) return shares;
  const near = (value: number, of: (x: number) => number) => of(value + (of === Math.floor ? 1e-9 : -1e-9));
  const most = ranges.map(({ maxMassG }) => near(maxMassG / pieceDoughG, Math.floor));
  const pieces = shares.map((share, i) =>
    Math.min(
      most[i] ?? 0,
      Math.max(
        near((ranges[i]?.minMassG ?? 0) / pieceDoughG, Math.ceil),
        near(share / pieceDoughG, Math.floor),
      ),
    ),
  );
  const least = ranges.map(({ minMassG }) => near(minMassG / pieceDoughG, Math.ceil));
  let open = total - pieces.reduce((sum, n) => sum + n, 0);
  // The most cut off is made good first; each batch by one piece at a time, within its bowl.
  while (open !== 0) {
    const by = Math.sign(open);
    const want = pieces.map((n, i) => by * ((shares[i] ?? 0) / pieceDoughG - n));
    const able = pieces.map((n, i) => (by > 0 ? n < (most[i] ?? 0) : n > (least[i] ?? 0)));
    const next = want.reduce(
      (best, w, i) => (able[i] && (best === -1 || w > (want[best] ?? 0)) ? i : best),
      -1,
    );
    if (next === -1) return null;
    pieces[next] = (pieces[next] ?? 0) + by;
    open -= by;
  }
  return pieces.some((n, i) => n < (least[i] ?? 0)) ? null : pieces.map((n) => massOf(n, pieceDoughG));
};

/**
 * Splits a dough mass over the mixers: fewest batches first, even batches preferred, mixers that are alike sharing them.
 * @param pieceDoughG dough that one piece takes, losses included: then every batch is whole pieces, and none is lost
 *   between them (batches then differ by a piece at most)
 * @returns up to four alternatives, best first
 * @throws JokulError `no-mixer` when the mass is below every mixer's working range, or no mixer is set up
 */
export const splitBatches = (
  massG: number,
  mixers: readonly MixerRange[],
  pieceDoughG?: number,
): readonly Split[] => {
  requireNumber(massG, say`The dough mass`, 1, 1e6, 'g');
  const usable = mixers.filter((m) => m.maxMassG >= m.minMassG && m.maxMassG > 0);
  if (usable.length === 0)
    throw new JokulError('no-mixer', say`No mixer can take this dough: add one in Setup.`, 'mixers');
  const smallest = Math.min(...usable.map((m) => m.minMassG));
  if (massG < smallest) {
    throw new JokulError(
      'too-little-dough',
      say`${(massG / 1000).toFixed(2)} kg is too little for any mixer; the smallest works from ${(smallest / 1000).toFixed(2)} kg. Add pieces, or mix it by hand.`,
      'massG',
    );
  }
  const largest = Math.max(...usable.map((m) => m.maxMassG));
  const fewest = Math.ceil(massG / largest);
  if (fewest > mostBatches)
    throw new JokulError(
      'too-much-dough',
      say`${(massG / 1000).toFixed(0)} kg would take ${fewest} batches; that is no one day's work here.`,
      'massG',
    );
  const found: { split: Split; score: number }[] = [];
  // A large bowl may take no part of it and small ones take it in many batches: on until there is one way.
  const enough = (k: number) => found.length > 0 && (k > fewest + 3 || found.length >= 4);
  for (let k = fewest; k <= mostBatches && !enough(k); k++) {
    for (const chosen of choose(usable, k)) {
      const min = chosen.reduce((sum, m) => sum + m.minMassG, 0);
      const max = chosen.reduce((sum, m) => sum + m.maxMassG, 0);
      if (massG < min - 1e-9 || massG > max + 1e-9) continue;
      const each = massG / k;
      const even = chosen.every((m) => each >= m.minMassG && each <= m.maxMassG);
      const evened = even ? chosen.map(() => each) : evenWithin(massG, chosen);
      const shares = pieceDoughG === undefined ? evened : wholePieces(evened, chosen, pieceDoughG);
      if (!shares) continue;
      const batches = chosen.map((m, i) => ({ mixerId: m.id, massG: shares[i] ?? 0 }));
      // Fewest batches, then even, then bowls near the middle of their range, then the smaller bowl.
      const strain =
        chosen.reduce(
          (s, m, i) => s + Math.abs(((shares[i] ?? 0) - m.minMassG) / (m.maxMassG - m.minMassG || 1) - 0.5),
          0,
        ) / k;
      const reason = even
        ? say`${k} ${counted(k, 'batch', 'batches')}, even`
        : say`${k} ${counted(k, 'batch', 'batches')}, uneven, to stay inside the working ranges`;
      found.push({ split: { batches, even, reason }, score: k * 100 + (even ? 0 : 10) + strain });
    }
  }
  if (found.length === 0) {
    throw new JokulError(
      'no-split',
      say`${(massG / 1000).toFixed(2)} kg falls between the working ranges of the mixers: one bowl cannot hold it and two would be too empty. Add or take off some pieces.`,
      'massG',
    );
  }
  return found
    .sort((a, b) => a.score - b.score)
    .slice(0, 4)
    .map(({ split }) => split);
};
