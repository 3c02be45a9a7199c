/**
 * The shape of a piece. Its top follows (1 − r^p)^½: p of 2 is a ball or a dome, a large p a flat disc. A ring keeps its
 * dough while the top flattens, so its place and height follow from p: nothing is carried between rings, and all sums
 * stay exact.
 */
export interface RingTables {
  readonly fromLn: number;
  readonly stepLn: number;
  /** Ring faces as shares of the radius, for each tabled power. */
  readonly faces: readonly Float64Array[];
}

/** Where the rings lie: faces and centres as shares of the radius, areas of the disc, heights over the mean height. */
export interface Rings {
  readonly faces: Float64Array;
  readonly centres: Float64Array;
  readonly areaShare: Float64Array;
  readonly heightShare: Float64Array;
  /** Area over height of each ring, on those scales: how well its column conducts upward. */
  readonly upward: Float64Array;
  /** The way round a ring's outer face over the distance of the centres on both sides of it; the last has none. */
  readonly outward: Float64Array;
  /** Width of the narrowest ring, share of the radius. */
  narrowest: number;
}

/** Flattest and most pointed top of the tables. */
const lowest = 1.6;
const highest = 14;
const tabled = 17;
/** Points of the radius that the volume is summed over. */
const points = 400;

/** Share of the volume within each of `points` radii, by midpoint sums. */
const volumes = (power: number): Float64Array => {
  const sums = new Float64Array(points + 1);
  for (let j = 0; j < points; j++) {
    const r = (j + 0.5) / points;
    sums[j + 1] = (sums[j] as number) + r * Math.sqrt(Math.max(0, 1 - r ** power));
  }
  const all = sums[points] as number;
  return sums.map((sum) => sum / all);
};

/** Between two points the volume grows with the square of the radius. */
const volumeWithin = (sums: Float64Array, radius: number): number => {
  const x = radius * points;
  const i = Math.min(points - 1, Math.floor(x));
  const t = (x * x - i * i) / ((i + 1) ** 2 - i * i);
  return (sums[i] as number) + t * ((sums[i + 1] as number) - (sums[i] as number));
};

const radiusWithin = (sums: Float64Array, share: number): number => {
  let low = 0;
  let high = points;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((sums[middle] as number) <= share) low = middle;
    else high = middle;
  }
  const a = sums[low] as number;
  const b = sums[high] as number;
  const t = b > a ? (share - a) / (b - a) : 0;
  return Math.sqrt(low * low + t * (high * high - low * low)) / points;
};

/** The power at which the rings are laid out: narrower toward the rim, where it dries first. */
const layoutPower = 4.5;

/** Share of the dough in each of `count` rings. */
const ringMass = (count: number): Float64Array => {
  const sums = volumes(layoutPower);
  const face = (i: number) => (i / count) ** 0.75;
  return Float64Array.from(
    { length: count },
    (_, i) => volumeWithin(sums, face(i + 1)) - volumeWithin(sums, face(i)),
  );
};

const tablesOf = (massShare: Float64Array): RingTables => {
  const fromLn = Math.log(lowest);
  const stepLn = (Math.log(highest) - fromLn) / (tabled - 1);
  const faces = Array.from({ length: tabled }, (_, n) => {
    const sums = volumes(Math.exp(fromLn + n * stepLn));
    const at = new Float64Array(massShare.length + 1);
    let share = 0;
    massShare.forEach((mass, i) => {
      share += mass;
      at[i + 1] = i === massShare.length - 1 ? 1 : radiusWithin(sums, share);
    });
    return at;
  });
  return { fromLn, stepLn, faces };
};

/** The rings of a grid, made once for each number of them: dough shares, and their faces by the power of the top. */
export interface RingLayout {
  readonly massShare: Float64Array;
  readonly tables: RingTables;
}
const known = new Map<number, RingLayout>();
export const ringLayout = (count: number): RingLayout => {
  const before = known.get(count);
  if (before) return before;
  const massShare = ringMass(count);
  const made = { massShare, tables: tablesOf(massShare) };
  known.set(count, made);
  return made;
};

export const emptyRings = (count: number): Rings => ({
  faces: new Float64Array(count + 1),
  centres: new Float64Array(count),
  areaShare: new Float64Array(count),
  heightShare: new Float64Array(count),
  upward: new Float64Array(count),
  outward: new Float64Array(count),
  narrowest: 1,
});

/** Puts the rings where a top of that power has them. */
export const placeRings = ({ massShare, tables }: RingLayout, lnPower: number, out: Rings): void => {
  const x = Math.min(tabled - 1.001, Math.max(0, (lnPower - tables.fromLn) / tables.stepLn));
  const n = x | 0;
  const t = x - n;
  const a = tables.faces[n] as Float64Array;
  const b = tables.faces[n + 1] as Float64Array;
  const count = massShare.length;
  for (let i = 0; i <= count; i++)
    out.faces[i] = (a[i] as number) + t * ((b[i] as number) - (a[i] as number));
  let narrowest = 1;
  for (let i = 0; i < count; i++) {
    const inner = out.faces[i] as number;
    const outer = out.faces[i + 1] as number;
    const area = outer * outer - inner * inner;
    out.centres[i] = (inner + outer) / 2;
    out.areaShare[i] = area;
    out.heightShare[i] = (massShare[i] as number) / area;
    out.upward[i] = (area * area) / (massShare[i] as number);
    if (i > 0)
      out.outward[i - 1] =
        (2 * Math.PI * inner) / ((out.centres[i] as number) - (out.centres[i - 1] as number));
    if (outer - inner < narrowest) narrowest = outer - inner;
  }
  out.narrowest = narrowest;
};
