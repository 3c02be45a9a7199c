import { everyDay } from './floor-resources.js';
import type { HorizonInput } from './horizon-input.js';
import type { Availability } from './problem.js';

/** The stretch of time over which it is laid out when people are there. */
export const stretchOf = ({
  stretch,
  nowS,
  orders,
}: Pick<HorizonInput, 'stretch' | 'nowS' | 'orders'>): { readonly fromS: number; readonly toS: number } =>
  stretch ?? { fromS: nowS, toS: Math.max(nowS, ...orders.map(({ readyByS }) => readyByS)) + 86_400 };

/** When ovens are attended. */
export const ovenHoursOf = (
  input: Pick<HorizonInput, 'stretch' | 'nowS' | 'orders' | 'equipment' | 'rules'>,
): readonly Availability[] => {
  const { ovenHours, calendar } = input.equipment;
  return everyDay(stretchOf(input), input.rules.timeZone, { ...ovenHours, capacity: 1 }, calendar);
};
