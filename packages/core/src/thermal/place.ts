import { modelled, sayDuration, type Figure } from '../shown/index.js';
import { doughOf, type Formula } from '../formula/index.js';
import { ballRadiusM, type Body } from './body.js';
import { conduct, type ConductResult } from './conduct.js';
import { doughMaterial } from './material.js';

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
}

/** Total heat transfer in a still, covered box or a lidded tub, W/m²K. Calibrate by one logged cooling curve. */
export const coveredHWPerM2K = 4;

/** A tub of dough: 30 × 24 cm on plan, filled to what its mass needs. A default; tubs differ. */
export const tubMm = { lengthMm: 300, widthMm: 240 } as const;

export interface RestQuestion {
  readonly formula: Formula;
  readonly form: 'pieces' | 'tub';
  /** Dough in one tub, g (for `tub`). */
  readonly tubMassG: number;
  readonly place: Place;
  readonly cover: Cover;
  readonly startC: number;
  readonly targetC: number;
  readonly durationS: number;
}

export const bodyOf = (q: Pick<RestQuestion, 'formula' | 'form' | 'tubMassG'>): Body => {
  if (q.form === 'pieces') return { kind: 'sphere', massG: q.formula.piece.massG };
  const { densityKgPerM3 } = doughMaterial(doughOf(q.formula));
  const heightMm = (q.tubMassG / 1000 / densityKgPerM3 / (tubMm.lengthMm * tubMm.widthMm * 1e-6)) * 1000;
  return { kind: 'block', ...tubMm, heightMm: Math.max(20, heightMm) };
};

const describe = (q: RestQuestion, body: Body): string => {
  if (body.kind === 'sphere') {
    const { densityKgPerM3 } = doughMaterial(doughOf(q.formula));
    return `ball of ${q.formula.piece.massG} g, ${(ballRadiusM(body.massG, densityKgPerM3) * 2000).toFixed(0)} mm across`;
  }
  return body.kind === 'block'
    ? `tub ${body.lengthMm} × ${body.widthMm} mm, ${body.heightMm.toFixed(0)} mm deep`
    : body.kind;
};

/** The cold curve of a dough in a place, and when its core reaches the target, as a figure that shows what went in. */
export const restCurve = (q: RestQuestion): { curve: ConductResult; ready: Figure | null } => {
  const dough = doughOf(q.formula);
  const material = doughMaterial(dough);
  const body = bodyOf(q);
  const h = q.cover === 'covered' ? coveredHWPerM2K : q.place.hWPerM2K;
  const steps = [{ airC: q.place.airC, hWPerM2K: h, durationS: q.durationS }];
  const cells = body.kind === 'block' ? 18 : 20;
  const curve = conduct({ body, material, startC: q.startC, steps, cells });
  const reached = conduct({
    body,
    material,
    startC: q.startC,
    steps,
    cells,
    until: { where: 'core', temperatureC: q.targetC },
  });
  const ready =
    reached.reachedS === null
      ? null
      : modelled({
          name: `Until the core is at ${q.targetC} °C`,
          symbol: 't',
          value: reached.reachedS,
          unit: 's',
          relation: 'ρ ∂h/∂t = ∇·(k ∇T), at the surface −k ∂T/∂n = h (T − T_air)',
          terms: [
            {
              symbol: 'body',
              name: describe(q, body),
              value: body.kind === 'sphere' ? body.massG : q.tubMassG,
              unit: 'g',
              source: 'formula and form',
            },
            {
              symbol: 'T₀',
              name: 'dough at the start',
              value: q.startC,
              unit: '°C',
              source: 'measured or assumed off the mixer',
            },
            {
              symbol: 'T_air',
              name: `air in ${q.place.name}`,
              value: q.place.airC,
              unit: '°C',
              source: 'place, set temperature',
            },
            {
              symbol: 'h',
              name: `heat transfer, ${q.cover}`,
              value: h,
              unit: 'W/m²K',
              source: 'place (convection and radiation)',
            },
            {
              symbol: 'ρ',
              name: 'density',
              value: material.densityKgPerM3,
              unit: 'kg/m³',
              source: 'Choi-Okos, from the composition',
            },
            {
              symbol: 'k',
              name: 'conductivity at 10 °C',
              value: material.conductivityWPerMK(10),
              unit: 'W/mK',
              source: 'Choi-Okos, Maxwell-Eucken',
            },
            {
              symbol: 'Δh',
              name: 'heat content, start to target',
              value: material.enthalpyJPerKg(q.startC) - material.enthalpyJPerKg(q.targetC),
              unit: 'J/kg',
              source: 'Choi-Okos with the melting of milk fat',
            },
          ],
          source: 'transient conduction by the enthalpy method (Choi and Okos, 1986; finite volumes)',
          note: `The cover matters most: from ${coveredHWPerM2K} W/m²K covered to ${q.place.hWPerM2K} open. Expect ±15 % until a cooling curve of this place is logged (${sayDuration(reached.reachedS * 0.85)} to ${sayDuration(reached.reachedS * 1.15)}).`,
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
    name: 'time in this place',
    value: afterS,
    unit: 's' as const,
    source: 'journal',
  };
  return modelled({
    ...account,
    name: 'Core now',
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
