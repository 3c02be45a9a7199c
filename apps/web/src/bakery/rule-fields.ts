import { t } from '@lingui/core/macro';
import { readTyped, typedUnit, type HouseRules, type TypedKind } from '@jokul/core';
import type { RulesBody } from '@jokul/contracts';
import { typedFigure, type Units } from '../lib/units';

export type RuleKey = Exclude<keyof RulesBody, 'trayId' | 'liner' | 'labels' | 'limits'>;

/** A house rule as it is asked for: in a unit of the device, or in one that its label names, times a factor. */
export interface RuleField {
  readonly key: RuleKey;
  readonly label: string;
  readonly kind?: TypedKind;
  readonly factor?: number;
}

export const ruleFields: readonly RuleField[] = [
  { key: 'bowlLossShare', label: t`Left in the bowl, %`, factor: 100 },
  { key: 'portionLossShare', label: t`Lost at portioning, %`, factor: 100 },
  { key: 'testPieces', label: t`Test pieces per product` },
  { key: 'pieceToleranceShare', label: t`Tolerance of a piece, %`, factor: 100 },
  { key: 'doughC', label: t`Dough off the mixer`, kind: 'temperature' },
  { key: 'readyCoreC', label: t`Core counts as cold at`, kind: 'temperature' },
  { key: 'coldLimitC', label: t`Raw dough at or below`, kind: 'temperature' },
  { key: 'centreC', label: t`Baked centre at least`, kind: 'temperature' },
  { key: 'outMaxS', label: t`Out of the cold in total, h`, factor: 1 / 3600 },
  { key: 'thawedMaxS', label: t`Thawed, h`, factor: 1 / 3600 },
  { key: 'frozenMaxS', label: t`Frozen, days`, factor: 1 / 86_400 },
  { key: 'probeSilentS', label: t`Probe silent for, min`, factor: 1 / 60 },
  { key: 'trayMarginMm', label: t`Margin on the tray`, kind: 'length' },
  { key: 'mixS', label: t`Weigh and mix a batch, min`, factor: 1 / 60 },
  { key: 'cleanS', label: t`Cleaning a bowl, min`, factor: 1 / 60 },
  { key: 'portionSPerPiece', label: t`Portioning one piece, s` },
  { key: 'coolS', label: t`On the rack until cold, min`, factor: 1 / 60 },
  { key: 'packS', label: t`Before each ready-by, min`, factor: 1 / 60 },
  { key: 'packPieceS', label: t`Packing one piece, s` },
  { key: 'ovenTrayS', label: t`One tray at the oven, s` },
];

/** The rules that a person may change, as they are saved. */
export const rulesBodyOf = ({ trayId, liner, labels, limits, ...rules }: HouseRules): RulesBody => ({
  ...(Object.fromEntries(ruleFields.map(({ key }) => [key, rules[key]])) as Pick<RulesBody, RuleKey>),
  trayId,
  liner,
  ...(labels && { labels }),
  ...(limits && { limits }),
});

export const ruleLabel = ({ label, kind }: RuleField, units: Units): string =>
  kind ? `${label}, ${typedUnit(kind, units)}` : label;

/** A stored rule as its field shows it. */
export const shownRule = ({ kind, factor = 1 }: RuleField, value: number, units: Units): number =>
  kind ? Number(typedFigure(value, kind, units)) : Math.round(value * factor * 1e4) / 1e4;

/** What a field shows as it is stored; none where there is none. What nobody changed stays to the last digit. */
export const storedRule = (field: RuleField, shown: number, units: Units, was?: number): number => {
  const { kind, factor = 1 } = field;
  if (was !== undefined && shown === shownRule(field, was, units)) return was;
  return Number((kind ? (readTyped(String(shown), kind, units) ?? Number.NaN) : shown / factor).toFixed(6));
};
