import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  butterForms,
  butterTemperature,
  doughTemperature,
  ingredient,
  JokulError,
  learnEfficiency,
  typicalMixerHeat,
  workedS,
  type Amount,
  type ButterForm,
  type Formula,
  type HouseRules,
  type LoggedDough,
  type Mixer,
} from '@jokul/core';
import { useJournal } from '../../journal/store';
import { useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { core } from '../../workers/core';
import { Field, SelectField } from '../../ui/field';
import { Shown } from '../../ui/shown';

interface ButterPlanProps {
  readonly formula: Formula;
  readonly amounts: readonly Amount[];
  readonly mixer: Mixer;
  readonly rules: HouseRules;
  readonly mixStartMs: number | null;
}

const orNull = <T,>(work: () => T): T | null => {
  try {
    return work();
  } catch (error) {
    if (error instanceof JokulError) return null;
    throw error;
  }
};

/** Doughs of this formula that were logged with what is needed to learn from them. */
const useLoggedDoughs = (
  formula: Formula,
  amounts: readonly Amount[],
  mixer: Mixer,
  butterId: string | undefined,
): readonly LoggedDough[] => {
  const batches = useJournal((s) => s.floor.lots);
  const total = amounts.reduce((sum, { mass }) => sum + mass.value, 0);
  return [...batches.values()].flatMap(({ lot: batchId, mixed }) => {
    if (!batchId.startsWith(`${formula.code}-`) || !mixed?.workedS || mixed.roomC === undefined) return [];
    const scale = mixed.massG / total;
    const scaled = amounts.map((amount) => ({
      ...amount,
      mass: { ...amount.mass, value: amount.mass.value * scale },
    }));
    return [
      {
        doughC: mixed.doughC,
        mixing: {
          amounts: scaled,
          roomC: mixed.roomC,
          temperaturesC: Object.fromEntries(
            mixed.butterC === undefined || butterId === undefined ? [] : [[butterId, mixed.butterC]],
          ) as Record<string, number>,
          mixS: mixed.workedS,
          heat: typicalMixerHeat(mixer),
        },
      },
    ];
  });
};

/** Which butter gives the dough its temperature, and when it has to come out of the cold. */
export const ButterPlan = ({ formula, amounts, mixer, rules, mixStartMs }: ButterPlanProps) => {
  const { temperature, duration, label, figure, typed } = useUnits();
  const wall = useWallClock();
  const [roomText, setRoom] = useState(figure(21, 'temperature'));
  const [eggText, setEgg] = useState(figure(18, 'temperature'));
  const [bowlText, setBowl] = useState('');
  const [nowText, setNow] = useState(figure(4, 'temperature'));
  const [wantedText, setWanted] = useState(figure(formula.method?.doughC ?? rules.doughC, 'temperature'));
  const [form, setForm] = useState<ButterForm>('block-500');
  const [wrapped, setWrapped] = useState(true);
  const butterId = formula.stages
    .flatMap(({ lines }) => lines)
    .find(({ ingredientId }) => ingredient(ingredientId).kind === 'butter')?.ingredientId;
  const logged = useLoggedDoughs(formula, amounts, mixer, butterId);
  const [roomC, eggC, startC, wantedC] = [roomText, eggText, nowText, wantedText].map((text) =>
    typed(text, 'temperature'),
  ) as [number, number, number, number];
  const eggs = amounts
    .filter(({ line }) => ingredient(line.ingredientId).kind === 'egg')
    .map(({ line }) => [line.ingredientId, eggC]);
  const efficiency = learnEfficiency(logged);
  const mixing = {
    amounts,
    roomC,
    temperaturesC: Object.fromEntries(eggs) as Record<string, number>,
    ...(bowlText.trim() !== '' && { bowlC: typed(bowlText, 'temperature') }),
    mixS: workedS(formula),
    heat: { ...typicalMixerHeat(mixer), efficiency: efficiency.value },
  };
  const butter = butterId === undefined ? null : orNull(() => butterTemperature(mixing, butterId, wantedC));
  const asIs =
    butterId === undefined
      ? null
      : orNull(() =>
          doughTemperature({ ...mixing, temperaturesC: { ...mixing.temperaturesC, [butterId]: startC } }),
        );
  const targetC = butter ? Number(butter.value.toFixed(1)) : null;
  const question = targetC === null ? null : { form, wrapped, roomC, startC, targetC };
  const soften = useQuery({
    queryKey: ['soften', question],
    queryFn: async () => (question ? (await core().soften(question)).time : null),
    enabled: question !== null && Number.isFinite(roomC) && Number.isFinite(startC),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const outMs = soften.data && mixStartMs !== null ? mixStartMs - soften.data.value * 1000 : null;
  return (
    <section aria-label={t`Butter and dough temperature`} className="rounded-lg border bg-surface p-4">
      <h2 className="text-lg font-semibold">{t`Butter and dough temperature`}</h2>
      <div className="mt-2 grid grid-cols-5 gap-3 max-sm:grid-cols-2">
        <Field
          label={label(t`Room`, 'temperature')}
          inputMode="decimal"
          value={roomText}
          onChange={(event) => setRoom(event.target.value)}
        />
        <Field
          label={label(t`Egg`, 'temperature')}
          inputMode="decimal"
          value={eggText}
          onChange={(event) => setEgg(event.target.value)}
        />
        <Field
          label={label(t`Bowl`, 'temperature')}
          inputMode="decimal"
          value={bowlText}
          placeholder={t`as the room`}
          onChange={(event) => setBowl(event.target.value)}
        />
        <Field
          label={label(t`Butter now`, 'temperature')}
          inputMode="decimal"
          value={nowText}
          onChange={(event) => setNow(event.target.value)}
        />
        <Field
          label={label(t`Dough target`, 'temperature')}
          inputMode="decimal"
          value={wantedText}
          onChange={(event) => setWanted(event.target.value)}
        />
      </div>
      <p className="mt-3 text-lg">
        {butter ? (
          <>
            {t`Butter should be`}{' '}
            <strong className="figures">
              <Shown figure={butter}>{temperature(butter.value, 1)}</Shown>
            </strong>
            {butter.value < 16 && t` – too firm to cream: warm the bowl or the egg instead.`}
            {butter.value > 21.5 && t` – too soft to hold air: cool the bowl or the egg instead.`}
          </>
        ) : (
          t`No butter that can be worked gives this dough: change the bowl, the egg, or the target.`
        )}
      </p>
      {asIs && (
        <p className="text-ink-soft">
          <Trans>
            With the butter as it is the dough comes to{' '}
            <Shown figure={asIs}>{temperature(asIs.value, 1)}</Shown>. The mixer warms by{' '}
            <Shown figure={efficiency}>{(100 * efficiency.value).toFixed(0)} %</Shown> of its power.
          </Trans>{' '}
          {logged.length > 0
            ? t`Learned from ${plural(logged.length, { one: '# dough', other: '# doughs' })}.`
            : t`A typical share: log doughs with room and butter to learn it.`}
        </p>
      )}
      <div className="mt-3 grid grid-cols-[12rem_8rem_minmax(0,1fr)] items-end gap-3 border-t pt-3 max-sm:grid-cols-1">
        <SelectField
          label={t`The butter is in`}
          value={form}
          onChange={(event) => setForm(event.target.value as ButterForm)}
        >
          {Object.entries(butterForms).map(([id, { name }]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <SelectField
          label={t`It is`}
          value={wrapped ? 'wrapped' : 'bare'}
          onChange={(event) => setWrapped(event.target.value === 'wrapped')}
        >
          <option>{t`wrapped`}</option>
          <option>{t`bare`}</option>
        </SelectField>
        <p className="pb-1.5" role="status">
          {question === null ? (
            ''
          ) : soften.isPending ? (
            t`Computing …`
          ) : soften.data ? (
            <>
              <Shown figure={soften.data}>{duration(Math.round(soften.data.value / 60) * 60)}</Shown>{' '}
              {t`in this room`}
              {outMs !== null && <>{t`, so out of the cold at ${wall.near(outMs, mixStartMs ?? outMs)}`}</>}
            </>
          ) : startC >= (targetC ?? 0) ? (
            t`It is warm enough now.`
          ) : (
            t`It does not get there in this room.`
          )}
        </p>
      </div>
    </section>
  );
};
