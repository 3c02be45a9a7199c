import type { BakeParameters } from './parameters.js';
import { at, interleaved, table, type BakeTables } from './tables.js';

const smooth = (x: number) => {
  const c = Math.min(1, Math.max(0, x));
  return c * c * (3 - 2 * c);
};

/** How many figures of a point lie side by side in the table. */
export const perShape = 4;

/**
 * What moves the shape, by temperature and side by side, in the spacing of the dough's tables: how fast it sets, 1/s; ln of
 * its viscosity over that at 25 °C, unset; the share of its lift that it keeps while unset; and how far it has risen when
 * that was its highest temperature, 0 to 1.
 */
export const shapingTable = (p: BakeParameters, tables: BakeTables, setC: number): Float64Array =>
  interleaved(
    table((t) => Math.exp(Math.min(6, (t - setC) / p.setWidthK)) / p.setS),
    table(
      (t) =>
        p.etaPerSolidFat * (at(tables.solidFat, t) - 0.12) - p.etaPerK * (Math.min(t, p.thinsUpToC) - 25),
    ),
    table((t) => 1 - p.collapse * (1 - smooth((t - 40) / 40))),
    table((t) => smooth((t - 35) / 60)),
  );
