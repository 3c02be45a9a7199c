import { coverOf, doughOf, type Formula } from '../../formula/index.js';
import { cached } from '../../cache/index.js';
import { alongWay, type Place, type WayStretch } from '../../thermal/index.js';
import type { Equipment, HouseRules } from '../../bakery/index.js';
import { bagHoldsPieces, tubHoldsG } from '../problem/problem.js';

/** On the bench between the cold and the oven: trays are filled and wait their turn, s. A default. */
const trayingS = 300;
/** Portioning a tub keeps the pieces on the bench for so long in the mean, s. A default. */
const portioningS = 600;

/** The way of a planned dough from the mixer to the oven, by its formula's rest. */
const plannedWay = (
  { rest }: Formula,
  { places }: Pick<Equipment, 'places'>,
  tubMassG: number,
): readonly WayStretch[] => {
  const bench = places.find((place) => place.kind === 'bench');
  const cold = places.find((place) => place.kind === rest.placeKind);
  const walkIn = places.find((place) => place.kind === 'walk-in');
  if (!bench || !cold || rest.form === 'none') return [];
  const on = (
    form: WayStretch['form'],
    place: Place,
    durationS: number,
    cover: WayStretch['cover'] = 'open',
  ) => ({
    form,
    massG: form === 'tub' ? tubMassG : bagHoldsPieces * 30,
    place,
    cover,
    durationS,
  });
  const onTray = on('pieces', bench, trayingS);
  if (rest.form === 'tub')
    return [
      on('tub', cold, rest.bestS, coverOf(rest)),
      on('tub', bench, rest.temperS, 'covered'),
      on('pieces', bench, portioningS),
      onTray,
    ];
  if (rest.form === 'bag')
    return [
      on('bag', cold, rest.bestS - rest.temperS),
      ...(rest.temperS > 0 && walkIn ? [on('bag', walkIn, rest.temperS)] : []),
      onTray,
    ];
  return [
    on('pieces', cold, rest.bestS - rest.temperS, coverOf(rest)),
    on('pieces', bench, rest.temperS),
    onTray,
  ];
};

/** It is asked again for every oven and every logged bake of a formula. */
const loaded = cached(
  (formula: Formula, startC: number, equipment: Pick<Equipment, 'places'>): number => {
    const { meanC } = alongWay(formula, startC, plannedWay(formula, equipment, tubHoldsG));
    return Math.round(meanC * 10) / 10;
  },
  // By what the dough is made of: a bakery's own ingredient may be corrected.
  (formula, startC, { places }) =>
    JSON.stringify([doughOf(formula), formula.piece, formula.rest, startC, places]),
  200,
);

/**
 * Temperature of a planned dough as it is loaded, °C: the mean of the piece after its formula's rest, tempering and the
 * minutes on the tray, computed and not taken for the room's. A lot that exists is loaded as it is: see `alongWay`.
 */
export const loadTemperature = (
  formula: Formula,
  rules: Pick<HouseRules, 'doughC'>,
  equipment: Pick<Equipment, 'places'>,
): number =>
  formula.rest.form === 'none'
    ? rules.doughC
    : loaded(formula, formula.method?.doughC ?? rules.doughC, equipment);
