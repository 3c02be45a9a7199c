import { say } from '../../shown/index.js';
import { type Calendar, skills, type Shift, type Skill } from '../../bakery/index.js';
import { everyShift } from '../problem/floor-resources.js';
import type { PlannedWork } from './give-out.js';
import { preparationKinds } from '../problem/preparation.js';

/** What one pair of hands does of a plan, in the order of its beginning. */
export interface HandList {
  readonly name: string;
  readonly works: readonly PlannedWork[];
}

export interface HandLists {
  readonly hands: readonly HandList[];
  /** Work for which nobody of the shifts is free all the time: it is handed on, or done by whoever comes by. */
  readonly open: readonly PlannedWork[];
}

const byHand: ReadonlySet<string> = new Set([
  ...preparationKinds,
  'mix',
  'portion',
  'load',
  'turn',
  'pull',
  'flatten',
  'ice',
  'pack',
]);
const asks: Readonly<Partial<Record<PlannedWork['kind'], Skill>>> = {
  mix: 'mix',
  portion: 'portion',
  load: 'oven',
  turn: 'oven',
  pull: 'oven',
  ice: 'pack',
  pack: 'pack',
};
/** Whether somebody's hands are on it from its beginning to its end. */
export const isHandWork = ({ kind }: Pick<PlannedWork, 'kind'>): boolean => byHand.has(kind);

interface Hand {
  readonly name: string;
  readonly can: readonly Skill[];
  readonly there: readonly { readonly fromS: number; readonly toS: number }[];
  readonly works: PlannedWork[];
}

/** "Early baker, head baker" of two hands are these two; three of "Bakers" are Bakers 1 to 3. */
const namesOf = ({ name, hands }: Shift): readonly string[] => {
  const named = name.split(',').map((part) => part.trim());
  if (named.length === hands && named.every(Boolean))
    return named.map((own) => `${own.slice(0, 1).toUpperCase()}${own.slice(1)}`);
  return hands === 1 ? [name] : Array.from({ length: hands }, (_, i) => `${name} ${i + 1}`);
};

const handsIn = (
  shifts: readonly Shift[],
  calendar: Calendar | undefined,
  timeZone: string,
  stretch: { readonly fromS: number; readonly toS: number },
): readonly Hand[] =>
  shifts.flatMap((shift, s) => {
    const there = everyShift(stretch, timeZone, shift, calendar);
    const others = shifts.filter((_, other) => other !== s).flatMap(namesOf);
    return namesOf(shift).map((name, i): Hand => ({
      // Two shifts of one name are told apart by when they begin.
      name: others.includes(name) ? say`${name}, from ${shift.from}` : name,
      can: shift.can ?? skills,
      // On a day on which some are away, the last of the shift are.
      there: there.filter(({ capacity }) => capacity > i),
      works: [],
    }));
  });

const isFree = ({ there, works }: Hand, { startS, endS }: PlannedWork): boolean =>
  there.some(({ fromS, toS }) => fromS <= startS && endS <= toS) &&
  works.every((other) => other.endS <= startS || other.startS >= endS);

/** Who only tends the ovens is asked for nothing else. */
const isOfTheLine = ({ can }: Hand): boolean => can.some((skill) => skill !== 'oven');

const minutesOf = ({ works }: Hand) => works.reduce((sum, { startS, endS }) => sum + endS - startS, 0);

/**
 * The work of a plan dealt to the hands of the shifts, so that nobody has two things at once: who has worked on the dough
 * before goes on with it, else who can do least else, else who has least to do. A proposal: the plan counts hands, not people.
 */
export const handLists = (
  works: readonly PlannedWork[],
  shifts: readonly Shift[],
  calendar: Calendar | undefined,
  timeZone: string,
): HandLists => {
  const own = works.filter(isHandWork).sort((a, b) => a.startS - b.startS || a.endS - b.endS);
  const [first] = own;
  if (!first) return { hands: [], open: [] };
  const stretch = { fromS: first.startS, toS: Math.max(...own.map(({ endS }) => endS)) };
  const hands = handsIn(shifts, calendar, timeZone, stretch);
  const open: PlannedWork[] = [];
  for (const work of own) {
    const skill = asks[work.kind];
    const can = (hand: Hand) => (skill === undefined ? isOfTheLine(hand) : hand.can.includes(skill));
    const knows = ({ works: done }: Hand) => done.some(({ batchId }) => batchId === work.batchId);
    const [best] = hands
      .filter((hand) => can(hand) && isFree(hand, work))
      .sort(
        (a, b) =>
          // Ovens are left to who is there for them.
          (skill === 'oven' ? a.can.length - b.can.length : 0) ||
          Number(knows(b)) - Number(knows(a)) ||
          a.can.length - b.can.length ||
          minutesOf(a) - minutesOf(b),
      );
    if (best) best.works.push(work);
    else open.push(work);
  }
  return {
    hands: hands
      .filter((hand) => hand.works.length > 0)
      .map(({ name, works: done }) => ({ name, works: done })),
    open,
  };
};
