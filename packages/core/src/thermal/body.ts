import { JokulError, requireNumber, say } from '../shown/index.js';

/** How much of the place's heat transfer reaches each face of a body that stands on something, or under a lid. */
export interface FaceShares {
  readonly side: number;
  readonly top: number;
  readonly bottom: number;
}

/**
 * A body in the cold. Masses in g, lengths in mm. A slab with one exposed face is insulated on the other. A disc is a
 * cylinder of finite height: a puck, a mound (as the disc of its mass and aspect), a log.
 */
export type Body =
  | { readonly kind: 'sphere'; readonly massG: number }
  | { readonly kind: 'slab'; readonly thicknessMm: number; readonly exposedFaces: 1 | 2 }
  | { readonly kind: 'cylinder'; readonly diameterMm: number }
  | {
      readonly kind: 'block';
      readonly lengthMm: number;
      readonly widthMm: number;
      readonly heightMm: number;
      readonly faces?: FaceShares;
    }
  | {
      readonly kind: 'disc';
      readonly diameterMm: number;
      readonly heightMm: number;
      readonly faces?: FaceShares;
    };

/** @throws JokulError `out-of-range`, `unknown-body` */
export const checkBody = (body: Body): void => {
  switch (body.kind) {
    case 'sphere':
      requireNumber(body.massG, say`The mass of the ball`, 1, 50_000, 'g', 'body.massG');
      return;
    case 'slab':
      requireNumber(body.thicknessMm, say`The thickness`, 2, 1000, 'mm', 'body.thicknessMm');
      requireNumber(body.exposedFaces, say`The number of exposed faces`, 1, 2, '', 'body.exposedFaces');
      return;
    case 'cylinder':
      requireNumber(body.diameterMm, say`The diameter`, 4, 1000, 'mm', 'body.diameterMm');
      return;
    case 'block':
      requireNumber(body.lengthMm, say`The length`, 10, 2000, 'mm', 'body.lengthMm');
      requireNumber(body.widthMm, say`The width`, 10, 2000, 'mm', 'body.widthMm');
      requireNumber(body.heightMm, say`The height`, 10, 2000, 'mm', 'body.heightMm');
      return;
    case 'disc':
      requireNumber(body.diameterMm, say`The diameter`, 4, 1000, 'mm', 'body.diameterMm');
      requireNumber(body.heightMm, say`The height`, 4, 2000, 'mm', 'body.heightMm');
      return;
    default:
      throw new JokulError(
        'unknown-body',
        say`The body must be a sphere, slab, cylinder, block or disc.`,
        'body.kind',
      );
  }
};

export interface Face {
  readonly cell: number;
  readonly area: number;
  readonly half: number;
  readonly share: number;
}

const allOpen: FaceShares = { side: 1, top: 1, bottom: 1 };

/** Finite-volume cells: conduction couples neighbours, the boundary couples faces to the air. */
export interface Mesh {
  readonly volumes: Float64Array;
  /** Pairs of neighbouring cells with the area over distance between them, m. */
  readonly links: readonly { readonly a: number; readonly b: number; readonly shape: number }[];
  /** Outer faces: cell, area m², half distance m, share of the heat transfer. */
  readonly faces: readonly Face[];
  readonly core: number;
  readonly surface: number;
  /** Largest step that keeps the explicit scheme well inside its limit, in units of 1/diffusivity. */
  readonly stepOverDiffusivity: number;
}

/** Shells of a body of one dimension; `p` is 0 for a slab, 1 for a cylinder, 2 for a sphere. */
const shells = (radiusM: number, p: 0 | 1 | 2, n: number): Mesh => {
  const dx = radiusM / n;
  const area = (r: number) => (p === 0 ? 1 : p === 1 ? 2 * Math.PI * r : 4 * Math.PI * r * r);
  const within = (r: number) => (p === 0 ? r : p === 1 ? Math.PI * r * r : (4 / 3) * Math.PI * r ** 3);
  const volumes = Float64Array.from({ length: n }, (_, i) => within((i + 1) * dx) - within(i * dx));
  const links = Array.from({ length: n - 1 }, (_, i) => ({ a: i, b: i + 1, shape: area((i + 1) * dx) / dx }));
  return {
    volumes,
    links,
    faces: [{ cell: n - 1, area: area(radiusM), half: dx / 2, share: 1 }],
    core: 0,
    surface: n - 1,
    stepOverDiffusivity: (0.45 * dx * dx) / 2 / (1 + p / 4),
  };
};

