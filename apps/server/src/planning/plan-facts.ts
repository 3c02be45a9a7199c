import { limitKeys, usualLimits, type Equipment, type HouseRules, type OwnLimits } from '@jokul/core';

/** Limits of the recipe check and of colour name things; only what the work does changes a bake. */
const ofTheBake = (limits: OwnLimits): OwnLimits =>
  Object.fromEntries(
    limitKeys.flatMap((key) => {
      const value = limits[key];
      return value === undefined || usualLimits[key].part !== 'work' ? [] : [[key, value]];
    }),
  );

/** Liners of which something is known that changes a bake, or how many trays bake at once. */
const knownLiners = ({ liners }: Pick<Equipment, 'liners'>) =>
  liners
    .filter(
      ({ count, contactWPerM2K, drag, retired }) =>
        !retired && [count, contactWPerM2K, drag].some((known) => known !== undefined),
    )
    .map(({ name: _name, ...liner }) => liner);

/**
 * What of the setup a plan is made from. How labels are worded, what a scale is right to, what heaters and machines take,
 * where probes hang and what is called too dark change none: nobody is to plan again for it.
 */
export const planFacts = (
  { liners, ...equipment }: Equipment,
  { labels: _labels, limits = {}, ...rules }: HouseRules,
): { readonly equipment: unknown; readonly rules: unknown } => {
  const own = ofTheBake(limits);
  const known = knownLiners({ liners });
  return {
    equipment: {
      ...equipment,
      ovens: equipment.ovens.map(({ acrossK: _across, powerW: _power, ...oven }) => oven),
      places: equipment.places.map(({ probe: _probe, powerW: _machine, ...place }) => place),
      ...(known.length > 0 && { liners: known }),
      scales: equipment.scales.map(({ toleranceG: _tolerance, ...scale }) => scale),
    },
    rules: { ...rules, ...(Object.keys(own).length > 0 && { limits: own }) },
  };
};
