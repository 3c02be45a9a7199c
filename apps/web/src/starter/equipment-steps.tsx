import { t } from '@lingui/core/macro';
import { toast } from 'sonner';
import { inUse, type EquipmentKind } from '@jokul/core';
import type { BakeryView, RulesInput } from '@jokul/contracts';
import { useSaveRules } from '../lib/queries';
import { SelectField } from '../ui/field';
import { BakeryForm } from '../bakery/bakery-form';
import { KindList } from '../bakery/equipment/kind-list';
import { kinds } from '../bakery/equipment/kinds';
import { PeoplePanel } from '../bakery/equipment/people-panel';
import { ruleFields } from '../bakery/rule-fields';
import { UnitsField } from '../bakery/units-field';
import { presets } from './presets';
import { LinerOptions } from '../words/liner-options';

interface StepProps {
  readonly bakery: BakeryView;
}

/** The things of some kinds, with ready-made ones. */
export const Things = ({ bakery, of }: StepProps & { readonly of: readonly EquipmentKind[] }) => (
  <div className="space-y-6">
    {kinds
      .filter(({ kind }) => of.includes(kind))
      .map((kind) => (
        <KindList key={kind.kind} kind={kind} bakery={bakery} presets={presets[kind.kind] ?? []} />
      ))}
    <p className="text-[13.5px] text-ink-soft">{t`The first one of each is an example: change it to what you have, or retire it once yours is there.`}</p>
  </div>
);

/** Name, time zone, and the units of this device. */
export const BakeryStep = ({ bakery }: StepProps) => (
  <div className="max-w-md space-y-4">
    <BakeryForm key={bakery.name + bakery.rules.timeZone} bakery={bakery} />
    <UnitsField label={t`Units on this device`} />
  </div>
);

/** Trays, and which of them plans are made with. */
export const TraysStep = ({ bakery }: StepProps) => {
  const save = useSaveRules();
  const { trayId, liner } = bakery.rules;
  // House rules are saved as a whole: the others stay as they are.
  const kept = Object.fromEntries(ruleFields.map(({ key }) => [key, bakery.rules[key]]));
  const change = (to: Partial<Pick<RulesInput, 'trayId' | 'liner'>>) =>
    save.mutate({ ...kept, trayId, liner, ...to, version: bakery.rulesVersion } as RulesInput, {
      onSuccess: () => toast(t`Saved.`),
      onError: (error) => toast.error(error.message, { duration: 10_000 }),
    });
  return (
    <>
      <Things bakery={bakery} of={['trays', 'liners']} />
      <div className="mt-4 grid max-w-lg grid-cols-2 gap-3">
        <SelectField
          label={t`Tray to plan with`}
          value={trayId}
          disabled={save.isPending}
          onChange={(event) => change({ trayId: event.target.value })}
        >
          {inUse(bakery.equipment).trays.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <SelectField
          label={t`Liner`}
          value={liner}
          disabled={save.isPending}
          onChange={(event) => change({ liner: event.target.value as RulesInput['liner'] })}
        >
          <LinerOptions equipment={bakery.equipment} />
        </SelectField>
      </div>
    </>
  );
};

export const PeopleStep = ({ bakery }: StepProps) => (
  <div className="max-w-lg">
    <PeoplePanel key={bakery.equipmentVersion} bakery={bakery} />
  </div>
);
