import { t } from '@lingui/core/macro';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { inUse, readTimeOfDay, wallClock } from '@jokul/core';
import { RulesInput, type BakeryView } from '@jokul/contracts';
import { HelpMark } from '../../help/help-mark';
import { usePreferences } from '../../lib/preferences';
import { useWallClock } from '../../lib/clock';
import { useBakery, useSaveRules, useSetClock } from '../../lib/queries';
import { Button, buttonClass } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';
import { Loading } from '../../ui/states';
import { OpenBakery } from '../begin/open-bakery';
import { BackupsPanel } from './backups-panel';
import { BakeryForm } from './bakery-form';
import { ruleFields, ruleLabel, shownRule, storedRule } from './rule-fields';
import { SetupHistory } from './setup-history';
import { SetupFilePanel } from './setup-file-panel';
import { weekdayNames } from '../../lib/weekdays';
import { UnitsField } from './units-field';
import { WellbeingPanel } from './wellbeing-panel';
import { CalendarPanel } from './equipment/calendar-panel';
import { EquipmentPanel } from './equipment/equipment-panel';
import { PeoplePanel } from './equipment/people-panel';
import { linerNames } from '../../words/names-of-codes';

const Panel = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <section className="rounded-lg border bg-surface p-4">
    <h2 className="mb-2 text-lg font-semibold">{title}</h2>
    {children}
  </section>
);

