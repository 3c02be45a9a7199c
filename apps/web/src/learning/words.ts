import { t } from '@lingui/core/macro';
import { learnedFigure, type Figure, type LearnableKind } from '@jokul/core';
import type { LearnedView } from '@jokul/contracts';
import { sayDifference, saySize, sayTemperature, type Units } from '../lib/units';

interface Names {
  readonly oven: (id: string) => string;
  readonly product: (code: string) => string;
}

/** What a learned figure is called. */
export const learnedName = ({ kind, of, position }: LearnedView, names: Names): string => {
  switch (kind) {
    case 'offset':
      return t`${names.oven(of)} hotter than set`;
    case 'transfer':
      return t`${names.oven(of)}: how fast it heats`;
    case 'place':
      return t`${names.oven(of)}, place ${position ?? 0} compared with the oven`;
    case 'sides':
      return t`${names.oven(of)}: right side hotter than left`;
    case 'depth':
      return t`${names.oven(of)}: back hotter than front`;
    case 'house-stiffness':
      return t`All doughs here: stiffness`;
    case 'house-colour':
      return t`All doughs here: how fast they brown`;
    case 'stiffness':
      return t`${names.product(of)}: stiffness`;
    case 'colour':
      return t`${names.product(of)}: how fast it browns`;
  }
};

const isFactor = (kind: LearnableKind) =>
  kind === 'transfer' || kind.endsWith('stiffness') || kind.endsWith('colour');

/** +7.4 °C (or °F), or × 0.88. */
export const sayLearned = (kind: LearnableKind, value: number, units: Units): string =>
  isFactor(kind)
    ? `× ${Math.exp(value).toFixed(2)}`
    : `${value >= 0 ? '+' : '−'}${sayDifference(value, units, 1)}`;

/** Half of what lies around it nine times in ten. */
export const saySpread = (kind: LearnableKind, sigma: number, units: Units): string =>
  isFactor(kind)
    ? `± ${(100 * (Math.exp(1.645 * sigma) - 1)).toFixed(0)} %`
    : `± ${sayDifference(1.645 * sigma, units, 1)}`;

/** What it does, in a baker's words; empty when it is small. */
export const meaning = (kind: LearnableKind, value: number): string => {
  if (kind === 'offset' || kind === 'place')
    return Math.abs(value) < 1.5 ? '' : value > 0 ? t`hotter: pull earlier` : t`cooler: pull later`;
  if (kind === 'transfer') return Math.abs(value) < 0.03 ? '' : value > 0 ? t`bakes faster` : t`bakes slower`;
  if (kind === 'sides' || kind === 'depth') return Math.abs(value) < 1.5 ? '' : t`turn the trays`;
  if (kind.endsWith('stiffness'))
    return Math.abs(value) < 0.04
      ? ''
      : value > 0
        ? t`spreads less than computed`
        : t`spreads more than computed`;
  return Math.abs(value) < 0.04
    ? ''
    : value > 0
      ? t`browns faster than computed`
      : t`browns slower than computed`;
};

export const figureOf = (row: LearnedView, names: Names, bakes: number): Figure =>
  learnedFigure(row.kind, learnedName(row, names), row.value, row.sigma, bakes);

export const quantityNames = {
  coreC: t`core`,
  diameterMm: 'Ø',
  heightMm: t`height`,
  lossShare: t`loss`,
  colour: t`colour`,
  rightLessLeft: t`right − left`,
  backLessFront: t`back − front`,
} as const;

/** A measured figure in the units of the device. */
export const sayQuantity = (quantity: keyof typeof quantityNames, value: number, units: Units): string => {
  if (quantity === 'coreC') return sayTemperature(value, units, 1);
  if (quantity === 'diameterMm' || quantity === 'heightMm') return saySize(value, units, 1);
  return quantity === 'lossShare' ? `${(100 * value).toFixed(1)} %` : value.toFixed(0);
};
