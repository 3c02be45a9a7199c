import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { t } from '@lingui/core/macro';
import { useEffect } from 'react';
import { useForm, type FieldErrors, type UseFormRegister } from 'react-hook-form';
import { toast } from 'sonner';
import { inUse, labelWordings, type HouseRules } from '@jokul/core';
import { RulesInput, type BakeryView } from '@jokul/contracts';
import { HelpMark } from '../help/help-mark';
import { usePreferences } from '../lib/preferences';
import { useSaveRules } from '../lib/queries';
import { Button } from '../ui/button';
import { Field, SelectField } from '../ui/field';
import { LinerOptions } from '../words/liner-options';
import { labelWordingNames } from '../words/names-of-codes';
import { ruleFields, ruleLabel, shownRule, storedRule } from './rule-fields';

/** Rules that are one of several. */
const RuleChoices = ({
  bakery,
  register,
  errors,
}: {
  readonly bakery: BakeryView;
  readonly register: UseFormRegister<RulesInput>;
  readonly errors: FieldErrors<RulesInput>;
}) => (
  <>
    <div className="col-span-2">
      <SelectField label={t`Tray to plan with`} error={errors.trayId?.message} {...register('trayId')}>
        {inUse(bakery.equipment).trays.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
    </div>
    <div className="col-span-2">
      <SelectField label={t`Liner`} error={errors.liner?.message} {...register('liner')}>
        <LinerOptions equipment={bakery.equipment} />
      </SelectField>
    </div>
    <div className="col-span-2">
      <SelectField label={t`Allergens on labels`} error={errors.labels?.message} {...register('labels')}>
        {labelWordings.map((wording) => (
          <option key={wording} value={wording}>
            {labelWordingNames[wording]}
          </option>
        ))}
      </SelectField>
    </div>
  </>
);

/** Whether anything was changed that a plan is made from: how labels are worded is not. */
const isBaked = ({ version: _v, labels: _l, ...values }: RulesInput, before: HouseRules): boolean =>
  Object.entries(values).some(([key, value]) => before[key as keyof HouseRules] !== value);

/** The rules of the house, each in the units of this device. */
export const RulesForm = ({ bakery }: { bakery: BakeryView }) => {
  const save = useSaveRules();
  const { units } = usePreferences();
  const shown = (): RulesInput => {
    const values = Object.fromEntries(
      ruleFields.map((field) => [field.key, shownRule(field, bakery.rules[field.key] ?? 0, units)]),
    );
    const { trayId, liner, labels = 'classes' } = bakery.rules;
    return { ...values, trayId, liner, labels, version: bakery.rulesVersion } as unknown as RulesInput;
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
            onSuccess: () =>
              toast(
                isBaked(values, bakery.rules)
                  ? t`House rules saved. Plans made before are marked as old.`
                  : t`House rules saved.`,
              ),
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
        <RuleChoices bakery={bakery} register={register} errors={formState.errors} />
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
