import { t } from '@lingui/core/macro';
import { adjustmentOf, heatOf, inUse, setTemperature, typedUnit, type Formula, type Oven } from '@jokul/core';
import type { useBakery } from '../lib/queries';
import { sayTemperature, typedFigure } from '../lib/units';
import type { Conditions, Variant } from './use-conditions';

/** The changes that bakers ask about, each against the load as it is planned. */
export const usualVariants = (
  formula: Formula,
  base: Conditions,
  units: 'metric' | 'us',
): readonly Variant[] => {
  const { massG } = formula.piece;
  // What the house knows of its liner holds for no other.
  const { contactWPerM2K: _contact, drag: _drag, ...withoutLiner } = base;
  const ten = `${typedFigure(10, 'difference', units)} ${typedUnit('difference', units)}`;
  return [
    { name: t`warm dough, ${sayTemperature(18, units)}`, on: { ...base, start: 18 } },
    { name: t`frozen, ${sayTemperature(-18, units).replace('-', '−')}`, on: { ...base, start: -18 } },
    { name: t`a quarter bigger`, on: { ...base, massG: Math.min(200, Math.round(massG * 1.25)) } },
    { name: t`dark tray`, on: { ...base, tray: 'dark-steel' } },
    { name: t`without parchment`, on: { ...withoutLiner, liner: 'bare' } },
    {
      name: base.fan ? t`still oven` : t`fan oven`,
      on: { ...base, fan: !base.fan, setC: setTemperature(formula, !base.fan) },
    },
    { name: t`${ten} hotter`, on: { ...base, setC: base.setC + 10 } },
    { name: t`${ten} cooler`, on: { ...base, setC: base.setC - 10 } },
  ];
};

/** The same load in the other ovens of the bakery, each as it is known. */
export const otherOvens = (
  formula: Formula,
  { start, tray, liner, contactWPerM2K, drag, centreC, limits }: Conditions,
  oven: Oven,
  bakery: ReturnType<typeof useBakery>['data'],
): readonly Variant[] =>
  (bakery ? inUse(bakery.equipment).ovens : [])
    .filter(({ id }) => id !== oven.id)
    .map(({ id, name, ...oven }) => ({
      name: t`in ${name}`,
      on: {
        start,
        tray,
        liner,
        ...(contactWPerM2K !== undefined && { contactWPerM2K }),
        ...(drag !== undefined && { drag }),
        centreC,
        ...(limits && { limits }),
        ...heatOf(oven),
        setC: setTemperature(formula, oven.fan),
        ...(bakery?.learned && { adjust: adjustmentOf(bakery.learned, { ovenId: id, code: formula.code }) }),
      },
    }));
