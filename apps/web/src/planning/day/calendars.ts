import { t } from '@lingui/core/macro';
import { preparationKinds } from '@jokul/core';

/** What a calendar is for: those who mix and portion, or those at the ovens. */
export const calendars = {
  bench: {
    name: t`Bench: mixing to packing`,
    kinds: [...preparationKinds, 'mix', 'portion', 'temper', 'flatten', 'ice', 'pack'],
  },
  ovens: { name: t`Ovens`, kinds: ['bake'] },
} as const;
export type CalendarKind = keyof typeof calendars;
