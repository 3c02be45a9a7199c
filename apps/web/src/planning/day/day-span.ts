import { atWallClock, type BatchPlan, type HouseRules } from '@jokul/core';
import type { Stretch } from './zoom';

export type View = 'morning' | 'whole';

const hourS = 3600;

/** When a batch is mixed, or taken out: dough in the cold lies there since long. */
export const firstStart = ({ loads, tasks, stock }: BatchPlan) =>
  Math.min(
    ...loads.map((load) => load.startS),
    ...tasks
      .filter(({ kind }) => kind !== 'prepare' && (!stock || kind !== 'rest'))
      .map((task) => task.startS),
  );

export interface DaySpan {
  /** Where nothing could be placed there is no time to show: the reasons are all there is. */
  readonly placed: boolean;
  readonly firstLoadS: number;
  readonly lastReadyS: number;
  /** As far as can be looked. */
  readonly limits: Stretch;
  /** What is shown where nobody zoomed. */
  readonly usual: Stretch;
}

/** From when to when a day of work goes: the morning from its first load on, all of it from the first mixing on. */
export const daySpan = (
  batches: readonly BatchPlan[],
  view: View,
  date: string,
  { timeZone }: Pick<HouseRules, 'timeZone'>,
): DaySpan => {
  const loads = batches.flatMap((batch) => batch.loads);
  const noonS = atWallClock(date, '12:00', timeZone);
  const placed = loads.length > 0;
  const firstLoadS = placed ? Math.min(...loads.map(({ startS }) => startS)) : noonS;
  const lastReadyS = placed ? Math.max(...loads.map(({ readyS }) => readyS)) : noonS;
  const firstMixS = Math.min(firstLoadS, ...batches.map(firstStart));
  const hourOf = (atS: number) => Math.floor(atS / hourS) * hourS;
  const toS = Math.ceil(lastReadyS / hourS) * hourS;
  return {
    placed,
    firstLoadS,
    lastReadyS,
    limits: { fromS: hourOf(firstMixS) - hourS / 2, toS: toS + hourS / 2 },
    usual: { fromS: view === 'morning' ? hourOf(firstLoadS) - hourS / 2 : hourOf(firstMixS), toS },
  };
};
