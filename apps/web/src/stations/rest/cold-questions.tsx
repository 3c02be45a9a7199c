import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  bagHoldsPieces,
  handStates,
  type DoughForm,
  type Figure,
  type Formula,
  type Place,
} from '@jokul/core';
import { useUnits } from '../../lib/units';
import { Field, SelectField } from '../../ui/field';
import { Shown } from '../../ui/shown';
import { core } from '../../workers/core';

interface ColdQuestionsProps {
  readonly formula: Formula;
  readonly form: DoughForm;
  readonly massG: number;
  readonly places: readonly Place[];
  /** When the dough is wanted, for what must come out. */
  readonly wantedMs: number | null;
  readonly say: (ms: number) => string;
  /** How many pieces the batch has, and the core at which they count as cold. */
  readonly pieces: number;
  readonly readyC: number;
}

const number = (text: string, low: number, high: number): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value >= low && value <= high ? value : null;
};

/** Everything in at once, and the door that is opened: how warm does the place get, and what does it cost? */
const AtOnce = ({
  formula,
  form,
  massG,
  places,
  pieces,
  readyC,
}: Pick<ColdQuestionsProps, 'formula' | 'form' | 'massG' | 'places' | 'pieces' | 'readyC'>) => {
  const { duration, temperature } = useUnits();
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
        startC: 22,
        place: place as Place,
        cover: form === 'pieces' ? 'open' : 'covered',
        targetC: place?.kind === 'freezer' ? handStates.frozenC : readyC,
        bodies: bodies ?? 1,
        openings: openings ?? 0,
      }),
    enabled: place !== undefined && bodies !== null && openings !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const round = (s: number) => duration(Math.round(s / 60) * 60);
  const { data } = answer;
  return (
    <section aria-label={t`Everything in at once`} className="rounded-lg border bg-surface px-4 py-3">
      <h2 className="font-semibold">{t`What if all of it goes in at once?`}</h2>
      <div className="mt-2 grid grid-cols-3 gap-2 max-sm:grid-cols-2">
        <Field
          label={form === 'pieces' ? t`Pieces` : `${form}s`}
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
        {!data ? (
          answer.isError ? (
            answer.error.message
          ) : (
            '…'
          )
        ) : (
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
            <span className="text-ink-faint">{t`From ${temperature(22)}; the machine’s power is a typical figure.`}</span>
          </>
        )}
      </p>
    </section>
  );
};

/** A temperature as it was typed, °C; null where it is none between the two. */
const within = (valueC: number, low: number, high: number): number | null =>
  valueC >= low && valueC <= high ? valueC : null;

/** How long on the bench, and when it must come out: and all of it at once: questions with a plain answer each. */
export const ColdQuestions = ({
  formula,
  form,
  massG,
  places,
  wantedMs,
  say,
  pieces,
  readyC,
}: ColdQuestionsProps) => {
  const { duration, temperature, label, figure, typed, range } = useUnits();
  const bench = places.find(({ kind }) => kind === 'bench');
  const [room, setRoom] = useState(figure(bench?.airC ?? 24, 'temperature'));
  const [from, setFrom] = useState(figure(6, 'temperature'));
  const [outFrom, setOutFrom] = useState(figure(form === 'bag' ? -18 : 4, 'temperature'));
  const [target, setTarget] = useState(figure(form === 'tub' ? 10 : 4, 'temperature'));
  const [into, setInto] = useState(
    form === 'bag' ? (places.find(({ kind }) => kind === 'walk-in')?.id ?? '') : (bench?.id ?? ''),
  );
  const roomC = within(typed(room, 'temperature'), 10, 40);
  const fromC = within(typed(from, 'temperature'), -25, 30);
  const outC = within(typed(outFrom, 'temperature'), -30, 20);
  const targetC = within(typed(target, 'temperature'), -10, 25);
  const place = places.find(({ id }) => id === into);
  const soft = useQuery({
    queryKey: ['bench', formula.code, formula.version, form, massG, fromC, roomC],
    queryFn: async (): Promise<Figure | 'now' | null> =>
      core().bench(formula, fromC ?? 0, { ...(bench as Place), airC: roomC ?? 24 }, form, massG),
    enabled: bench !== undefined && roomC !== null && fromC !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const lead = useQuery({
    queryKey: ['lead', formula.code, formula.version, form, massG, outC, into, targetC],
    queryFn: () =>
      core().lead({
        formula,
        form,
        massG,
        fromC: outC ?? 0,
        into: place as Place,
        cover: form === 'pieces' ? 'open' : 'covered',
        targetC: targetC ?? 0,
        where: form === 'tub' ? 'mean' : 'core',
      }),
    enabled: place !== undefined && outC !== null && targetC !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const round = (s: number) => duration(Math.round(s / 60) * 60);
  return (
    <div className="mt-4 grid max-w-4xl grid-cols-2 gap-6 max-[1100px]:grid-cols-1">
      <section aria-label={t`How long on the bench`} className="rounded-lg border bg-surface px-4 py-3">
        <h2 className="font-semibold">{t`How long may it stand on the bench?`}</h2>
        <div className="mt-2 grid grid-cols-2 gap-2">
          <Field
            label={label(t`Dough`, 'temperature')}
            inputMode="decimal"
            className="figures text-right"
            value={from}
            error={fromC === null ? range(-25, 30, 'temperature') : undefined}
            onChange={(event) => setFrom(event.target.value)}
          />
          <Field
            label={label(t`Kitchen`, 'temperature')}
            inputMode="decimal"
            className="figures text-right"
            value={room}
            error={roomC === null ? range(10, 40, 'temperature') : undefined}
            onChange={(event) => setRoom(event.target.value)}
          />
        </div>
        <p className="mt-2" role="status">
          {soft.data === undefined ? (
            soft.isError ? (
              soft.error.message
            ) : (
              '…'
            )
          ) : soft.data === null ? (
            t`It never gets too soft in a kitchen this cool.`
          ) : soft.data === 'now' ? (
            t`It is too soft now: back into the cold.`
          ) : (
            <Trans>
              <Shown figure={soft.data} className="font-semibold">
                {round(soft.data.value)}
              </Shown>
              , then its mean is at {temperature(handStates.tooSoftC)} and it does not keep its shape.
            </Trans>
          )}
        </p>
      </section>
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
            <>
              <Shown figure={lead.data} className="font-semibold">
                {round(lead.data.value)}
              </Shown>{' '}
              {t`before`}
              {wantedMs !== null && (
                <>
                  <Trans>
                    : out at <strong className="figures">{say(wantedMs - lead.data.value * 1000)}</strong> for
                    the first load at {say(wantedMs)}
                  </Trans>
                </>
              )}
              .{' '}
              {form === 'tub'
                ? t`By its mean: a tub is kneaded once before it is portioned.`
                : t`By its core.`}
            </>
          )}
        </p>
      </section>
      <AtOnce formula={formula} form={form} massG={massG} places={places} pieces={pieces} readyC={readyC} />
    </div>
  );
};
