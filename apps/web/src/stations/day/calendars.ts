import { preparationKinds } from '@jokul/core';

/** What a calendar is for: those who mix and portion, or those at the ovens. */
export const calendars = {
  bench: {
    name: 'Bench: mixing to packing',
    kinds: [...preparationKinds, 'mix', 'portion', 'temper', 'flatten', 'ice', 'pack'],
  },
  ovens: { name: 'Ovens', kinds: ['bake'] },
} as const;
export type CalendarKind = keyof typeof calendars;
