import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  coverOf,
  bagHoldsPieces,
  handStates,
  type DoughForm,
  type Formula,
  type LoadedPlace,
  type Place,
} from '@jokul/core';
import { typedNumber, useUnits } from '../lib/units';
import { Field, SelectField } from '../ui/field';
import { Shown } from '../ui/shown';
import { core } from '../workers/core';

interface AtOnceProps {
  readonly formula: Formula;
  readonly form: DoughForm;
  readonly massG: number;
  readonly places: readonly Place[];
  /** How many pieces the batch has, and the core at which they count as cold. */
  readonly pieces: number;
  readonly readyC: number;
}

/** What is counted of a dough in the cold. */
const countNames: Readonly<Record<DoughForm, string>> = {
  pieces: t`Pieces`,
  tub: t`Tubs`,
  log: t`Logs`,
  bag: t`Bags`,
};
/** Off the mixer, °C. */
const freshC = 22;

const number = (text: string, low: number, high: number): number | null => {
  const value = typedNumber(text);
  return Number.isFinite(value) && value >= low && value <= high ? value : null;
};

const Found = ({ data }: { readonly data: LoadedPlace }) => {
  const { duration, temperature } = useUnits();
  const round = (s: number) => duration(Math.round(s / 60) * 60);
  return (
    <>
      {t`The air goes up to ${temperature(data.warmestC, 1)};`}{' '}
      {data.together === null ? (
        t`the dough is not cold in time.`
      ) : (
        <>
          {t`cold after`}{' '}
          <Shown figure={data.together} className="font-semibold">
            {round(data.together.value)}
          </Shown>
          {data.aloneS !== null && t` instead of ${round(data.aloneS)}`}.
        </>
      )}{' '}
      <span className="text-ink-faint">{t`From ${temperature(freshC)}; the machine’s power is a typical figure.`}</span>
    </>
  );
};

/** Everything in at once, and the door that is opened: how warm does the place get, and what does it cost? */
export const AtOnce = ({ formula, form, massG, places, pieces, readyC }: AtOnceProps) => {
  const cold = places.filter(({ kind }) => kind !== 'bench');
  const [into, setInto] = useState(cold[0]?.id ?? '');
  const [count, setCount] = useState(
    String(form === 'pieces' ? pieces : Math.max(1, Math.round(pieces / bagHoldsPieces))),
  );
  const [doors, setDoors] = useState('6');
  const bodies = number(count, 1, 20_000);
  const openings = number(doors, 0, 60);
  const place = places.find(({ id }) => id === into);
  // One bag is what is frozen together, not the whole batch.
  const oneG = form === 'bag' ? bagHoldsPieces * formula.piece.massG : massG;
  const answer = useQuery({
    queryKey: ['loaded', formula.code, formula.version, form, oneG, into, bodies, openings, readyC],
    queryFn: () =>
      core().loaded({
        formula,
        form,
        massG: oneG,
        startC: freshC,
        place: place as Place,
        cover: coverOf(formula.rest),
        targetC: place?.kind === 'freezer' ? handStates.frozenC : readyC,
        bodies: bodies ?? 1,
        openings: openings ?? 0,
      }),
    enabled: place !== undefined && bodies !== null && openings !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const { data } = answer;
  return (
    <section aria-label={t`Everything in at once`} className="rounded-lg border bg-surface px-4 py-3">
      <h2 className="font-semibold">{t`What if all of it goes in at once?`}</h2>
      <div className="mt-2 grid grid-cols-3 gap-2 max-sm:grid-cols-2">
        <Field
          label={countNames[form]}
          inputMode="numeric"
          className="figures text-right"
          value={count}
          error={bodies === null ? t`1 to 20,000` : undefined}
          onChange={(event) => setCount(event.target.value)}
        />
        <SelectField label={t`Into`} value={into} onChange={(event) => setInto(event.target.value)}>
          {cold.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </SelectField>
        <Field
          label={t`Door, times an hour`}
          inputMode="decimal"
          className="figures text-right"
          value={doors}
          error={openings === null ? t`0 to 60` : undefined}
          onChange={(event) => setDoors(event.target.value)}
        />
      </div>
      <p className="mt-2" role="status">
        {data ? <Found data={data} /> : answer.isError ? answer.error.message : '…'}
      </p>
    </section>
  );
};
