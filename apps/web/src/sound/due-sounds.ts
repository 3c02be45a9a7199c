import type { Action } from '@jokul/core';

/** What is heard: a tray that must come out, anything else that is due, a cold place that is not cold. */
export type Sound = 'pull' | 'due' | 'cold';

/** A tray that stays in calls again every minute, and an alarm of the cold every five; ten minutes on nobody listens. */
const pullAgainMs = 60_000;
const coldAgainMs = 5 * 60_000;
const pullCalls = 10;

/** How an action sounds now, by a name that is heard once; null while it is not due. */
const callOf = ({ id, kind, dueMs }: Action, nowMs: number): { key: string; sound: Sound } | null => {
  const lateMs = nowMs - dueMs;
  if (lateMs < 0) return null;
  if (kind !== 'pull') return { key: id, sound: 'due' };
  return { key: `${id}/${Math.min(pullCalls, Math.floor(lateMs / pullAgainMs))}`, sound: 'pull' };
};

export interface Heard {
  readonly keys: ReadonlySet<string>;
  /** The one sound to be played; of several that fall together the most urgent. */
  readonly play: Sound | null;
}

/**
 * What is to be heard now.
 * @param before what was heard already; null when the page has just come up: what is overdue then is seen, not heard
 * @param coldSinceMs since when a cold place alarms; null when none does
 */
export const dueSounds = (
  actions: readonly Action[],
  coldSinceMs: number | null,
  nowMs: number,
  before: ReadonlySet<string> | null,
): Heard => {
  const calls = actions.flatMap((action) => callOf(action, nowMs) ?? []);
  if (coldSinceMs !== null)
    calls.push({ key: `cold/${Math.floor((nowMs - coldSinceMs) / coldAgainMs)}`, sound: 'cold' });
  const fresh = before === null ? [] : calls.filter(({ key }) => !before.has(key));
  const play = (['pull', 'cold', 'due'] as const).find((sound) => fresh.some((call) => call.sound === sound));
  return { keys: new Set(calls.map(({ key }) => key)), play: play ?? null };
};
