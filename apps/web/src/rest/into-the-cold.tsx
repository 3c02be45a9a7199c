import { t } from '@lingui/core/macro';
import type { Place } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field, SelectField } from '../ui/field';

/** Where a dough goes, how it is covered, how warm it is: as typed. */
export interface GoingIn {
  readonly placeId: string;
  readonly cover: 'open' | 'covered';
  readonly startC: string;
}

/** How it is known how warm a dough is. */
export type Warmth = 'fresh' | 'computed' | 'typed' | 'being-found' | 'unknown';

const hints: Readonly<Partial<Record<Warmth, string>>> = {
  computed: t`Worked out from where it has been since mixing. If you measure it, type what the probe says.`,
  unknown: t`How warm it is cannot be worked out here: measure it.`,
};

interface IntoTheColdProps {
  readonly going: GoingIn;
  readonly places: readonly Place[];
  readonly startWrong: boolean;
  readonly warmth: Warmth;
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
  warmth,
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
        placeholder={warmth === 'being-found' ? '…' : undefined}
        error={startWrong && warmth === 'typed' ? range(-25, 40, 'temperature') : undefined}
      />
      <Button type="submit" look="primary" disabled={startWrong || notYet !== null}>{t`Put away`}</Button>
      {[hints[warmth], notYet].map(
        (says) =>
          says && (
            <p key={says} className="col-span-full text-ink-soft">
              {says}
            </p>
          ),
      )}
    </form>
  );
};
