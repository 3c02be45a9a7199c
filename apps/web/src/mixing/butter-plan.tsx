import { Trans } from '@lingui/react/macro';
import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  butterTemperature,
  doughTemperature,
  foodOf,
  JokulError,
  learnEfficiency,
  typicalMixerHeat,
  workedS,
  type Amount,
  type Figure,
  type Formula,
  type HouseRules,
  type LoggedDough,
  type Mixer,
} from '@jokul/core';
import { useJournal } from '../journal/store';
import { useUnits } from '../lib/units';
import { Field } from '../ui/field';
import { Shown } from '../ui/shown';
import { SoftenRow } from './soften-row';

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

/** What the butter should be, and what comes of it as it is. */
const ButterFound = ({
  butter,
  asIs,
  efficiency,
  doughs,
}: {
  readonly butter: Figure | null;
  readonly asIs: Figure | null;
  readonly efficiency: Figure;
  /** So many doughs were learned from. */
  readonly doughs: number;
}) => {
  const { temperature } = useUnits();
  return (
    <>
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
          {doughs > 0
            ? t`Learned from ${plural(doughs, { one: '# dough', other: '# doughs' })}.`
            : t`A typical share: log doughs with room and butter to learn it.`}
        </p>
      )}
    </>
  );
};

/** Which butter gives the dough its temperature, and when it has to come out of the cold. */
export const ButterPlan = ({ formula, amounts, mixer, rules, mixStartMs }: ButterPlanProps) => {
  const { label, figure, typed } = useUnits();
  const [roomText, setRoom] = useState(figure(21, 'temperature'));
  const [eggText, setEgg] = useState(figure(18, 'temperature'));
  const [bowlText, setBowl] = useState('');
  const [nowText, setNow] = useState(figure(4, 'temperature'));
  const [wantedText, setWanted] = useState(figure(formula.method?.doughC ?? rules.doughC, 'temperature'));
  const butterId = formula.stages
    .flatMap(({ lines }) => lines)
    .find((line) => foodOf(line).kind === 'butter')?.ingredientId;
  const logged = useLoggedDoughs(formula, amounts, mixer, butterId);
  const [roomC, eggC, startC, wantedC] = [roomText, eggText, nowText, wantedText].map((text) =>
    typed(text, 'temperature'),
  ) as [number, number, number, number];
  const eggs = amounts
    .filter(({ line }) => foodOf(line).kind === 'egg')
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
  const fields: readonly {
    readonly name: string;
    readonly text: string;
    readonly set: (text: string) => void;
    readonly placeholder?: string;
  }[] = [
    { name: t`Room`, text: roomText, set: setRoom },
    { name: t`Egg`, text: eggText, set: setEgg },
    { name: t`Bowl`, text: bowlText, set: setBowl, placeholder: t`as the room` },
    { name: t`Butter now`, text: nowText, set: setNow },
    { name: t`Dough target`, text: wantedText, set: setWanted },
  ];
  return (
    <section aria-label={t`Butter and dough temperature`} className="rounded-lg border bg-surface p-4">
      <h2 className="text-lg font-semibold">{t`Butter and dough temperature`}</h2>
      <div className="mt-2 grid grid-cols-5 gap-3 max-sm:grid-cols-2">
        {fields.map(({ name, text, set, placeholder }) => (
          <Field
            key={name}
            label={label(name, 'temperature')}
            inputMode="decimal"
            value={text}
            placeholder={placeholder}
            onChange={(event) => set(event.target.value)}
          />
        ))}
      </div>
      <ButterFound butter={butter} asIs={asIs} efficiency={efficiency} doughs={logged.length} />
      <SoftenRow roomC={roomC} startC={startC} targetC={targetC} mixStartMs={mixStartMs} />
    </section>
  );
};
