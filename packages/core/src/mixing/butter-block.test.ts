import { describe, expect, it } from '@jest/globals';
import { doughOf } from '../formula/index.js';
import { doughMaterial } from '../thermal/index.js';
import { butterForms, softenButter } from './butter.js';

/** Butter as the core has it: only the material is shared with what is tested. */
const butter = doughMaterial(
  doughOf({ stages: [{ id: '', name: '', cue: '', lines: [{ ingredientId: 'butter', percent: 100 }] }] }),
  0,
);

/** Enthalpy and conductivity every twentieth of a kelvin; the first turned round by halving. */
const fromC = -5;
const perK = 20;
const enthalpies = Float64Array.from({ length: 40 * perK + 1 }, (_, i) =>
  butter.enthalpyJPerKg(fromC + i / perK),
);
const conductivities = enthalpies.map((_, i) => butter.conductivityWPerMK(fromC + i / perK));
const temperatureAt = (h: number): number => {
  let [low, high] = [0, enthalpies.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((enthalpies[middle] as number) <= h) low = middle;
    else high = middle;
  }
  const [a, b] = [enthalpies[low] as number, enthalpies[high] as number];
  return fromC + (low + (h - a) / (b - a)) / perK;
};
const conductivityAt = (t: number): number => conductivities[Math.round((t - fromC) * perK)] as number;

/**
 * Another solution of the same problem: all of the block, no symmetry, cells of about a centimetre, the alternating
 * explicit scheme of enthalpies written out by index. Time until the mean is at the target, s.
 */
const bySolvingTheWhole = (
  [lx, ly, lz]: readonly [number, number, number],
  h: number,
  roomC: number,
  startC: number,
  targetC: number,
  n: number,
): number => {
  const [dx, dy, dz] = [lx / n, ly / n, lz / n];
  const rho = butter.densityKgPerM3;
  const cells = n ** 3;
  const H = new Float64Array(cells).fill(butter.enthalpyJPerKg(startC));
  const T = new Float64Array(cells).fill(startC);
  const at = (i: number, j: number, k: number) => (i * n + j) * n + k;
  const dt = 20;
  // The mean is of the temperatures, as a probe pushed in everywhere would have it.
  const mean = () => T.reduce((sum, t) => sum + t, 0) / cells;
  let seconds = 0;
  let before = mean();
  while (before < targetC) {
    const flow = new Float64Array(cells);
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++)
        for (let k = 0; k < n; k++) {
          const a = at(i, j, k);
          const t = T[a] as number;
          const conduct = conductivityAt(t);
          const sides = [
            [i > 0 ? at(i - 1, j, k) : -1, dx],
            [i < n - 1 ? at(i + 1, j, k) : -1, dx],
            [j > 0 ? at(i, j - 1, k) : -1, dy],
            [j < n - 1 ? at(i, j + 1, k) : -1, dy],
            [k > 0 ? at(i, j, k - 1) : -1, dz],
            [k < n - 1 ? at(i, j, k + 1) : -1, dz],
          ] as const;
          let sum = 0;
          for (const [b, d] of sides) {
            const u =
              b < 0 ? 1 / (1 / h + d / 2 / conduct) : (conduct + conductivityAt(T[b] as number)) / 2 / d;
            sum += (u * ((b < 0 ? roomC : (T[b] as number)) - t)) / d;
          }
          flow[a] = sum / rho;
        }
    for (let a = 0; a < cells; a++) {
      H[a] = (H[a] as number) + dt * (flow[a] as number);
      T[a] = temperatureAt(H[a] as number);
    }
    seconds += dt;
    const now = mean();
    if (now >= targetC) return seconds - dt * ((now - targetC) / (now - before));
    before = now;
  }
  return seconds;
};

describe('butter that warms as a block', () => {
  it.each([
    ['block-5000', 4, 18, 22, true],
    ['block-250', 4, 18, 21, false],
  ] as const)(
    '%s from %d to %d °C agrees with the whole block in three dimensions',
    (form, startC, targetC, roomC, wrapped) => {
      const { body } = butterForms[form];
      const metres = [body.lengthMm / 1000, body.widthMm / 1000, body.heightMm / 1000] as const;
      const whole = bySolvingTheWhole(metres, wrapped ? 6 : 8, roomC, startC, targetC, 9);
      const { time } = softenButter({ form, wrapped, roomC, startC, targetC });
      expect(time).not.toBeNull();
      expect((time?.value ?? 0) / whole).toBeGreaterThan(0.96);
      expect((time?.value ?? 0) / whole).toBeLessThan(1.04);
    },
  );
});
