import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import { useWallClock } from '../../../lib/clock';
import { useState } from 'react';
import {
  ovenHandsOf,
  readTimeOfDay,
  skills,
  type Equipment,
  type Hours,
  type Shift,
  type Skill,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../../ui/button';
import { Field } from '../../../ui/field';
import { useChangeEquipment } from './use-equipment';

const skillWords: Readonly<Record<Skill, string>> = {
  mix: t`Can mix`,
  portion: t`Can portion`,
  oven: t`Can tend ovens`,
  pack: t`Can ice and pack`,
};

interface ShiftDraft {
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
const draftOf = (
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

/** Shifts, hours of the ovens, who works here, and the scoops. */
export const PeoplePanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { equipment } = bakery;
  const wall = useWallClock();
  const { change, busy } = useChangeEquipment(bakery);
  const [shifts, setShifts] = useState(() => equipment.shifts.map((shift) => draftOf(shift, wall.ofDay)));
  const [hours, setHours] = useState(() => ({
    from: wall.ofDay(equipment.ovenHours.from),
    to: wall.ofDay(equipment.ovenHours.to),
  }));
  const [ovenHands, setOvenHands] = useState(String(ovenHandsOf(equipment)));
  const [crew, setCrew] = useState(equipment.crew.join(', '));
  const [scoops, setScoops] = useState(equipment.scoops.join(', '));
  const [problem, setProblem] = useState<string | null>(null);
  const typed = JSON.stringify([shifts, hours, ovenHands, crew, scoops]);
  const [saved] = useState(typed);
  const set = (i: number, part: Partial<ShiftDraft>) =>
    setShifts((all) => all.map((shift, j) => (j === i ? { ...shift, ...part } : shift)));
  const save = () => {
    const badShift = shifts.find(
      ({ name, from, to, hands }) =>
        !name.trim() || !isTime(from) || !isTime(to) || !/^[1-9]\d?$/.test(hands.trim()),
    );
    if (badShift)
      return setProblem(
        t`Shift "${badShift.name || t`without a name`}": it needs a name, times such as 03:30, and 1 to 99 pairs of hands.`,
      );
    const idle = shifts.find(({ can }) => can.length === 0);
    if (idle) return setProblem(t`Shift "${idle.name}": say what its hands can do.`);
    const badBreak = shifts.find(({ breaks }) => breaksOf(breaks) === null);
    if (badBreak)
      return setProblem(
        t`Shift "${badBreak.name}": a break is written 09:00-09:30; several with commas between.`,
      );
    if (!isTime(hours.from) || !isTime(hours.to))
      return setProblem(t`The ovens are hot from and to a time of day such as 03:30.`);
    if (!/^\d$/.test(ovenHands.trim()))
      return setProblem(t`Oven hands: 0 to 9. With 0 those of the shifts tend the ovens.`);
    const numbers = list(scoops).map((n) => Number(n.replace(/^No\.?\s*/i, '')));
    if (numbers.some((n) => !Number.isFinite(n)))
      return setProblem(t`Scoops are numbers, such as 30, 40, 50.`);
    const { calendar } = equipment;
    // Who is away from a shift stays away from it under its new name.
    const nameNow = new Map(shifts.flatMap(({ was, name }) => (was ? [[was, name.trim()]] : [])));
    const next: Equipment = {
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
    setProblem(null);
    void change(next, t`Shifts, crew and scoops are saved.`).then(setProblem);
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <fieldset>
        <legend className="mb-1 font-semibold">{t`Shifts`}</legend>
        <ul className="space-y-2">
          {shifts.map((shift, i) => (
            // oxlint-disable-next-line react/no-array-index-key -- a row has no other name while it is typed
            <li key={i} className="grid grid-cols-[1fr_1fr_0.7fr_2rem] items-end gap-2 max-sm:grid-cols-2">
              <div className="col-span-4">
                <Field
                  label={t`Who`}
                  hideLabel={i > 0}
                  value={shift.name}
                  onChange={(e) => set(i, { name: e.target.value })}
                />
              </div>
              <Field
                label={t`From`}
                hideLabel={i > 0}
                value={shift.from}
                onChange={(e) => set(i, { from: e.target.value })}
              />
              <Field
                label={t`To`}
                hideLabel={i > 0}
                value={shift.to}
                onChange={(e) => set(i, { to: e.target.value })}
              />
              <Field
                label={t`Hands`}
                hideLabel={i > 0}
                inputMode="numeric"
                value={shift.hands}
                onChange={(e) => set(i, { hands: e.target.value })}
              />
              <div className="col-span-3">
                <Field
                  label={t`Breaks of ${shift.name || t`the shift`}`}
                  hideLabel={i > 0}
                  value={shift.breaks}
                  placeholder={t`no break`}
                  onChange={(e) => set(i, { breaks: e.target.value })}
                />
              </div>
              <div
                role="group"
                aria-label={t`What ${shift.name || t`the shift`} can do`}
                className="col-span-3 flex flex-wrap gap-x-4 gap-y-1 text-[13.5px]"
              >
                {skills.map((skill) => (
                  <label key={skill} className="thumb flex items-center gap-1.5">
                    <input
                      type="checkbox"
                      checked={shift.can.includes(skill)}
                      onChange={(e) =>
                        set(i, {
                          can: skills.filter((own) =>
                            own === skill ? e.target.checked : shift.can.includes(own),
                          ),
                        })
                      }
                    />
                    {skillWords[skill]}
                  </label>
                ))}
              </div>
              <Button
                size="small"
                look="quiet"
                aria-label={t`Remove the shift ${shift.name}`}
                icon={<X size={15} aria-hidden />}
                onClick={() => setShifts((all) => all.filter((_, j) => j !== i))}
              />
            </li>
          ))}
        </ul>
        <p className="mt-1 text-[12.5px] text-ink-faint">{t`A shift that ends before it begins goes over midnight. In a break, such as 09:00-09:30, nobody of it works.`}</p>
        <Button
          size="small"
          className="mt-1"
          icon={<Plus size={14} aria-hidden />}
          onClick={() =>
            setShifts((all) => [
              ...all,
              { name: '', from: '22:00', to: '06:00', hands: '1', breaks: '', can: skills },
            ])
          }
        >{t`Add a shift`}</Button>
      </fieldset>
      <div className="mt-3 grid grid-cols-3 items-end gap-3 max-sm:grid-cols-2">
        <Field
          label={t`Ovens hot from`}
          value={hours.from}
          onChange={(e) => setHours({ ...hours, from: e.target.value })}
        />
        <Field label={t`to`} value={hours.to} onChange={(e) => setHours({ ...hours, to: e.target.value })} />
        <Field
          label={t`Oven hands`}
          inputMode="numeric"
          value={ovenHands}
          onChange={(e) => setOvenHands(e.target.value)}
        />
      </div>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`Oven hands load, turn and pull, and do nothing else. With 0 those of the shifts do it.`}</p>
      <div className="mt-3 space-y-3">
        <Field
          label={t`Who works here, by role`}
          value={crew}
          onChange={(e) => setCrew(e.target.value)}
          hint={t`Separated by commas.`}
        />
        <Field
          label={t`Scoops, by number`}
          value={scoops}
          onChange={(e) => setScoops(e.target.value)}
          hint={t`From No. 4 to No. 100.`}
        />
      </div>
      {problem && (
        <p role="alert" className="mt-2 font-medium text-hand">
          {problem}
        </p>
      )}
      <div className="mt-3 flex justify-end">
        <Button
          type="submit"
          look="primary"
          data-changes
          disabled={busy || typed === saved}
        >{t`Save shifts and crew`}</Button>
      </div>
    </form>
  );
};
