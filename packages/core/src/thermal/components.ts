/**
 * Choi-Okos polynomials of the food components, T in °C (Choi and Okos, 1986; as tabulated in the
 * ASHRAE Handbook - Refrigeration, thermal properties of foods). Liquid water's heat capacity is kept
 * at 4176 J/kgK, supercooled water included.
 */
export interface Component {
  /** W/mK: a + bT + cT² */
  readonly k: readonly [number, number, number];
  /** kg/m³: a + bT + cT² */
  readonly rho: readonly [number, number, number];
  /** J/kgK: a + bT + cT² */
  readonly c: readonly [number, number, number];
}

export const components = {
  protein: {
    k: [0.17881, 1.1958e-3, -2.7178e-6],
    rho: [1329.9, -0.5184, 0],
    c: [2008.2, 1.2089, -1.3129e-3],
  },
  fat: { k: [0.18071, -2.7604e-4, -1.7749e-7], rho: [925.59, -0.41757, 0], c: [1984.2, 1.4733, -4.8008e-3] },
  carbohydrate: {
    k: [0.20141, 1.3874e-3, -4.3312e-6],
    rho: [1599.1, -0.31046, 0],
    c: [1548.8, 1.9625, -5.9399e-3],
  },
  fibre: { k: [0.18331, 1.2497e-3, -3.1683e-6], rho: [1311.5, -0.36589, 0], c: [1845.9, 1.8306, -4.6509e-3] },
  ash: { k: [0.32962, 1.4011e-3, -2.9069e-6], rho: [2423.8, -0.28063, 0], c: [1092.6, 1.8896, -3.6817e-3] },
  water: { k: [0.57109, 1.7625e-3, -6.7036e-6], rho: [997.18, 3.1439e-3, -3.7574e-3], c: [4176, 0, 0] },
  ice: { k: [2.2196, -6.2489e-3, 1.0154e-4], rho: [916.89, -0.13071, 0], c: [2062.3, 6.0769, 0] },
} as const satisfies Record<string, Component>;

export const solids = ['protein', 'fat', 'carbohydrate', 'fibre', 'ash'] as const;

export const polynomial = ([a, b, c]: readonly [number, number, number], t: number): number =>
  a + (b + c * t) * t;

/** Integral of the polynomial from 0 °C to t. */
export const integral = ([a, b, c]: readonly [number, number, number], t: number): number =>
  ((c * t) / 3 + b / 2) * t * t + a * t;
