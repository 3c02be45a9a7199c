import { modelled, type Figure, say } from '../shown/index.js';
import { type LearnableKind, priorSigma } from '../bake/index.js';

const isFactor = (kind: LearnableKind): boolean =>
  kind === 'transfer' || kind.endsWith('stiffness') || kind.endsWith('colour');

/**
 * A learned value as a figure that shows how sure it is, and was before.
 * @param value K, or the logarithm of a factor
 */
export const learnedFigure = (
  kind: LearnableKind,
  name: string,
  value: number,
  sigma: number,
  bakes: number,
): Figure => {
  const factor = isFactor(kind);
  const unit = factor ? ('' as const) : ('K' as const);
  return modelled({
    name,
    symbol: factor ? 'f' : 'ΔT',
    value: factor ? Math.exp(value) : value,
    unit,
    relation: factor
      ? say`f = e^θ; θ that makes Σ t(measured − foretold) + θ²/σ₀² smallest`
      : say`ΔT that makes Σ t(measured − foretold) + ΔT²/σ₀² smallest`,
    terms: [
      { symbol: 'n', name: say`logged bakes`, value: bakes, unit: '', source: say`journal` },
      {
        symbol: 'σ₀',
        name: factor
          ? say`spread believed before any bake (of the logarithm)`
          : say`spread believed before any bake`,
        value: priorSigma[kind],
        unit,
        source: say`house estimate`,
      },
      {
        symbol: 'σ',
        name: factor ? say`spread now (of the logarithm)` : say`spread now`,
        value: sigma,
        unit,
        source: say`curvature at the solution (Laplace)`,
      },
    ],
    source: say`least squares with priors and errors with heavy tails (Lange, Little and Taylor, 1989), bakes of two weeks ago counting half`,
    note: say`Learned from what was measured: a wrong entry counts little, many wrong ones count.`,
  });
};
