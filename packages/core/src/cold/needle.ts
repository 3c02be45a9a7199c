import { modelled, type Figure } from '../shown/index.js';
import { restCurve, type LearnedTransfer, type RestQuestion } from '../thermal/index.js';

/** A core that was measured with a needle, and what the model is to be asked of it. */
export interface NeedleReading {
  /** The dough as it lies there, with the air that its probe saw; without what needles say. */
  readonly question: RestQuestion;
  readonly afterS: number;
  readonly coreC: number;
}

/** What measured cores say of a place, and each core beside the model. */
export interface NeedleAnswer extends LearnedTransfer {
  readonly shown: Figure;
  readonly beside: readonly {
    readonly coreC: number;
    readonly beforeC: number;
    readonly afterC: number;
    readonly outlier: boolean;
  }[];
}

/** Stated heat transfers of cold places are good to about a third (ln, standard deviation). */
const priorSigma = 0.3;
/** A needle, and how near it comes to the very core, K. */
const needleSigmaK = 1;
const widest = 3 * priorSigma;
const outlierAt = 3;
const step = 0.04;
const golden = (Math.sqrt(5) - 1) / 2;

const coreOf = ({ question, afterS }: NeedleReading, lnFactor: number): number => {
  const learned = { factor: Math.exp(lnFactor), sigma: 0, cores: 0 };
  return restCurve({ ...question, durationS: afterS, learned }).curve.coreC.at(-1) ?? Number.NaN;
};

/** Minimum of a function with a single valley, by golden sections. */
const lowest = (of: (x: number) => number, from: number, to: number): number => {
  let [a, b] = [from, to];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [fc, fd] = [of(c), of(d)];
  while (b - a > 0.01) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - golden * (b - a);
      fc = of(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + golden * (b - a);
      fd = of(d);
    }
  }
  return (a + b) / 2;
};

/**
 * How hard a place takes the heat, from measured cores: the most likely factor on its heat transfer under a prior, with
 * how sure it is (Laplace). A core that is even with its air says nothing and changes nothing. Null without a reading.
 */
export const learnTransfer = (readings: readonly NeedleReading[]): NeedleAnswer | null => {
  const [first] = readings;
  if (!first) return null;
  const off = (reading: NeedleReading, x: number) => (reading.coreC - coreOf(reading, x)) / needleSigmaK;
  // Half the misfit: an error far out counts ever less (Student t, 4 degrees of freedom).
  const misfit = (x: number) =>
    (x / priorSigma) ** 2 / 2 +
    readings.reduce((sum, reading) => sum + 2.5 * Math.log(1 + off(reading, x) ** 2 / 4), 0);
  const best = lowest(misfit, -widest, widest);
  const curvature = (misfit(best + step) - 2 * misfit(best) + misfit(best - step)) / step ** 2;
  const sigma = Math.min(priorSigma, 1 / Math.sqrt(Math.max(curvature, 1 / priorSigma ** 2)));
  const factor = Math.exp(best);
  const beside = readings.map((reading) => {
    const afterC = coreOf(reading, best);
    return {
      coreC: reading.coreC,
      beforeC: coreOf(reading, 0),
      afterC,
      outlier: Math.abs(reading.coreC - afterC) > outlierAt * needleSigmaK,
    };
  });
  return {
    factor,
    sigma,
    cores: readings.length,
    beside,
    shown: modelled({
      name: `Heat transfer of ${first.question.place.name} over the stated one`,
      symbol: 'f',
      value: factor,
      unit: '',
      relation: 'f = argmin ½ (ln f / 0.3)² + Σ 2.5 ln(1 + ((T − T(f)) / 1 K)² / 4)',
      terms: [
        {
          symbol: 'h',
          name: 'heat transfer, stated',
          value: first.question.place.hWPerM2K,
          unit: 'W/m²K',
          source: 'Setup',
        },
        ...readings.map(({ coreC, afterS, question }, i) => ({
          symbol: `T${i + 1}`,
          name: `core of ${question.formula.name} after ${Math.round(afterS / 60)} min; stated h gives ${beside[i]?.beforeC.toFixed(1)} °C`,
          value: coreC,
          unit: '°C' as const,
          source: 'needle, journal',
        })),
      ],
      source: 'transient conduction by the enthalpy method, with a prior on h (docs/models.md, Cold)',
      note: `± ${Math.round(100 * (Math.exp(1.645 * sigma) - 1))} %, nine times in ten.`,
    }),
  };
};