const RulesForm = ({ bakery }: { bakery: BakeryView }) => {
  const save = useSaveRules();
  const { units } = usePreferences();
  const shown = (): RulesInput => {
    const values = Object.fromEntries(
      ruleFields.map((field) => [field.key, shownRule(field, bakery.rules[field.key] ?? 0, units)]),
    );
    const { trayId, liner } = bakery.rules;
    return { ...values, trayId, liner, version: bakery.rulesVersion } as unknown as RulesInput;
  };
  // The class checks stored units: convert before it sees the values.
  const resolver = classValidatorResolver(RulesInput);
  const { register, handleSubmit, formState, reset } = useForm<RulesInput>({
    defaultValues: shown(),
    resolver: (values, context, options) => {
      const stored = { ...values };
      for (const field of ruleFields)
        stored[field.key] = storedRule(field, values[field.key] ?? 0, units, bakery.rules[field.key]);
      return resolver(stored, context, options);
    },
  });
  useEffect(() => reset(shown()), [bakery.rulesVersion, units]); // oxlint-disable-line react/exhaustive-deps -- a new version or another unit, and only that, replaces what is shown
  return (
    <form
      onSubmit={(event) =>
        void handleSubmit((values) =>
          save.mutate(values, {
            onSuccess: () => toast(t`House rules saved. Plans made before are marked as old.`),
            onError: (error) => toast.error(error.message, { duration: 10_000 }),
          }),
        )(event)
      }
      noValidate
    >
      <div className="grid grid-cols-4 items-end gap-3 max-[1100px]:grid-cols-3 max-sm:grid-cols-2">
        {ruleFields.map((field) => (
          <Field
            key={field.key}
            label={ruleLabel(field, units)}
            help={<HelpMark about={field.key} name={field.label} />}
            type="number"
            step="any"
            error={formState.errors[field.key]?.message}
            {...register(field.key, { valueAsNumber: true })}
          />
        ))}
        <div className="col-span-2">
          <SelectField
            label={t`Tray to plan with`}
            error={formState.errors.trayId?.message}
            {...register('trayId')}
          >
            {inUse(bakery.equipment).trays.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
        </div>
        <SelectField label={t`Liner`} error={formState.errors.liner?.message} {...register('liner')}>
          {Object.entries(linerNames).map(([liner, name]) => (
            <option key={liner} value={liner}>
              {name}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="mt-3 flex justify-end gap-2">
        <Button disabled={!formState.isDirty} onClick={() => reset(shown())}>{t`Reset`}</Button>
        <Button
          type="submit"
          look="primary"
          disabled={!formState.isDirty || save.isPending}
        >{t`Save the rules`}</Button>
      </div>
    </form>
  );
};

const ClockForm = ({ bakery }: { bakery: BakeryView }) => {
  const set = useSetClock();
  const wall = useWallClock();
  const at = wallClock(bakery.clock.nowMs / 1000, bakery.rules.timeZone);
  const [date, setDate] = useState(at.date);
  const [time, setTime] = useState(at.time);
  const send = (mode: 'real' | 'running' | 'frozen') =>
    set.mutate(
      { mode, ...(mode !== 'real' && { date, time: readTimeOfDay(time) ?? time }) },
      {
        onSuccess: (view) =>
          toast(t`The bakery’s clock shows ${wall.date(view.nowMs)}, ${wall.time(view.nowMs)}.`),
        onError: (error) => toast.error(error.message),
      },
    );
  return (
    <>
      <p className="mb-2 text-ink-soft">
        {bakery.clock.mode === 'real'
          ? t`The clock is the real one.`
          : t`The clock is set for the demo and ${bakery.clock.mode === 'frozen' ? t`stands still` : t`runs on`}.`}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={t`Date`}
          inputMode="numeric"
          placeholder="2026-11-27"
          value={date}
          onChange={(event) => setDate(event.target.value)}
        />
        <Field
          label={t`Time`}
          inputMode="numeric"
          placeholder="04:10"
          value={time}
          onChange={(event) => setTime(event.target.value)}
        />
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button look="primary" onClick={() => send('running')}>{t`Set and run`}</Button>
        <Button onClick={() => send('frozen')}>{t`Set and stop`}</Button>
        <Button onClick={() => send('real')}>{t`Use the real time`}</Button>
      </div>
    </>
  );
};

/** Equipment, house rules, the clock, and what belongs to this device. */
export const SetupPage = () => {
  const { data } = useBakery();
  const { hours, weekStart, theme, device, set } = usePreferences();
  if (!data) return <Loading what={t`the setup`} />;
  return (
    <div className="relative h-full overflow-y-auto px-5 py-4 max-sm:px-3">
      <h1 className="text-[22px] font-semibold">{t`Setup`}</h1>
      <p className="mb-3 text-ink-soft">{t`${data.name}: house rules, equipment, clock.`}</p>
      <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)] gap-4 max-sm:grid-cols-1">
        <div className="space-y-4">
          <Panel title={t`House rules`}>
            <RulesForm bakery={data} />
            <p className="mt-2 text-[13px] text-ink-faint">{t`Defaults, to be changed by the house. Limits on raw dough are conservative; local food rules and a licensed professional’s advice come first.`}</p>
          </Panel>
          <Panel title={t`Equipment`}>
            <EquipmentPanel bakery={data} />
          </Panel>
          <div className="grid grid-cols-2 items-start gap-4 max-lg:grid-cols-1">
            <Panel title={t`Shifts, crew and scoops`}>
              <PeoplePanel key={data.equipmentVersion} bakery={data} />
            </Panel>
            <Panel title={t`Closed days, and who is away`}>
              <CalendarPanel key={data.equipmentVersion} bakery={data} />
            </Panel>
          </div>
          <Panel title={t`What was changed`}>
            <SetupHistory bakery={data} />
          </Panel>
        </div>
        <div className="space-y-4">
          <Panel title={t`The bakery`}>
            <BakeryForm key={data.name + data.rules.timeZone} bakery={data} />
            {data.other && (
              <div className="mt-3 border-t pt-3">
                <p className="mb-2 text-[13.5px] text-ink-soft">
                  {data.kind === 'demo'
                    ? t`This is the demo. A bakery of your own has records of its own; the demo stays.`
                    : t`This is your own bakery. The demo has records of its own; yours stay.`}
                </p>
                <OpenBakery kind={data.kind === 'demo' ? 'own' : 'demo'}>
                  {data.kind === 'demo' ? t`Open my own bakery` : t`Open the demo`}
                </OpenBakery>
              </div>
            )}
          </Panel>
          <Panel title={t`Setup file`}>
            <SetupFilePanel bakery={data} />
          </Panel>
          <Panel title={t`Is all well?`}>
            <WellbeingPanel bakery={data} />
          </Panel>
          <Panel title={t`Backups`}>
            <BackupsPanel />
          </Panel>
          <Panel title={t`The bakery’s clock`}>
            <ClockForm bakery={data} />
          </Panel>
          <Panel title={t`This device`}>
            <div className="grid grid-cols-2 gap-3">
              <UnitsField label={t`Units`} />
              <SelectField
                label={t`Clock`}
                value={hours}
                onChange={(event) => set({ hours: event.target.value as typeof hours })}
              >
                <option value="24">17:40</option>
                <option value="12">{t`5:40 pm`}</option>
              </SelectField>
              <SelectField
                label={t`Week starts on`}
                value={weekStart}
                onChange={(event) => set({ weekStart: event.target.value as typeof weekStart })}
              >
                <option value="day">{t`the day shown`}</option>
                <option value="monday">{weekdayNames[1]}</option>
                <option value="saturday">{weekdayNames[6]}</option>
                <option value="sunday">{weekdayNames[7]}</option>
              </SelectField>
              <SelectField
                label={t`Theme`}
                value={theme}
                onChange={(event) => set({ theme: event.target.value as typeof theme })}
              >
                <option value="system">{t`as the system`}</option>
                <option value="light">{t`light`}</option>
                <option value="dark">{t`dark`}</option>
              </SelectField>
              <div className="col-span-2">
                <Field
                  label={t`Name of this device in the log`}
                  value={device}
                  maxLength={40}
                  onChange={(event) => event.target.value.trim() && set({ device: event.target.value })}
                />
              </div>
            </div>
          </Panel>
          <Panel title={t`Ingredients`}>
            <p className="mb-2 text-ink-soft">{t`What each ingredient is made of, what it weighs, its allergens; and your own.`}</p>
            <Link to="/setup/ingredients" className={buttonClass()}>{t`Open the library`}</Link>
          </Panel>
        </div>
      </div>
    </div>
  );
};
