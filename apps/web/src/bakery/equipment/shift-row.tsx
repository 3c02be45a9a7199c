import { t } from '@lingui/core/macro';
import { X } from 'lucide-react';
import { skills, type Skill } from '@jokul/core';
import { Button } from '../../ui/button';
import { Field } from '../../ui/field';
import type { ShiftDraft } from './people-draft';

const skillWords: Readonly<Record<Skill, string>> = {
  mix: t`Can mix`,
  portion: t`Can portion`,
  oven: t`Can tend ovens`,
  pack: t`Can ice and pack`,
};

interface ShiftRowProps {
  readonly shift: ShiftDraft;
  /** The first one names the fields of all. */
  readonly first: boolean;
  readonly onChange: (part: Partial<ShiftDraft>) => void;
  readonly onRemove: () => void;
}

/** What the hands of a shift can do. */
const Skills = ({ shift, onChange }: Pick<ShiftRowProps, 'shift' | 'onChange'>) => (
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
            onChange({
              can: skills.filter((own) => (own === skill ? e.target.checked : shift.can.includes(own))),
            })
          }
        />
        {skillWords[skill]}
      </label>
    ))}
  </div>
);

/** A shift: who, from when to when, its breaks, and what its hands can do. */
export const ShiftRow = ({ shift, first, onChange, onRemove }: ShiftRowProps) => (
  <li className="grid grid-cols-[1fr_1fr_0.7fr_2rem] items-end gap-2 max-sm:grid-cols-2">
    <div className="col-span-4">
      <Field
        label={t`Who`}
        hideLabel={!first}
        value={shift.name}
        onChange={(e) => onChange({ name: e.target.value })}
      />
    </div>
    <Field
      label={t`From`}
      hideLabel={!first}
      value={shift.from}
      onChange={(e) => onChange({ from: e.target.value })}
    />
    <Field
      label={t`To`}
      hideLabel={!first}
      value={shift.to}
      onChange={(e) => onChange({ to: e.target.value })}
    />
    <Field
      label={t`Hands`}
      hideLabel={!first}
      inputMode="numeric"
      value={shift.hands}
      onChange={(e) => onChange({ hands: e.target.value })}
    />
    <div className="col-span-3">
      <Field
        label={t`Breaks of ${shift.name || t`the shift`}`}
        hideLabel={!first}
        value={shift.breaks}
        placeholder={t`no break`}
        onChange={(e) => onChange({ breaks: e.target.value })}
      />
    </div>
    <Skills shift={shift} onChange={onChange} />
    <Button
      size="small"
      look="quiet"
      aria-label={t`Remove the shift ${shift.name}`}
      icon={<X size={15} aria-hidden />}
      onClick={onRemove}
    />
  </li>
);
