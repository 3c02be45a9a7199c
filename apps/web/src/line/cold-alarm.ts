import { create } from 'zustand';

/** Since when a cold place alarms, for whoever wants to sound it; null when all is well. */
export const useColdAlarm = create<{ readonly sinceMs: number | null }>()(() => ({ sinceMs: null }));
