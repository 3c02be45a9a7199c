import { atWallClock, shiftDate, wallClock } from '../quantity/index.js';
import { skills, type Equipment, type HouseRules, type Shift, type Skill } from './equipment.js';
import { shiftParts, wallOf } from './shift-parts.js';
import { handsOn, whyClosed, type Calendar } from './calendar.js';
import { trayKindOf } from './predictions.js';
import { resourceIds, type Availability, type Resource } from './problem.js';

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
const kindNames = { 'walk-in': 'Chilled places', freezer: 'Frozen places', bench: 'Benches' } as const;

/** Room of one kind of place, all places of it together: a formula says how dough rests, not in which of two fridges. */
const placesOf = (kind: (typeof placeKinds)[number], { places }: Equipment): readonly Resource[] => {
  const own = places.filter((place) => place.kind === kind);
  const name = own.length === 1 && own[0] ? own[0].name : kindNames[kind];
  const room = (of: (place: Equipment['places'][number]) => number) =>
    own.reduce((sum, place) => sum + of(place), 0);
  return [
    {
      id: resourceIds.cold(kind, 'trays'),
      name: `${name}, tray places`,
      capacity: room((p) => p.trayPlaces),
    },
    {
      id: resourceIds.cold(kind, 'tubs'),
      name: `${name}, room for tubs`,
      capacity: room((p) => p.tubPlaces),
    },
    {
      id: resourceIds.cold(kind, 'bags'),
      name: `${name}, room for bags`,
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

const handsThatCan: Readonly<Record<Skill, string>> = {
  mix: 'Hands that can mix',
  portion: 'Hands that can portion',
};

/** Work that not every shift can do. */
export const rareSkills = ({ shifts }: Pick<Equipment, 'shifts'>): readonly Skill[] =>
  skills.filter((skill) => shifts.some(({ can = skills }) => !can.includes(skill)));

/** All that tasks share on the floor over a stretch of time. */
export const resourcesOf = (
  equipment: Equipment,
  rules: HouseRules,
  stretch: { readonly fromS: number; readonly toS: number },
): readonly Resource[] => [
  handsOf(equipment, rules, stretch, resourceIds.hands, 'Hands for mixing and portioning', equipment.shifts),
  ...rareSkills(equipment).map((skill) =>
    handsOf(
      equipment,
      rules,
      stretch,
      resourceIds.skilled(skill),
      handsThatCan[skill],
      equipment.shifts.filter(({ can = skills }) => can.includes(skill)),
    ),
  ),
  { id: resourceIds.trays, name: 'Trays', capacity: trayKindOf(equipment, rules).count },
  {
    id: resourceIds.racks,
    name: 'Cooling racks',
    capacity: equipment.racks.reduce((sum, rack) => sum + rack.places, 0),
  },
  ...equipment.mixers.map((mixer) => ({ id: mixer.id, name: mixer.name, capacity: 1 })),
  ...placeKinds.flatMap((kind) => placesOf(kind, equipment)),
];
