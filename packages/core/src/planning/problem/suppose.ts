import { JokulError, say } from '../../shown/index.js';
import { type Away, type Equipment, freeId, inUse } from '../../bakery/index.js';
import type { OrderLine } from './day.js';

/** What might be otherwise: ovens less or more, hands that are away, orders that may come. */
export interface Supposal {
  readonly ovensOut?: readonly string[];
  readonly ovensMore?: readonly { readonly likeId: string; readonly name: string }[];
  readonly away?: readonly Omit<Away, 'why'>[];
  readonly orders?: readonly Omit<OrderLine, 'id' | 'date'>[];
}

/** What a plan is made from, as far as it may be supposed to be otherwise. */
export interface Supposed<Line extends OrderLine = OrderLine> {
  readonly equipment: Equipment;
  readonly orders: readonly Line[];
}

const ovenOf = ({ ovens }: Equipment, id: string, path: string) => {
  const oven = ovens.find((own) => own.id === id && !own.retired);
  if (!oven) throw new JokulError('unknown-oven', say`This oven is not in use.`, path);
  return oven;
};

const withoutOven = (equipment: Equipment, id: string, i: number): Equipment => {
  ovenOf(equipment, id, `ovensOut.${i}`);
  const ovens = equipment.ovens.map((oven) => (oven.id === id ? { ...oven, retired: true } : oven));
  if (inUse({ ...equipment, ovens }).ovens.length === 0)
    throw new JokulError('none-left', say`At least one oven stays: without it nothing is baked.`, 'ovensOut');
  return { ...equipment, ovens };
};

const withOven = (
  equipment: Equipment,
  { likeId, name: written }: NonNullable<Supposal['ovensMore']>[number],
  i: number,
): Equipment => {
  const like = ovenOf(equipment, likeId, `ovensMore.${i}.likeId`);
  const name = written.trim();
  const same = (oven: { readonly name: string }) => oven.name.toLowerCase() === name.toLowerCase();
  if (name === '' || equipment.ovens.some(same))
    throw new JokulError('same-name', say`Give the new oven a name of its own.`, `ovensMore.${i}.name`);
  return { ...equipment, ovens: [...equipment.ovens, { ...like, id: freeId(name, equipment), name }] };
};

const withAway = (equipment: Equipment, away: NonNullable<Supposal['away']>): Equipment => {
  away.forEach(({ shift }, i) => {
    if (!equipment.shifts.some(({ name }) => name === shift))
      throw new JokulError('unknown-shift', say`No shift is called "${shift}".`, `away.${i}.shift`);
  });
  const calendar = equipment.calendar ?? { closedWeekdays: [], closedDays: [] };
  const all = [...(calendar.away ?? []), ...away.map((own) => ({ ...own, why: say`Away` }))];
  return { ...equipment, calendar: { ...calendar, away: all } };
};

/**
 * A bakery in which some things are otherwise; the real one is not touched.
 * @param lineOf a line of the bake list from a supposed order
 * @throws JokulError `unknown-oven`, `none-left`, `same-name`, `unknown-shift`, with the path of what is wrong
 */
export const suppose = <Line extends OrderLine>(
  real: Supposed<Line>,
  { ovensOut = [], ovensMore = [], away = [], orders = [] }: Supposal,
  lineOf: (order: NonNullable<Supposal['orders']>[number], i: number) => Line,
): Supposed<Line> => {
  // What comes may be like the one that is out, and stand in for it.
  const more = ovensMore.reduce(withOven, real.equipment);
  const fewer = ovensOut.reduce(withoutOven, more);
  return {
    equipment: away.length > 0 ? withAway(fewer, away) : fewer,
    orders: [...real.orders, ...orders.map(lineOf)],
  };
};
