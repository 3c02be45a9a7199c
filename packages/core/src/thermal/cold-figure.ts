import { modelled, sayDuration, type Figure, say, counted } from '../shown/index.js';
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
  say`Calibrated in this place: its heat transfer is known to ± ${transferBandPercent(learned)} %.`;

/** A time that conduction found, as a figure that shows what went in. */
export const coldFigure = ({ name, seconds, standing, note, air, ...at }: ColdAccount): Figure => {
  const { material, says } = standing;
  return modelled({
    name,
    symbol: 't',
    value: seconds,
    unit: 's',
    relation: say`${'ρ ∂h/∂t = ∇·(k ∇T)'}, at the surface ${'−k ∂T/∂n = h (T − T_air)'}`,
    terms: [
      { symbol: 'body', name: says, value: at.massG, unit: 'g', source: say`formula and form` },
      {
        symbol: 'T₀',
        name: say`dough at the start`,
        value: at.startC,
        unit: '°C',
        source: say`measured, assumed or as asked`,
      },
      { symbol: 'T_air', name: air.name, value: air.airC, unit: '°C', source: air.source },
      {
        symbol: 'h',
        name: say`heat transfer`,
        value: at.hWPerM2K,
        unit: 'W/m²K',
        source: at.learned
          ? say`place and cover, × ${at.learned.factor.toFixed(2)} by ${at.learned.cores} measured ${counted(at.learned.cores, 'core', 'cores')}`
          : say`place and cover (convection and radiation)`,
      },
      {
        symbol: 'ρ',
        name: say`density`,
        value: material.densityKgPerM3,
        unit: 'kg/m³',
        source: say`Choi-Okos, from the composition`,
      },
      {
        symbol: 'k',
        name: say`conductivity at 10 °C`,
        value: material.conductivityWPerMK(10),
        unit: 'W/mK',
        source: say`Choi-Okos, Maxwell-Eucken`,
      },
      {
        symbol: 'Δh',
        name: say`heat content, start to target`,
        value: material.enthalpyJPerKg(at.startC) - material.enthalpyJPerKg(at.targetC),
        unit: 'J/kg',
        source: say`Choi-Okos with the melting of milk fat`,
      },
    ],
    source: say`transient conduction by the enthalpy method (Choi and Okos, 1986; finite volumes)`,
    note: `${note} ${at.learned ? sureness(at.learned) : say`Expect ±15 % until a core is measured in this place (${sayDuration(seconds * 0.85)} to ${sayDuration(seconds * 1.15)}).`}`.trim(),
  });
};
