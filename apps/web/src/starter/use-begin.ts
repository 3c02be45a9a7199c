import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { useBakery } from '../lib/queries';

/** How far the setting up of one bakery is. */
interface Progress {
  /** Steps of setting up that were looked at on this device. */
  readonly looked: readonly string[];
  /** Whether the bakery is set up, or whoever sets it up wants to go on alone. */
  readonly finished: boolean;
}

interface Begin {
  /** By the id of the bakery. */
  readonly progress: Readonly<Record<string, Progress>>;
}

const nothing: Progress = { looked: [], finished: false };

export const beginStore = create<Begin>()(
  persist((): Begin => ({ progress: {} }), {
    name: 'jokul-begin',
    version: 1,
    // Before there could be several, it was of the one bakery of one's own.
    migrate: (kept) => ({ progress: { own: { ...nothing, ...(kept as Partial<Progress>) } } }),
  }),
);

/** How far the setting up of the open bakery is; it can be left and gone on with. */
export const useBegin = () => {
  const id = useBakery().data?.id ?? 'own';
  const { looked, finished } = beginStore(({ progress }) => progress[id]) ?? nothing;
  const set = (change: (now: Progress) => Progress) =>
    beginStore.setState(({ progress }) => ({
      progress: { ...progress, [id]: change(progress[id] ?? nothing) },
    }));
  return {
    looked,
    finished,
    look: (step: string) =>
      set((now) => (now.looked.includes(step) ? now : { ...now, looked: [...now.looked, step] })),
    finish: () => set((now) => ({ ...now, finished: true })),
  };
};
