import { say } from '../../shown/index.js';
import {
  type LinerStock,
  handsOn,
  ovenHandsOf,
  shiftParts,
  skills,
  wallOf,
  whyClosed,
  type Calendar,
  type Equipment,
  type HouseRules,
  type Shift,
  type Skill,
} from '../../bakery/index.js';
import { atWallClock, shiftDate, wallClock } from '../../quantity/index.js';
import { trayKindOf } from '../forecast/predictions.js';
import { type BatchPlan, type Use } from './plan.js';
import { resourceIds, skillsIn, type Availability, type RareSkills, type Resource } from './problem.js';

/** Days from the one on which `fromS` falls to the one on which `toS` does, and the night before. */
const datesOf = (fromS: number, toS: number, timeZone: string): readonly string[] => {
  const last = wallClock(toS, timeZone).date;
  const dates: string[] = [];
  // A night shift reaches into the day after.
  for (let date = shiftDate(wallClock(fromS, timeZone).date, -1); date <= last; date = shiftDate(date, 1))
    dates.push(date);
  return dates;
};

/** A shift on every open day of a stretch of time; one that ends before it begins ends on the next day. */
export const everyDay = (
  stretch: { readonly fromS: number; readonly toS: number },
  timeZone: string,
  { from, to, capacity }: { readonly from: string; readonly to: string; readonly capacity: number },
  calendar: Calendar | undefined,
): readonly Availability[] =>
  everyShift(stretch, timeZone, { name: '', from, to, hands: capacity }, calendar);

/** The hands of a shift on every open day of a stretch of time, but for its breaks and for who is away. */
export const everyShift = (
  stretch: { readonly fromS: number; readonly toS: number },
  timeZone: string,
  shift: Shift,
  calendar: Calendar | undefined,
): readonly Availability[] => {
  const parts = shiftParts(shift);
  const at = (day: string, min: number) => {
    const { time, days } = wallOf(min);
    return atWallClock(shiftDate(day, days), time, timeZone);
  };
  return datesOf(stretch.fromS, stretch.toS, timeZone)
    .filter((day) => whyClosed(calendar, day) === null)
    .flatMap((day) => {
      const capacity = handsOn(calendar, shift, day);
      if (capacity === 0) return [];
      return parts.map(({ fromMin, toMin }) => ({ fromS: at(day, fromMin), toS: at(day, toMin), capacity }));
    });
};

const placeKinds = ['walk-in', 'freezer', 'bench'] as const;
const kindNames = {
  'walk-in': say`Chilled places`,
  freezer: say`Frozen places`,
  bench: say`Benches`,
} as const;

/** Room of one kind of place, all places of it together: a formula says how dough rests, not in which of two fridges. */
const placesOf = (kind: (typeof placeKinds)[number], { places }: Equipment): readonly Resource[] => {
  const own = places.filter((place) => place.kind === kind);
  const name = own.length === 1 && own[0] ? own[0].name : kindNames[kind];
  const room = (of: (place: Equipment['places'][number]) => number) =>
    own.reduce((sum, place) => sum + of(place), 0);
  return [
    {
      id: resourceIds.cold(kind, 'trays'),
      name: say`${name}, tray places`,
      capacity: room((p) => p.trayPlaces),
    },
    {
      id: resourceIds.cold(kind, 'tubs'),
      name: say`${name}, room for tubs`,
      capacity: room((p) => p.tubPlaces),
    },
    {
      id: resourceIds.cold(kind, 'bags'),
      name: say`${name}, room for bags`,
      capacity: room((p) => p.bagPlaces),
    },
  ];
};

const handsOf = (
  { calendar }: Equipment,
  { timeZone }: HouseRules,
  stretch: { readonly fromS: number; readonly toS: number },
  id: string,
  name: string,
  shifts: readonly Shift[],
): Resource => ({
  id,
  name,
  capacity: shifts.reduce((sum, { hands }) => sum + hands, 0),
  when: shifts.flatMap((shift) => everyShift(stretch, timeZone, shift, calendar)),
});

const skillWords: Readonly<Record<Skill, string>> = {
  mix: 'mix',
  portion: 'portion',
  oven: say`tend the ovens`,
  pack: say`ice and pack`,
};

const handsThatCan = (able: RareSkills): string =>
  say`Hands that can ${skillsIn(able)
    .map((skill) => skillWords[skill])
    .join(' or ')}`;

