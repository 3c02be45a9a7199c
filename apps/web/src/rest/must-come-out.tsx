import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { coverOf, type DoughForm, type Figure, type Formula, type Place } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Field, SelectField } from '../ui/field';
import { Shown } from '../ui/shown';
import { core } from '../workers/core';
import { within } from './within';

export interface MustComeOutProps {
  readonly formula: Formula;
  readonly form: DoughForm;
  readonly massG: number;
  readonly places: readonly Place[];
  /** When the dough is wanted. */
  readonly wantedMs: number | null;
  readonly say: (ms: number) => string;
}

const Lead = ({
  lead,
  form,
  wantedMs,
  say,
}: Pick<MustComeOutProps, 'form' | 'wantedMs' | 'say'> & { readonly lead: Figure }) => {
  const { duration } = useUnits();
  return (
    <>
      <Shown figure={lead} className="font-semibold">
        {duration(Math.round(lead.value / 60) * 60)}
      </Shown>{' '}
      {t`before`}
      {wantedMs !== null && (
        <>
          <Trans>
            : out at <strong className="figures">{say(wantedMs - lead.value * 1000)}</strong> for the first
            load at {say(wantedMs)}
          </Trans>
        </>
      )}
      . {form === 'tub' ? t`By its mean: a tub is kneaded once before it is portioned.` : t`By its core.`}
    </>
  );
};

/** When a dough must come out to be as warm as it is wanted. */
export const MustComeOut = ({ formula, form, massG, places, wantedMs, say }: MustComeOutProps) => {
  const { label, figure, typed, range } = useUnits();
  const [outFrom, setOutFrom] = useState(figure(form === 'bag' ? -18 : 4, 'temperature'));
  const [target, setTarget] = useState(figure(form === 'tub' ? 10 : 4, 'temperature'));
  const [into, setInto] = useState(
    places.find(({ kind }) => kind === (form === 'bag' ? 'walk-in' : 'bench'))?.id ?? '',
  );
  const outC = within(typed(outFrom, 'temperature'), -30, 20);
  const targetC = within(typed(target, 'temperature'), -10, 25);
  const place = places.find(({ id }) => id === into);
  const lead = useQuery({
    queryKey: ['lead', formula.code, formula.version, form, massG, outC, into, targetC],
    queryFn: () =>
      core().lead({
        formula,
        form,
        massG,
        fromC: outC ?? 0,
        into: place as Place,
        cover: coverOf(formula.rest),
        targetC: targetC ?? 0,
        where: form === 'tub' ? 'mean' : 'core',
      }),
    enabled: place !== undefined && outC !== null && targetC !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return (
    <section aria-label={t`When must it come out`} className="rounded-lg border bg-surface px-4 py-3">
      <h2 className="font-semibold">{t`When must it come out?`}</h2>
      <div className="mt-2 grid grid-cols-3 gap-2 max-sm:grid-cols-2">
        <Field
          label={label(t`Dough now`, 'temperature')}
          inputMode="decimal"
          className="figures text-right"
          value={outFrom}
          error={outC === null ? range(-30, 20, 'temperature') : undefined}
          onChange={(event) => setOutFrom(event.target.value)}
        />
        <SelectField label={t`Goes to`} value={into} onChange={(event) => setInto(event.target.value)}>
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </SelectField>
        <Field
          label={label(t`Target`, 'temperature')}
          inputMode="decimal"
          className="figures text-right"
          value={target}
          error={targetC === null ? range(-10, 25, 'temperature') : undefined}
          onChange={(event) => setTarget(event.target.value)}
        />
      </div>
      <p className="mt-2" role="status">
        {lead.data === undefined ? (
          lead.isError ? (
            lead.error.message
          ) : (
            '…'
          )
        ) : lead.data === null ? (
          t`It never gets there in that place.`
        ) : (
          <Lead lead={lead.data} form={form} wantedMs={wantedMs} say={say} />
        )}
      </p>
    </section>
  );
};
