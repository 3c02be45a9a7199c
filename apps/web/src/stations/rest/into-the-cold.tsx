import { t } from '@lingui/core/macro';
import type { Place } from '@jokul/core';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';

/** Where a dough goes, how it is covered, how warm it is: as typed. */
export interface GoingIn {
  readonly placeId: string;
  readonly cover: 'open' | 'covered';
  readonly startC: string;
}

interface IntoTheColdProps {
  readonly going: GoingIn;
  readonly places: readonly Place[];
  readonly startWrong: boolean;
  /** How it is known how warm the dough is. */
  readonly temperature: 'fresh' | 'computed' | 'being-found';
  /** Why it cannot go in yet. */
  readonly notYet: string | null;
  readonly onChange: (to: GoingIn) => void;
  readonly onPutIn: () => void;
}

/** The dough is put into its place. */
export const IntoTheCold = ({
  going,
  places,
  startWrong,
  temperature: known,
  notYet,
  onChange,
  onPutIn,
}: IntoTheColdProps) => {
  const { temperature, label, range } = useUnits();
  return (
    <form
      aria-label={t`Into the cold`}
      className="mb-4 grid max-w-3xl grid-cols-[1fr_1fr_9rem_auto] items-end gap-3 max-sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        onPutIn();
      }}
    >
      <SelectField
        label={t`Place`}
        value={going.placeId}
        onChange={(event) => onChange({ ...going, placeId: event.target.value })}
      >
        {places.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}, {temperature(p.airC)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label={t`Cover`}
        value={going.cover}
        onChange={(event) => onChange({ ...going, cover: event.target.value as 'open' | 'covered' })}
      >
        <option value="open">{t`open on the tray`}</option>
        <option value="covered">{t`covered, boxed or lidded`}</option>
      </SelectField>
      <Field
        label={label(t`Dough`, 'temperature')}
        inputMode="decimal"
        value={going.startC}
        onChange={(event) => onChange({ ...going, startC: event.target.value })}
        placeholder={known === 'being-found' ? '…' : undefined}
        error={startWrong && known !== 'being-found' ? range(-25, 40, 'temperature') : undefined}
      />
      <Button type="submit" look="primary" disabled={startWrong || notYet !== null}>{t`Put away`}</Button>
      {known === 'computed' && (
        <p className="col-span-4 text-[13px] text-ink-soft max-sm:col-span-2">{t`Computed from where it lay and stood since it was mixed. Measured, type what the needle says.`}</p>
      )}
      {notYet && <p className="col-span-4 text-ink-soft">{notYet}</p>}
    </form>
  );
};