const someOf = (all: readonly Skill[]): readonly (readonly Skill[])[] =>
  all.reduce<readonly (readonly Skill[])[]>(
    (sets, skill) => [...sets, ...sets.map((set) => [...set, skill])],
    [[]],
  );

/**
 * Work of the line that not every shift can do, alone or together with other such work: where those who can do one of some
 * works are never more than there is of it, there is a person for each (Hall, 1935). Of sets that the same shifts can do
 * only the largest is there; it holds for the others.
 */
export const rareSkills = (equipment: Pick<Equipment, 'shifts' | 'ovenHands'>): readonly RareSkills[] => {
  const sets = someOf(skills.filter((skill) => skill !== 'oven' || ovenHandsOf(equipment) === 0))
    .filter((set) => set.length > 0)
    .map((set) => ({
      set,
      who: equipment.shifts.map(({ can = skills }) => set.some((skill) => can.includes(skill))).join(),
    }));
  return sets
    .filter(({ set, who }) => {
      const same = (other: (typeof sets)[number]) =>
        other.who === who && other.set.length > set.length && set.every((skill) => other.set.includes(skill));
      return who.includes('false') && !sets.some(same);
    })
    .map(({ set }) => set.join('+') as RareSkills);
};

/** Hands that are not counted any more, since a bakery's shifts are others now, are asked for by nothing that was planned. */
export const withoutOldHands = (
  resources: readonly Resource[],
  batches: readonly BatchPlan[],
): readonly BatchPlan[] => {
  const known = new Set(resources.map(({ id }) => id));
  const isOld = ({ resourceId }: Use) =>
    (resourceId === resourceIds.ovenHands || resourceId.startsWith('hands/')) && !known.has(resourceId);
  return batches.map((batch) =>
    batch.tasks.some(({ uses }) => uses.some(isOld))
      ? {
          ...batch,
          tasks: batch.tasks.map((task) => ({ ...task, uses: task.uses.filter((u) => !isOld(u)) })),
        }
      : batch,
  );
};

/** Who tends the ovens and nothing else, as a shift of their own; null where the hands of the shifts do. */
export const ovenShift = (
  { ovenHours, ovenHands }: Pick<Equipment, 'ovenHours' | 'ovenHands'>,
  name: string,
): Shift | null => {
  const hands = ovenHandsOf({ ovenHands });
  return hands > 0 ? { name, ...ovenHours, hands, can: ['oven'] } : null;
};

const ovenHandsIn = (
  equipment: Equipment,
  rules: HouseRules,
  stretch: { readonly fromS: number; readonly toS: number },
): readonly Resource[] => {
  const name = say`Hands at the ovens`;
  const shift = rules.ovenTrayS ? ovenShift(equipment, name) : null;
  return shift ? [handsOf(equipment, rules, stretch, resourceIds.ovenHands, name, [shift])] : [];
};

/** Liners of which so many are there: mats, not paper off a roll. */
const countedLiners = ({ liners }: Equipment): readonly LinerStock[] =>
  liners.filter(({ count, retired }) => count !== undefined && !retired);

/** All that tasks share on the floor over a stretch of time. */
export const resourcesOf = (
  equipment: Equipment,
  rules: HouseRules,
  stretch: { readonly fromS: number; readonly toS: number },
): readonly Resource[] => [
  ...ovenHandsIn(equipment, rules, stretch),
  handsOf(
    equipment,
    rules,
    stretch,
    resourceIds.hands,
    say`Hands for mixing and portioning`,
    equipment.shifts,
  ),
  ...rareSkills(equipment).map((able) =>
    handsOf(
      equipment,
      rules,
      stretch,
      resourceIds.skilled(able),
      handsThatCan(able),
      equipment.shifts.filter(({ can = skills }) => skillsIn(able).some((skill) => can.includes(skill))),
    ),
  ),
  { id: resourceIds.trays, name: say`Trays`, capacity: trayKindOf(equipment, rules).count },
  ...countedLiners(equipment).map(({ id, name, count = 0 }) => ({
    id: resourceIds.liner(id),
    name,
    capacity: count,
  })),
  {
    id: resourceIds.racks,
    name: say`Cooling racks`,
    capacity: equipment.racks.reduce((sum, rack) => sum + rack.places, 0),
  },
  ...equipment.mixers.map((mixer) => ({ id: mixer.id, name: mixer.name, capacity: 1 })),
  ...placeKinds.flatMap((kind) => placesOf(kind, equipment)),
];
