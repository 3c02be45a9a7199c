import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { HoursOfDay } from '@jokul/core';

export interface Preferences {
  readonly theme: 'light' | 'dark' | 'system';
  readonly units: 'metric' | 'us';
  /** How the clocks of this device count. */
  readonly hours: HoursOfDay;
  /** With which day Week begins: with the day that is looked at, or with a day of the week. */
  readonly weekStart: 'day' | 'monday' | 'saturday' | 'sunday';
  /** Who works at this device; a role, not a name. */
  readonly who: string;
  readonly device: string;
  /** The formula that texture forecasts are shown against. */
  readonly referenceCode: string;
  /** Whether the scale is tared before each ingredient, or its running total followed. */
  readonly scaleMode: 'tare' | 'total';
  readonly scaleReads: 'typed' | 'simulated';
  /** Whether this device sounds what is due. */
  readonly sound: boolean;
  /** Whether the first screen was answered here. */
  readonly welcomed: boolean;
}

/** What belongs to this device alone. */
export const usePreferences = create<Preferences & { set: (change: Partial<Preferences>) => void }>()(
  persist(
    (set) => ({
      theme: 'system',
      units: 'metric',
      hours: '24',
      weekStart: 'day',
      who: 'Oven hand',
      device: `tablet-${crypto.getRandomValues(new Uint16Array(1))[0]?.toString(16) ?? '0'}`,
      referenceCode: 'LEM',
      scaleMode: 'tare',
      scaleReads: 'typed',
      sound: false,
      welcomed: false,
      set: (change) => set(change),
    }),
    { name: 'jokul-preferences' },
  ),
);

const dark = () => window.matchMedia('(prefers-color-scheme: dark)');
const paint = () => {
  const { theme } = usePreferences.getState();
  const now = theme === 'system' ? (dark().matches ? 'dark' : 'light') : theme;
  document.documentElement.dataset.theme = now;
};

/** Keeps the page's theme with the preference and the system. */
export const applyTheme = (): void => {
  paint();
  usePreferences.subscribe(paint);
  dark().addEventListener('change', paint);
};
