import { formatNumber, modelled, type Figure, say } from '../shown/index.js';
import type { Formula } from '../formula/index.js';
import { coldFigure } from './cold-figure.js';
import { conduct, type ConductResult, type Stay } from './conduct.js';
import { standing, type DoughForm } from './form.js';
import type { LearnedTransfer } from './learned-transfer.js';

export type Cover = 'open' | 'covered';

/** A cold place, or the bench. `hWPerM2K` is the total over an open tray there. */
export interface Place {
  readonly id: string;
  readonly name: string;
  readonly kind: 'walk-in' | 'freezer' | 'bench';
  readonly airC: number;
  readonly hWPerM2K: number;
  readonly trayPlaces: number;
  readonly tubPlaces: number;
  readonly bagPlaces: number;
  /** What its machine takes out at most, W; the usual of its kind where left out. */
  readonly powerW?: number;
  /** Whether a probe reads its air, which only a stand-in does yet; there is one where left out. */
  readonly probe?: boolean;
  /** Out of use, and kept for what was recorded with it. */
  readonly retired?: boolean;
  /** What needles said of how hard the place really takes the heat. */
  readonly learned?: LearnedTransfer;
}

/** Total heat transfer in a still, covered box or a lidded tub, W/m²K. Calibrate by one logged cooling curve. */
export const coveredHWPerM2K = 4;

export interface RestQuestion {
  readonly formula: Formula;
  readonly form: DoughForm;
  /** Dough in one tub, log or bag, g. */
  readonly tubMassG: number;
  readonly place: Place;
  readonly cover: Cover;
  readonly startC: number;
  readonly targetC: number;
  readonly durationS: number;
  /** Air as it was measured there, from the start on; then it stays as last seen. */
  readonly measured?: readonly MeasuredAir[];
}

/** Air measured in a place, s after the dough went in. */
export interface MeasuredAir {
  readonly afterS: number;
  readonly airC: number;
}

/** Readings closer than this are one stay, K. */
const mergeK = 0.25;

/**
 * A stay as the probe saw its air: one stay for each stretch of about the same air. Before the first reading the air is
 * as set; after the last it stays as last seen.
 */
export const measuredStays = (
  setC: number,
  hWPerM2K: number,
  durationS: number,
  measured: readonly MeasuredAir[],
): readonly Stay[] => {
  const stays: { airC: number; hWPerM2K: number; durationS: number }[] = [];
  const add = (airC: number, lastsS: number) => {
    if (lastsS <= 0) return;
    const last = stays.at(-1);
    if (last && Math.abs(last.airC - airC) < mergeK) {
      last.airC = (last.airC * last.durationS + airC * lastsS) / (last.durationS + lastsS);
      last.durationS += lastsS;
    } else stays.push({ airC, hWPerM2K, durationS: lastsS });
  };
  let at = 0;
  let air = setC;
  for (const { afterS, airC } of measured) {
    const until = Math.min(durationS, Math.max(0, afterS));
    add(air, until - at);
    at = Math.max(at, until);
    air = airC;
  }
  add(air, durationS - at);
  return stays.map(({ airC, durationS: s }) => ({ airC, hWPerM2K, durationS: Math.max(1, s) }));
};

/** The film of a bag and its neighbours hold this much back: an estimate. */
const bagShare = 0.6;

/**
 * Heat transfer to a dough in a place, W/m²K. A tub's lid and wall are part of its body; pieces and logs stand open or
 * in a still, covered box.
 */
export const heatTransfer = (place: Place, cover: Cover, form: DoughForm): number => {
  const factor = place.learned?.factor ?? 1;
  if (form === 'tub') return factor * place.hWPerM2K;
  if (form === 'bag') return factor * bagShare * place.hWPerM2K;
  return factor * (cover === 'covered' ? Math.min(coveredHWPerM2K, place.hWPerM2K) : place.hWPerM2K);
};

/** When a curve first passes a temperature from the side it starts on, s; null when it never does. */
export const firstPast = (
  curve: Pick<ConductResult, 'timesS'> & Partial<ConductResult>,
  which: 'coreC' | 'surfaceC' | 'meanC',
  targetC: number,
  fromS = 0,
): number | null => {
  const values = curve[which] ?? [];
  const { timesS } = curve;
  const first = timesS.findIndex((t) => t >= fromS - 1e-6);
  if (first === -1) return null;
  const start = values[first] ?? Number.NaN;
  if (start === targetC) return timesS[first] ?? 0;
  const sign = Math.sign(targetC - start);
  for (let i = first + 1; i < timesS.length; i++) {
    const [a, b] = [values[i - 1] ?? 0, values[i] ?? 0];
    if ((b - targetC) * sign < 0) continue;
    const part = b === a ? 1 : (targetC - a) / (b - a);
    const [t0, t1] = [timesS[i - 1] ?? 0, timesS[i] ?? 0];
    return t0 + part * (t1 - t0);
  }
  return null;
};

