import { modelled, type Figure, say } from '../shown/index.js';
import {
  coreAt,
  restCurve,
  transferBandPercent,
  type LearnedTransfer,
  type RestQuestion,
} from '../thermal/index.js';

/** A core that was measured with a needle, and what the model is to be asked of it. */
export interface NeedleReading {
  /** The dough as it lies there, with the air that its probe saw. Cores of one stay share one question. */
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

/** What the model says of each reading under a factor; the cores of one stay are read off one curve. */
const coresAt = (readings: readonly NeedleReading[], lnFactor: number): readonly number[] => {
  const learned = { factor: Math.exp(lnFactor), sigma: 0, cores: 0 };
  const lasts = new Map<RestQuestion, number>();
  for (const { question, afterS } of readings)
    lasts.set(question, Math.max(afterS, lasts.get(question) ?? 0));
  const curves = new Map(
    [...lasts].map(([question, durationS]) => [
      question,
      restCurve({ ...question, durationS, place: { ...question.place, learned } }).curve,
    ]),
  );
  return readings.map(({ question, afterS }) => {
    const curve = curves.get(question);
    return curve ? coreAt(curve, afterS) : Number.NaN;
  });
};

/** Minimum of a function: the best of seven points, then golden sections around it. */
const lowest = (of: (x: number) => number, from: number, to: number): number => {
  const apart = (to - from) / 8;
  const points = Array.from({ length: 7 }, (_, i) => from + (i + 1) * apart);
  const values = points.map(of);
  const start = points[values.indexOf(Math.min(...values))] ?? 0;
  let [a, b] = [start - apart, start + apart];
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
  // An error far out counts ever less (Student t, 4 degrees of freedom).
  const misfit = (x: number) => {
    const cores = coresAt(readings, x);
    return readings.reduce(
      (sum, { coreC }, i) =>
        sum + 2.5 * Math.log(1 + ((coreC - (cores[i] ?? coreC)) / needleSigmaK) ** 2 / 4),
      (x / priorSigma) ** 2 / 2,
    );
  };
  const best = lowest(misfit, -widest, widest);
  const curvature = (misfit(best + step) - 2 * misfit(best) + misfit(best - step)) / step ** 2;
  const sigma = Math.min(priorSigma, 1 / Math.sqrt(Math.max(curvature, 1 / priorSigma ** 2)));
  const factor = Math.exp(best);
  const [stated, learned] = [coresAt(readings, 0), coresAt(readings, best)];
  const beside = readings.map(({ coreC }, i) => {
    const [beforeC = coreC, afterC = coreC] = [stated[i], learned[i]];
    return { coreC, beforeC, afterC, outlier: Math.abs(coreC - afterC) > outlierAt * needleSigmaK };
  });
  return {
    factor,
    sigma,
    cores: readings.length,
    beside,
    shown: modelled({
      name: say`Heat transfer of ${first.question.place.name} over the stated one`,
      symbol: 'f',
      value: factor,
      unit: '',
      relation: 'f = argmin ½ (ln f / 0.3)² + Σ 2.5 ln(1 + ((T − T(f)) / 1 K)² / 4)',
      terms: [
        {
          symbol: 'h',
          name: say`heat transfer, stated`,
          value: first.question.place.hWPerM2K,
          unit: 'W/m²K',
          source: say`Setup`,
        },
        ...readings.map(({ coreC, afterS, question }, i) => ({
          symbol: `T${i + 1}`,
          name: say`core of ${question.formula.name} after ${Math.round(afterS / 60)} min; stated h gives ${beside[i]?.beforeC.toFixed(1) ?? '?'} °C`,
          value: coreC,
          unit: '°C' as const,
          source: say`needle, journal`,
        })),
      ],
      source: say`transient conduction by the enthalpy method, with a prior on h (docs/models.md, Cold)`,
      note: say`± ${transferBandPercent({ sigma })} %, nine times in ten.`,
    }),
  };
};
