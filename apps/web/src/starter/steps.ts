import { t } from '@lingui/core/macro';
import type { BakeryView, DayView } from '@jokul/contracts';

export const stepIds = [
  'bakery',
  'ovens',
  'trays',
  'mixers',
  'cold',
  'people',
  'formula',
  'order',
  'plan',
] as const;
export type StepId = (typeof stepIds)[number];

/** What each step is called in the list, and what it asks. */
export const stepWords: Readonly<Record<StepId, { readonly name: string; readonly asks: string }>> = {
  bakery: { name: t`The bakery`, asks: t`What is it called, and where is its clock?` },
  ovens: { name: t`Ovens`, asks: t`Which chambers or decks are loaded and emptied as one?` },
  trays: { name: t`Trays`, asks: t`What is baked on, how many are there, and what lies on them?` },
  mixers: { name: t`Mixers and scales`, asks: t`How much dough fits, and how finely can you weigh?` },
  cold: { name: t`Cold places`, asks: t`Where does dough rest, and where do baked trays cool?` },
  people: { name: t`People`, asks: t`Who works when, and with which scoops?` },
  formula: { name: t`First formula`, asks: t`Which dough do you make first?` },
  order: { name: t`First order`, asks: t`Who wants how many, and by when?` },
  plan: { name: t`First plan`, asks: t`When does each batch start?` },
};

export const isStep = (text: string | undefined): text is StepId => stepIds.some((id) => id === text);

/**
 * The steps that are behind: those that were left by Next on this device, and those whose outcome is there, whoever
 * brought it about.
 */
export const stepsDone = (
  looked: readonly string[],
  bakery: Pick<BakeryView, 'name' | 'formulas'>,
  day?: Pick<DayView, 'orders' | 'plan'>,
): ReadonlySet<StepId> => {
  const there: Readonly<Partial<Record<StepId, boolean>>> = {
    bakery: bakery.name !== 'My bakery',
    formula: bakery.formulas.length > 0,
    order: (day?.orders.length ?? 0) > 0,
    plan: (day?.plan?.plan.batches.length ?? 0) > 0,
  };
  return new Set(stepIds.filter((id) => there[id] === true || looked.includes(id)));
};

/** Whether a step counts as done once it was looked at: what is there already may be right as it is, an order is not. */
export const doneByLooking = (id: StepId): boolean => id !== 'formula' && id !== 'order' && id !== 'plan';

/** Where one goes on: the first step that is not behind. */
export const nextStep = (done: ReadonlySet<StepId>): StepId | null =>
  stepIds.find((id) => !done.has(id)) ?? null;