/**
 * From when on a dough stays at or below a temperature, s: dough that was cold and warms again is not cold. Null when
 * it is not so at the end of the curve.
 */
export const coldFrom = (
  { timesS, coreC }: Pick<ConductResult, 'timesS' | 'coreC'>,
  targetC: number,
): number | null => {
  if ((coreC.at(-1) ?? Number.POSITIVE_INFINITY) > targetC) return null;
  const lastWarm = coreC.findLastIndex((t) => t > targetC);
  if (lastWarm === -1) return 0;
  const [a, b] = [coreC[lastWarm] ?? 0, coreC[lastWarm + 1] ?? 0];
  const [t0, t1] = [timesS[lastWarm] ?? 0, timesS[lastWarm + 1] ?? 0];
  return t0 + ((a - targetC) / Math.max(1e-9, a - b)) * (t1 - t0);
};

const longS = 8 * 3600;

/** The cold curve of a dough in a place, and when its core reaches the target, as a figure that shows what went in. */
export const restCurve = (q: RestQuestion): { curve: ConductResult; ready: Figure | null } => {
  const stands = standing(q.formula, q.form, q.tubMassG, q.cover === 'covered');
  const { body, material } = stands;
  const h = heatTransfer(q.place, q.cover, q.form);
  const steps = q.measured
    ? measuredStays(q.place.airC, h, q.durationS, q.measured)
    : [{ airC: q.place.airC, hWPerM2K: h, durationS: q.durationS }];
  // Long stays on fewer cells: still within a quarter percent of the series, in a fifth of the time.
  const cells = body.kind === 'block' ? 18 : q.durationS > longS ? 12 : 20;
  const curve = conduct({ body, material, startC: q.startC, steps, cells });
  const reachedS = firstPast(curve, 'coreC', q.targetC);
  const ready =
    reachedS === null
      ? null
      : coldFigure({
          name: say`Until the core is at ${formatNumber(q.targetC)} °C`,
          seconds: reachedS,
          standing: stands,
          massG: q.form === 'pieces' ? q.formula.piece.massG : q.tubMassG,
          startC: q.startC,
          targetC: q.targetC,
          air: {
            name: say`air in ${q.place.name}`,
            airC: steps.at(-1)?.airC ?? q.place.airC,
            source: q.measured ? say`probe, as last seen` : say`place, set temperature`,
          },
          hWPerM2K: h,
          learned: q.place.learned,
          note:
            q.form === 'pieces'
              ? say`The cover matters most: from ${coveredHWPerM2K} W/m²K covered to ${q.place.hWPerM2K} open.`
              : '',
        });
  return { curve, ready };
};

/** The core after some time in its place, as a figure on the terms of its curve. */
export const coreFigure = (
  ready: Figure,
  curve: Pick<ConductResult, 'timesS' | 'coreC'>,
  afterS: number,
): Figure => {
  const { filled: _, note: _note, ...account } = ready;
  const time = {
    symbol: 't',
    name: say`time in this place`,
    value: afterS,
    unit: 's' as const,
    source: say`journal`,
  };
  return modelled({
    ...account,
    name: say`Core now`,
    symbol: 'T_core',
    value: coreAt(curve, afterS),
    unit: '°C',
    terms: [...ready.terms, time],
  });
};

/** Temperature read off a curve at `afterS`, °C. */
export const coreAt = (curve: Pick<ConductResult, 'timesS' | 'coreC'>, afterS: number): number => {
  const { timesS, coreC } = curve;
  const i = timesS.findIndex((t) => t >= afterS);
  if (i === -1) return coreC.at(-1) ?? Number.NaN;
  if (i === 0) return coreC[0] ?? Number.NaN;
  const [t0, t1, c0, c1] = [timesS[i - 1], timesS[i], coreC[i - 1], coreC[i]] as [
    number,
    number,
    number,
    number,
  ];
  return c0 + ((c1 - c0) * (afterS - t0)) / (t1 - t0);
};