/** A block by quarter symmetry in plan, full height. */
const quarterBlock = (body: Extract<Body, { kind: 'block' }>, n: number): Mesh => {
  const counts = [n, n, 2 * n] as const;
  const size = [body.lengthMm / 2000 / n, body.widthMm / 2000 / n, body.heightMm / 1000 / (2 * n)] as const;
  const index = (i: number, j: number, k: number) => (i * n + j) * 2 * n + k;
  const areas = [size[1] * size[2], size[0] * size[2], size[0] * size[1]] as const;
  const links: { a: number; b: number; shape: number }[] = [];
  const faces: Face[] = [];
  const shares = body.faces ?? allOpen;
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      for (let k = 0; k < 2 * n; k++) {
        const a = index(i, j, k);
        const at = [i, j, k] as const;
        for (const axis of [0, 1, 2] as const) {
          if (at[axis] + 1 < counts[axis]) {
            const b = axis === 0 ? index(i + 1, j, k) : axis === 1 ? index(i, j + 1, k) : index(i, j, k + 1);
            links.push({ a, b, shape: areas[axis] / size[axis] });
          } else {
            const share = axis === 2 ? shares.top : shares.side;
            faces.push({ cell: a, area: areas[axis], half: size[axis] / 2, share });
          }
        }
        if (k === 0) faces.push({ cell: a, area: areas[2], half: size[2] / 2, share: shares.bottom });
      }
    }
  }
  return {
    volumes: new Float64Array(n * n * 2 * n).fill(size[0] * size[1] * size[2]),
    links,
    faces,
    core: index(0, 0, n),
    surface: index(n - 1, n - 1, 2 * n - 1),
    stepOverDiffusivity: 0.4 / (2 * (1 / size[0] ** 2 + 1 / size[1] ** 2 + 1 / size[2] ** 2)),
  };
};

/** A cylinder of finite height: rings over the radius, layers over the full height. */
const disc = (body: Extract<Body, { kind: 'disc' }>, n: number): Mesh => {
  const nr = n;
  const nz = Math.min(4 * n, Math.max(n, Math.round((n * body.heightMm) / (body.diameterMm / 2))));
  const dr = body.diameterMm / 2000 / nr;
  const dz = body.heightMm / 1000 / nz;
  const shares = body.faces ?? allOpen;
  const ring = (i: number) => Math.PI * ((i + 1) ** 2 - i ** 2) * dr * dr;
  const index = (i: number, k: number) => i * nz + k;
  const links: { a: number; b: number; shape: number }[] = [];
  const faces: Face[] = [];
  const volumes = new Float64Array(nr * nz);
  for (let i = 0; i < nr; i++) {
    for (let k = 0; k < nz; k++) {
      const a = index(i, k);
      volumes[a] = ring(i) * dz;
      const outer = 2 * Math.PI * (i + 1) * dr * dz;
      if (i + 1 < nr) links.push({ a, b: index(i + 1, k), shape: outer / dr });
      else faces.push({ cell: a, area: outer, half: dr / 2, share: shares.side });
      if (k + 1 < nz) links.push({ a, b: index(i, k + 1), shape: ring(i) / dz });
      else faces.push({ cell: a, area: ring(i), half: dz / 2, share: shares.top });
      if (k === 0) faces.push({ cell: a, area: ring(i), half: dz / 2, share: shares.bottom });
    }
  }
  return {
    volumes,
    links,
    faces,
    core: index(0, Math.floor(nz / 2)),
    surface: index(nr - 1, Math.floor(nz / 2)),
    stepOverDiffusivity: 0.4 / (2 * (1.5 / dr ** 2 + 1 / dz ** 2)),
  };
};

/** Radius of a ball of that mass, m. */
export const ballRadiusM = (massG: number, densityKgPerM3: number): number =>
  Math.cbrt((3 * massG) / 1000 / (4 * Math.PI * densityKgPerM3));

export const meshOf = (body: Body, densityKgPerM3: number, cells: number): Mesh => {
  switch (body.kind) {
    case 'sphere':
      return shells(ballRadiusM(body.massG, densityKgPerM3), 2, cells);
    case 'cylinder':
      return shells(body.diameterMm / 2000, 1, cells);
    case 'slab':
      return shells(body.thicknessMm / 1000 / body.exposedFaces, 0, cells);
    case 'disc':
      return disc(body, Math.max(5, Math.round(cells / 2)));
    default:
      return quarterBlock(body, Math.max(4, Math.round(cells / 3)));
  }
};
