import type { Load, Preparation } from '../planning/index.js';

export type ActionKind =
  | 'prepare'
  | 'mix'
  | 'portion'
  | 'rest-in'
  | 'rest-out'
  | 'load'
  | 'turn'
  | 'pull'
  | 'flatten'
  | 'rack'
  | 'ice'
  | 'pack';

/** Something that has to be done on the floor. */
export interface Action {
  readonly id: string;
  readonly kind: ActionKind;
  readonly batchId: string;
  readonly productCode: string;
  readonly load?: Load;
  readonly prepare?: Preparation;
  readonly trayIds: readonly string[];
  readonly ovenId?: string;
  readonly dueMs: number;
}

export type Urgency = 'late' | 'now' | 'soon' | 'later';

/** How long before and after the due moment an action counts as due now, ms: a pull is a matter of seconds. */
const nowWindowMs: Readonly<Record<ActionKind, readonly [before: number, after: number]>> = {
  pull: [15e3, 30e3],
  turn: [15e3, 45e3],
  load: [60e3, 180e3],
  flatten: [0, 60e3],
  rack: [0, 240e3],
  ice: [60e3, 1200e3],
  pack: [60e3, 1800e3],
  'rest-out': [60e3, 300e3],
  'rest-in': [0, 600e3],
  portion: [120e3, 600e3],
  mix: [300e3, 900e3],
  prepare: [300e3, 1800e3],
};

/** An oven that is on later than this is hot later than its load. */
const heatWindowMs = [60e3, 180e3] as const;
const soonMs = 10 * 60e3;

export const urgencyOf = (action: Action, nowMs: number): Urgency => {
  const [before, after] = action.prepare?.oven ? heatWindowMs : nowWindowMs[action.kind];
  if (nowMs > action.dueMs + after) return 'late';
  if (nowMs >= action.dueMs - before) return 'now';
  return nowMs >= action.dueMs - soonMs ? 'soon' : 'later';
};

/** What burns first comes first where due times tie. */
export const rank: Readonly<Record<ActionKind, number>> = {
  pull: 0,
  turn: 1,
  flatten: 2,
  rack: 3,
  load: 4,
  'rest-out': 5,
  'rest-in': 6,
  portion: 7,
  mix: 8,
  ice: 9,
  pack: 10,
  prepare: 11,
};

const canWait: ReadonlySet<ActionKind> = new Set<ActionKind>(['prepare', 'ice', 'pack']);

/**
 * What is to be done next. Butter that should have been out long since, and what only waits to be iced or packed, does not
 * stand before a tray that is due.
 * @param actions the earliest due first
 */
export const mostUrgent = (actions: readonly Action[], nowMs: number): Action | undefined => {
  const isDue = (action: Action) => ['late', 'now'].includes(urgencyOf(action, nowMs));
  const [first] = actions;
  if (!first || !canWait.has(first.kind) || !isDue(first)) return first;
  return actions.find((action) => !canWait.has(action.kind) && isDue(action)) ?? first;
};

/** What left the bakery so long ago is not asked for any more, s. */
const askedForS = 2 * 3600;

export const hasLeft = ({ kind, load }: Action, nowMs: number): boolean =>
  (kind === 'ice' || kind === 'pack') && load !== undefined && nowMs > (load.dueS + askedForS) * 1000;
