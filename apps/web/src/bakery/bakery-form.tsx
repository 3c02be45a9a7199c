import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import type { BakeryView } from '@jokul/contracts';
import { useNameBakery } from '../lib/queries';
import { Button } from '../ui/button';
import { Field } from '../ui/field';

const zones = (): readonly string[] => Intl.supportedValuesOf('timeZone');

/** What the bakery is called, and the zone of its clock. */
export const BakeryForm = ({ bakery }: { readonly bakery: BakeryView }) => {
  const save = useNameBakery();
  const [name, setName] = useState(bakery.name);
  const [timeZone, setTimeZone] = useState(bakery.rules.timeZone);
  const [problem, setProblem] = useState<string | null>(null);
  const changed = name.trim() !== bakery.name || timeZone !== bakery.rules.timeZone;
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        setProblem(null);
        save.mutate(
          { name: name.trim(), timeZone, rulesVersion: bakery.rulesVersion },
          {
            onSuccess: (saved) => toast(`${saved.name}, ${saved.rules.timeZone.replaceAll('_', ' ')}.`),
            onError: (error) => setProblem(error.message),
          },
        );
      }}
    >
      <div className="grid gap-3">
        <Field
          label={t`Name`}
          value={name}
          maxLength={60}
          error={name.trim() ? undefined : t`A bakery has a name.`}
          onChange={(event) => setName(event.target.value)}
        />
        <Field
          label={t`Time zone`}
          list="time-zones"
          autoComplete="off"
          value={timeZone}
          error={problem ?? undefined}
          hint={t`Continent and city, such as Atlantic/Faroe.`}
          onChange={(event) => setTimeZone(event.target.value.trim())}
        />
        <datalist id="time-zones">
          {zones().map((zone) => (
            <option key={zone} value={zone} />
          ))}
        </datalist>
      </div>
      <div className="mt-3 flex justify-end">
        <Button
          type="submit"
          look="primary"
          data-changes
          disabled={!changed || !name.trim() || save.isPending}
        >{t`Save`}</Button>
      </div>
    </form>
  );
};
