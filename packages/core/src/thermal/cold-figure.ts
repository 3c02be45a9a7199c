import { modelled, sayDuration, type Figure } from '../shown/index.js';
import type { Standing } from './form.js';
import { transferBandPercent, type LearnedTransfer } from './learned-transfer.js';

/** What a time in the cold (or out of it) hangs on. */
export interface ColdAccount {
  readonly name: string;
  readonly seconds: number;
  readonly standing: Standing;
  /** The piece, or the dough in one tub, log or bag, g. */
  readonly massG: number;
  readonly startC: number;
  readonly targetC: number;
  readonly air: { readonly name: string; readonly airC: number; readonly source: string };
  readonly hWPerM2K: number;
  /** Where needles said how hard the place takes the heat; it is in `hWPerM2K` already. */
  readonly learned: LearnedTransfer | undefined;
  /** What else is to be known, before how far it may be off. */
  readonly note: string;
}

const sureness = (learned: LearnedTransfer) =>
  `Calibrated in this place: its heat transfer is known to ± ${transferBandPercent(learned)} %.`;

/** A time that conduction found, as a figure that shows what went in. */
export const coldFigure = ({ name, seconds, standing, note, air, ...at }: ColdAccount): Figure => {
  const { material, says } = standing;
  return modelled({
    name,
    symbol: 't',
    value: seconds,
    unit: 's',
    relation: 'ρ ∂h/∂t = ∇·(k ∇T), at the surface −k ∂T/∂n = h (T − T_air)',
    terms: [
      { symbol: 'body', name: says, value: at.massG, unit: 'g', source: 'formula and form' },
      {
        symbol: 'T₀',
        name: 'dough at the start',
        value: at.startC,
        unit: '°C',
        source: 'measured, assumed or as asked',
      },
      { symbol: 'T_air', name: air.name, value: air.airC, unit: '°C', source: air.source },
      {
        symbol: 'h',
        name: 'heat transfer',
        value: at.hWPerM2K,
        unit: 'W/m²K',
        source: at.learned
          ? `place and cover, × ${at.learned.factor.toFixed(2)} by ${at.learned.cores} measured ${at.learned.cores === 1 ? 'core' : 'cores'}`
          : 'place and cover (convection and radiation)',
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
        value: material.enthalpyJPerKg(at.startC) - material.enthalpyJPerKg(at.targetC),
        unit: 'J/kg',
        source: 'Choi-Okos with the melting of milk fat',
      },
    ],
    source: 'transient conduction by the enthalpy method (Choi and Okos, 1986; finite volumes)',
    note: `${note} ${at.learned ? sureness(at.learned) : `Expect ±15 % until a core is measured in this place (${sayDuration(seconds * 0.85)} to ${sayDuration(seconds * 1.15)}).`}`.trim(),
  });
};
