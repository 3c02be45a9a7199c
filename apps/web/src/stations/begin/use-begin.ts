import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Begin {
  /** Steps of setting up that were looked at on this device. */
  readonly looked: readonly string[];
  /** Whether the bakery is set up, or whoever sets it up wants to go on alone. */
  readonly finished: boolean;
  readonly look: (step: string) => void;
  readonly finish: () => void;
}

/** How far the setting up of the own bakery is; it can be left and gone on with. */
export const useBegin = create<Begin>()(
  persist(
    (set, get) => ({
      looked: [],
      finished: false,
      look: (step) => {
        const { looked } = get();
        if (!looked.includes(step)) set({ looked: [...looked, step] });
      },
      finish: () => set({ finished: true }),
    }),
    { name: 'jokul-begin' },
  ),
);
