import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface MixTimers {
  /** When a stage began, ms, by batch and stage; on this device until it is stopped and goes into the journal. */
  readonly started: Readonly<Record<string, number>>;
  readonly start: (batchId: string, stageId: string, atMs: number) => void;
  readonly stop: (batchId: string, stageId: string) => void;
}

/** Running stages as points in time: a reload counts on. */
export const useMixTimers = create<MixTimers>()(
  persist(
    (set) => ({
      started: {},
      start: (batchId, stageId, atMs) =>
        set((s) => ({ started: { ...s.started, [`${batchId}/${stageId}`]: atMs } })),
      stop: (batchId, stageId) =>
        set((s) => {
          const { [`${batchId}/${stageId}`]: _, ...others } = s.started;
          return { started: others };
        }),
    }),
    { name: 'jokul-mix-timers' },
  ),
);
