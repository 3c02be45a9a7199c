import { t } from '@lingui/core/macro';
import {
  ovenHandsOf,
  readTimeOfDay,
  skills,
  type Equipment,
  type Hours,
  type Shift,
  type Skill,
  readScoop,
  sayScoop,
} from '@jokul/core';

export interface ShiftDraft {
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly hands: string;
  /** Such as 09:00-09:30, separated by commas. */
  readonly breaks: string;
  readonly can: readonly Skill[];
  /** As it was called before, for who is away from it; new ones were not called anything. */
  readonly was?: string;
}
export const shiftDraft = (
  { name, from, to, hands, breaks = [], can = skills }: Shift,
  said: (time: string) => string,
): ShiftDraft => ({
  name,
  from: said(from),
  to: said(to),
  hands: String(hands),
  can,
  was: name,
  breaks: breaks.map((pause) => `${said(pause.from)}-${said(pause.to)}`).join(', '),
});
const list = (text: string): readonly string[] =>
  text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter(Boolean);
/** As it is stored; what is no time stays, to be said. */
const stored = (text: string): string => readTimeOfDay(text) ?? text;
const isTime = (text: string) => readTimeOfDay(text) !== null;

/** Breaks as they are typed; null where one is no stretch of time. */
const breaksOf = (text: string): readonly Hours[] | null => {
  const breaks = list(text).map((part) => part.split(/\s*(?:-|–|to)\s*/));
  return breaks.every((times) => times.length === 2 && times.every(isTime))
    ? breaks.map(([from = '', to = '']) => ({ from: stored(from), to: stored(to) }))
    : null;
};

/** Who works here, as it is typed. */
export interface PeopleDraft {
  readonly shifts: readonly ShiftDraft[];
  readonly hours: Hours;
  readonly ovenHands: string;
  readonly crew: string;
  readonly scoops: string;
}

/** Scoops as they stand in their field. */
export const scoopsAsText = (scoops: readonly number[]): string =>
  scoops.map((number) => sayScoop(number).replace(/^No\. /, '')).join(', ');

/** The numbers of the scoops that were typed, or the one that cannot be read. */
export const scoopsIn = (text: string, before: readonly number[] = []): readonly number[] | string => {
  const numbers: number[] = [];
  // Between two digits a comma is a decimal one where a unit follows (45,5 mL), and parts two numbers where none does.
  const words = text
    .split(/;|\n|,(?!\d)/)
    .flatMap((word) => (/[a-z"]/i.test(word.replace(/no\.?/gi, '')) ? [word] : word.split(',')))
    .map((word) => word.trim());
  for (const one of words) {
    if (one === '') continue;
    const number = before.find((known) => scoopsAsText([known]) === one) ?? readScoop(one);
    if (number === null) return one;
    numbers.push(number);
  }
  return numbers;
};

/** The equipment with the people that were typed, or what is wrong with them. */
export const withPeople = (
  { shifts, hours, ovenHands, crew, scoops }: PeopleDraft,
  equipment: Equipment,
): Equipment | string => {
  const badShift = shifts.find(
    ({ name, from, to, hands }) =>
      !name.trim() || !isTime(from) || !isTime(to) || !/^[1-9]\d?$/.test(hands.trim()),
  );
  if (badShift)
    return t`Shift "${badShift.name || t`without a name`}": it needs a name, times such as 03:30, and 1 to 99 pairs of hands.`;
  const idle = shifts.find(({ can }) => can.length === 0);
  if (idle) return t`Shift "${idle.name}": say what its hands can do.`;
  const badBreak = shifts.find(({ breaks }) => breaksOf(breaks) === null);
  if (badBreak)
    return t`Shift "${badBreak.name}": a break is written 09:00-09:30; several with commas between.`;
  if (!isTime(hours.from) || !isTime(hours.to))
    return t`The ovens are hot from and to a time of day such as 03:30.`;
  if (!/^\d$/.test(ovenHands.trim()))
    return t`Oven hands: 0 to 9. With 0 those of the shifts tend the ovens.`;
  const numbers = scoopsIn(scoops, equipment.scoops);
  if (typeof numbers === 'string')
    return t`"${numbers}" is no scoop: write its number, or what it holds, such as 40, 45 mL, 1/4 cup, 2 in. From No. 4 to No. 100.`;
  const { calendar } = equipment;
  // Who is away from a shift stays away from it under its new name.
  const nameNow = new Map(shifts.flatMap(({ was, name }) => (was ? [[was, name.trim()]] : [])));
  return {
    ...equipment,
    ...(calendar?.away && {
      calendar: {
        ...calendar,
        away: calendar.away.map((own) => ({ ...own, shift: nameNow.get(own.shift) ?? own.shift })),
      },
    }),
    shifts: shifts.map(({ name, from, to, hands, breaks, can }) => {
      const pauses = breaksOf(breaks) ?? [];
      return {
        name: name.trim(),
        from: stored(from),
        to: stored(to),
        hands: Number(hands),
        ...(can.length < skills.length && { can }),
        ...(pauses.length > 0 && { breaks: pauses }),
      };
    }),
    ovenHours: { from: stored(hours.from), to: stored(hours.to) },
    ...(Number(ovenHands) !== ovenHandsOf(equipment) && { ovenHands: Number(ovenHands) }),
    crew: [...new Set(list(crew))],
    scoops: [...new Set(numbers)].sort((a, b) => a - b),
  };
};
