/**
 * Analytic solutions of transient conduction with a film at the surface (Carslaw and Jaeger, 1959): the sum over the
 * roots of the transcendental equation, dimensionless centre temperature (T − T_air) / (T_0 − T_air).
 */
const bisect = (f: (x: number) => number, low: number, high: number): number => {
  let [a, b] = [low, high];
  for (let i = 0; i < 60; i++) {
    const mid = (a + b) / 2;
    if (f(a) * f(mid) <= 0) b = mid;
    else a = mid;
  }
  return (a + b) / 2;
};

const terms = 60;
const tiny = 1e-9;

/** Sphere: 1 − ζ cot ζ = Bi. Centre after Fo = a t / R². */
export const sphereCentre = (biot: number, fourier: number): number => {
  let sum = 0;
  for (let n = 0; n < terms; n++) {
    const z = bisect(
      (x) => (1 - biot) * Math.sin(x) - x * Math.cos(x),
      n * Math.PI + tiny,
      (n + 1) * Math.PI - tiny,
    );
    const c = (4 * (Math.sin(z) - z * Math.cos(z))) / (2 * z - Math.sin(2 * z));
    sum += c * Math.exp(-z * z * fourier);
  }
  return sum;
};

/** Slab of half thickness L: ζ tan ζ = Bi. Centre after Fo = a t / L². */
export const slabCentre = (biot: number, fourier: number): number => {
  let sum = 0;
  for (let n = 0; n < terms; n++) {
    const z = bisect(
      (x) => x * Math.sin(x) - biot * Math.cos(x),
      n * Math.PI + tiny,
      n * Math.PI + Math.PI / 2 - tiny,
    );
    const c = (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z));
    sum += c * Math.exp(-z * z * fourier);
  }
  return sum;
};

/** Bessel functions of the first kind, order 0 and 1, by their integral (Simpson). */
const bessel = (order: 0 | 1, x: number): number => {
  const n = 240;
  const f = (t: number) => Math.cos(order * t - x * Math.sin(t));
  let sum = f(0) + f(Math.PI);
  for (let i = 1; i < n; i++) sum += (i % 2 === 1 ? 4 : 2) * f((i * Math.PI) / n);
  return sum / (3 * n);
};

/** Infinite cylinder: ζ J1(ζ) = Bi J0(ζ). Centre after Fo = a t / R². */
export const cylinderCentre = (biot: number, fourier: number): number => {
  const f = (x: number) => x * bessel(1, x) - biot * bessel(0, x);
  let sum = 0;
  let found = 0;
  // The roots lie about π apart: a scan by 0.2 finds each sign change.
  for (let x = 0.01; found < 12 && x < 60; x += 0.2) {
    if (f(x) * f(x + 0.2) > 0) continue;
    const z = bisect(f, x, x + 0.2);
    const [j0, j1] = [bessel(0, z), bessel(1, z)];
    sum += ((2 / z) * j1 * Math.exp(-z * z * fourier)) / (j0 * j0 + j1 * j1);
    found += 1;
  }
  return sum;
};
