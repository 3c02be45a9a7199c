import { formatQuantity, type Unit } from '@jokul/core';
import { create } from 'zustand';
import { coreWords } from '../words/core-words';
import { usePreferences } from './preferences';

interface Words {
  /** What a person wrote, with its figures in the units of the device. */
  readonly figures: (text: string) => string;
  readonly say: (sentence: string) => string;
  readonly quantity: (value: number, unit: Unit) => string;
}
const asTheCoreSays: Words = { figures: (text) => text, say: coreWords, quantity: formatQuantity };

/** How what the core says is said on this device: as it is, or with its figures in ounces, °F and inches. */
export const useSaid = create<Words>(() => asTheCoreSays);

/** The words for ounces are fetched only by a device that has them. */
const follow = (units: string): void => {
  if (units !== 'us') return useSaid.setState(asTheCoreSays);
  void import('./said-in-units').then(
    ({ saidInUnits, quantityInUnits }) =>
      useSaid.setState({
        figures: (text) => saidInUnits(text, 'us'),
        say: (sentence) => coreWords(saidInUnits(sentence, 'us')),
        quantity: (value, unit) => quantityInUnits(value, unit, 'us'),
      }),
    // Without them a sentence is said as the core has it.
    () => undefined,
  );
};
follow(usePreferences.getState().units);
usePreferences.subscribe(({ units }, before) => units !== before.units && follow(units));

/** A value of the core in the units of the device. */
export const useQuantity = () => {
  const quantity = useSaid((own) => own.quantity);
  return ({ value, unit }: { readonly value: number; readonly unit: Unit }) => quantity(value, unit);
};
