import { limitKeys, usualLimits, type Equipment, type HouseRules, type OwnLimits } from '@jokul/core';

/** Limits of the recipe check and of colour name things; only what the work does changes a bake. */
const ofTheBake = (limits: OwnLimits): OwnLimits =>
  Object.fromEntries(
    limitKeys.flatMap((key) => {
      const value = limits[key];
      return value === undefined || usualLimits[key].part !== 'work' ? [] : [[key, value]];
    }),
  );

/**
 * What of the setup a plan is made from. How labels are worded, what a scale is right to, what heaters take and what is
 * called too dark change none: nobody is to plan again for it.
 */
export const planFacts = (
  equipment: Equipment,
  { labels: _labels, limits = {}, ...rules }: HouseRules,
): { readonly equipment: unknown; readonly rules: unknown } => {
  const own = ofTheBake(limits);
  return {
    equipment: {
      ...equipment,
      ovens: equipment.ovens.map(({ acrossK: _across, powerW: _power, ...oven }) => oven),
      scales: equipment.scales.map(({ toleranceG: _tolerance, ...scale }) => scale),
    },
    rules: { ...rules, ...(Object.keys(own).length > 0 && { limits: own }) },
  };
};
