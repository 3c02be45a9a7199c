import { browningLoss, doughOf } from '../formula/index.js';
import { ingredient, type Ingredient } from '../ingredient/index.js';
import { enthalpy, type Place } from '../thermal/index.js';
import {
  formatNumber,
  div,
  modelled,
  relation,
  requireNumber,
  sub,
  sumFigure,
  type Figure,
  say,
} from '../shown/index.js';

const weighIn = relation({
  name: say`Butter to weigh into the pan`,
  symbol: 'm_in',
  unit: 'g',
  inputs: {
    m: { symbol: 'm_out', name: say`browned butter that the dough needs`, unit: 'g' },
    l: { symbol: 'l', name: say`loss of water and in the pan`, unit: 'share' },
  },
  formula: ({ m, l }) => div(m, sub(1, l)),
  source: say`mass balance of the pan`,
});

/** A pan that was logged. */
export interface LoggedPan {
  readonly inG: number;
  readonly outG: number;
}

/**
 * Share of the butter that browning takes here: the computed loss and the logged pans together. The computed one
 * counts as two pans; a pan outside 5 to 35 % is a slip of the pen and does not count.
 */
export const learnBrowningLoss = (
  pans: readonly LoggedPan[],
  butter: Pick<Ingredient, 'composition' | 'source'> = ingredient('butter'),
): Figure => {
  const prior = browningLoss(butter.composition.water);
  const weight = 2;
  const good = pans.map(({ inG, outG }) => 1 - outG / inG).filter((loss) => loss >= 0.05 && loss <= 0.35);
  return sumFigure({
    name: say`Loss of browning`,
    symbol: 'l',
    unit: 'share',
    terms: [
      {
        symbol: 'w l₀',
        name: say`computed ${(100 * prior).toFixed(1)} % (its water but half a percent, 2 % in the pan), counts as ${weight} pans`,
        value: (weight * prior) / (weight + good.length),
        unit: 'share',
        source: butter.source,
      },
      ...good.map((loss, i) => ({
        symbol: 'l',
        name: say`pan ${i + 1}: ${(100 * loss).toFixed(1)} %`,
        value: loss / (weight + good.length),
        unit: 'share' as const,
        source: say`logged`,
      })),
    ],
    source: say`weighted mean of the computed loss and the logged pans`,
  });
};

/** Grams of butter for the browned butter that the dough needs. */
export const butterToBrown = (neededG: number, loss: Figure): Figure => {
  requireNumber(neededG, say`The browned butter needed`, 1, 1e6, 'g');
  return weighIn({ m: neededG, l: loss });
};

export interface PanCooling {
  readonly massG: number;
  /** Plan of the flat vessel it is poured into, m². */
  readonly areaM2: number;
  readonly startC: number;
  readonly place: Pick<Place, 'name' | 'airC' | 'hWPerM2K'>;
}

/**
 * Seconds until browned butter that is poured out flat has cooled to `targetC`; null when the place is not cold enough.
 * It is taken as evenly warm (it moves by itself while it is liquid), cooling from its surface and its bottom; below
 * about 25 °C it sets from the bottom, and stirring matters more than the figure.
 */
export const coolBrownedButter = (q: PanCooling, targetC: number): Figure | null => {
  requireNumber(q.massG, say`The browned butter`, 1, 1e6, 'g');
  requireNumber(q.areaM2, say`The vessel`, 0.001, 5, 'm²');
  requireNumber(q.startC, say`The browned butter now`, 0, 180, '°C');
  if (targetC <= q.place.airC + 0.2 || targetC >= q.startC) return null;
  const dough = doughOf({
    stages: [{ id: '', name: '', cue: '', lines: [{ ingredientId: 'browned-butter', percent: 100 }] }],
  });
  const kg = q.massG / 1000;
  const areaM2 = 2 * q.areaM2;
  const step = 5;
  let temperatureC = q.startC;
  let timeS = 0;
  while (temperatureC > targetC && timeS < 72 * 3600) {
    const c = enthalpy(dough, temperatureC + 0.5) - enthalpy(dough, temperatureC - 0.5);
    temperatureC -= ((q.place.hWPerM2K * areaM2 * (temperatureC - q.place.airC)) / (kg * c)) * step;
    timeS += step;
  }
  if (temperatureC > targetC) return null;
  return modelled({
    name: say`Until browned butter is at ${formatNumber(targetC)} °C in the ${q.place.name.toLowerCase()}`,
    symbol: 't',
    value: timeS,
    unit: 's',
    relation: 'm dh/dt = −h A (T − T_air)',
    terms: [
      { symbol: 'm', name: say`browned butter`, value: q.massG, unit: 'g', source: say`formula` },
      {
        symbol: 'A',
        name: say`surface and bottom of the vessel`,
        value: areaM2,
        unit: 'm²',
        source: say`vessel`,
      },
      { symbol: 'h', name: say`heat transfer`, value: q.place.hWPerM2K, unit: 'W/m²K', source: q.place.name },
      { symbol: 'T_air', name: say`air`, value: q.place.airC, unit: '°C', source: q.place.name },
      { symbol: 'T₀', name: say`at the start`, value: q.startC, unit: '°C', source: say`entered` },
    ],
    source: say`heat balance of an evenly warm liquid; enthalpy after Choi and Okos (1986) with the melting of milk fat`,
    note: say`In the cold it sets first at the bottom: scrape and stir. Measure before egg goes in.`,
  });
};
