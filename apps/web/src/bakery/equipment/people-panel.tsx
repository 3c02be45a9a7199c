import { t } from '@lingui/core/macro';
import { Plus } from 'lucide-react';
import { useWallClock } from '../../lib/clock';
import { useState } from 'react';
import { ovenHandsOf, skills } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../ui/button';
import { Field } from '../../ui/field';
import { shiftDraft, scoopsAsText, withPeople, type ShiftDraft } from './people-draft';
import { ScoopTable } from './scoop-table';
import { ShiftRow } from './shift-row';
import { useChangeEquipment } from './use-equipment';

interface ShiftsProps {
  readonly shifts: readonly ShiftDraft[];
  readonly onChange: (change: (all: readonly ShiftDraft[]) => readonly ShiftDraft[]) => void;
}

const Shifts = ({ shifts, onChange }: ShiftsProps) => (
  <fieldset>
    <legend className="mb-1 font-semibold">{t`Shifts`}</legend>
    <ul className="space-y-2">
      {shifts.map((shift, i) => (
        <ShiftRow
          // oxlint-disable-next-line react/no-array-index-key -- a row has no other name while it is typed
          key={i}
          shift={shift}
          first={i === 0}
          onChange={(part) => onChange((all) => all.map((own, j) => (j === i ? { ...own, ...part } : own)))}
          onRemove={() => onChange((all) => all.filter((_, j) => j !== i))}
        />
      ))}
    </ul>
    <p className="mt-1 text-[12.5px] text-ink-faint">{t`A shift that ends before it begins goes over midnight. In a break, such as 09:00-09:30, nobody of it works.`}</p>
    <Button
      size="small"
      className="mt-1"
      icon={<Plus size={14} aria-hidden />}
      onClick={() =>
        onChange((all) => [
          ...all,
          { name: '', from: '22:00', to: '06:00', hands: '1', breaks: '', can: skills },
        ])
      }
    >{t`Add a shift`}</Button>
  </fieldset>
);

/** Shifts, hours of the ovens, who works here, and the scoops. */
export const PeoplePanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { equipment } = bakery;
  const wall = useWallClock();
  const { change, busy } = useChangeEquipment(bakery);
  const [shifts, setShifts] = useState<readonly ShiftDraft[]>(() =>
    equipment.shifts.map((shift) => shiftDraft(shift, wall.ofDay)),
  );
  const [hours, setHours] = useState(() => ({
    from: wall.ofDay(equipment.ovenHours.from),
    to: wall.ofDay(equipment.ovenHours.to),
  }));
  const [ovenHands, setOvenHands] = useState(String(ovenHandsOf(equipment)));
  const [crew, setCrew] = useState(equipment.crew.join(', '));
  const [scoops, setScoops] = useState(scoopsAsText(equipment.scoops));
  const [problem, setProblem] = useState<string | null>(null);
  const typed = JSON.stringify([shifts, hours, ovenHands, crew, scoops]);
  const [saved] = useState(typed);
  const save = () => {
    const next = withPeople({ shifts, hours, ovenHands, crew, scoops }, equipment);
    if (typeof next === 'string') return setProblem(next);
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
      <Shifts shifts={shifts} onChange={setShifts} />
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
          label={t`Scoops, by number or by what they hold`}
          value={scoops}
          onChange={(e) => setScoops(e.target.value)}
          hint={t`40, 45 mL, 2 tbsp, 1.5 oz, 1/4 cup, or 2 in across. From No. 4 to No. 100.`}
        />
        <ScoopTable text={scoops} />
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
