export const mostTries = 12;
export const hair = 1e-7;

export interface Placed {
  readonly size: number;
  readonly x: number;
  readonly y: number;
}

/** The tray inside its margins, and the radius of each size. */
export interface Ground {
  readonly width: number;
  readonly height: number;
  readonly gap: number;
  readonly radii: readonly number[];
}

const pitchOf = ({ radii, gap }: Ground, a: Placed, b: Placed) =>
  (radii[a.size] as number) + (radii[b.size] as number) + gap;

export const apart = (ground: Ground, a: Placed, b: Placed): boolean =>
  (a.x - b.x) ** 2 + (a.y - b.y) ** 2 >= (pitchOf(ground, a, b) - hair) ** 2;

const clear = (ground: Ground, placed: readonly Placed[], at: Placed): boolean => {
  const r = ground.radii[at.size] as number;
  const within = (value: number, end: number) => value >= r - hair && value <= end - r + hair;
  return (
    within(at.x, ground.width) &&
    within(at.y, ground.height) &&
    placed.every((other) => apart(ground, at, other))
  );
};

const corners = ({ width, height, radii }: Ground, size: number): readonly Placed[] => {
  const r = radii[size] as number;
  return [r, width - r].flatMap((x) => [r, height - r].map((y) => ({ size, x, y })));
};

/** Places of a size that touch a side and one piece. */
const besideSide = (ground: Ground, p: Placed, size: number): readonly Placed[] => {
  const r = ground.radii[size] as number;
  const pitch = pitchOf(ground, p, { size, x: 0, y: 0 });
  const found: Placed[] = [];
  for (const x of [r, ground.width - r]) {
    const up = pitch * pitch - (x - p.x) ** 2;
    if (up >= 0) for (const sign of [-1, 1]) found.push({ size, x, y: p.y + sign * Math.sqrt(up) });
  }
  for (const y of [r, ground.height - r]) {
    const along = pitch * pitch - (y - p.y) ** 2;
    if (along >= 0) for (const sign of [-1, 1]) found.push({ size, x: p.x + sign * Math.sqrt(along), y });
  }
  return found;
};

/** The two places of a size that touch both of two pieces, where they are near enough. */
const between = (ground: Ground, a: Placed, b: Placed, size: number): readonly Placed[] => {
  const self = { size, x: 0, y: 0 };
  const [ra, rb] = [pitchOf(ground, a, self), pitchOf(ground, b, self)];
  const d = Math.hypot(b.x - a.x, b.y - a.y);
  if (d > ra + rb || d < Math.abs(ra - rb) || d === 0) return [];
  const along = (d * d + ra * ra - rb * rb) / (2 * d);
  const aside = Math.sqrt(Math.max(0, ra * ra - along * along));
  const [ux, uy] = [(b.x - a.x) / d, (b.y - a.y) / d];
  return [-1, 1].map((sign) => ({
    size,
    x: a.x + along * ux - sign * aside * uy,
    y: a.y + along * uy + sign * aside * ux,
  }));
};

/** Free places of a size that touch a piece and a side or one of the others. */
export const placesAt = (
  ground: Ground,
  placed: readonly Placed[],
  at: Placed,
  others: readonly Placed[],
  size: number,
): readonly Placed[] =>
  [...besideSide(ground, at, size), ...others.flatMap((other) => between(ground, at, other, size))].filter(
    (place) => clear(ground, placed, place),
  );

export const allPlaces = (ground: Ground, placed: readonly Placed[], size: number): readonly Placed[] => [
  ...corners(ground, size).filter((place) => clear(ground, placed, place)),
  ...placed.flatMap((at, i) => placesAt(ground, placed, at, placed.slice(0, i), size)),
];
