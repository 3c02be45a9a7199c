import { modelled, type Figure } from '../shown/index.js';
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
      ? 'f = e^θ; θ that makes Σ t(measured − foretold) + θ²/σ₀² smallest'
      : 'ΔT that makes Σ t(measured − foretold) + ΔT²/σ₀² smallest',
    terms: [
      { symbol: 'n', name: 'logged bakes', value: bakes, unit: '', source: 'journal' },
      {
        symbol: 'σ₀',
        name: factor
          ? 'spread believed before any bake (of the logarithm)'
          : 'spread believed before any bake',
        value: priorSigma[kind],
        unit,
        source: 'house estimate',
      },
      {
        symbol: 'σ',
        name: factor ? 'spread now (of the logarithm)' : 'spread now',
        value: sigma,
        unit,
        source: 'curvature at the solution (Laplace)',
      },
    ],
    source:
      'least squares with priors and errors with heavy tails (Lange, Little and Taylor, 1989), bakes of two weeks ago counting half',
    note: 'Learned from what was measured: a wrong entry counts little, many wrong ones count.',
  });
};
