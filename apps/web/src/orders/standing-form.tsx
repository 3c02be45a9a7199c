import { t } from '@lingui/core/macro';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useWallClock } from '../lib/clock';
import { Controller, useForm, type Control } from 'react-hook-form';
import { v4 as uuid } from 'uuid';
import { StandingOrderInput, type StandingOrderView } from '@jokul/contracts';
import type { Formula } from '@jokul/core';
import { useSaveStanding } from '../lib/queries';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { Said } from '../ui/said';
import { WeekdayChoice } from '../ui/weekday-choice';
import { OrderFields } from './order-fields';
import { timeAsWritten } from './time-as-written';

const monToFri = [1, 2, 3, 4, 5];

const Weekdays = ({
  control,
  error,
}: {
  readonly control: Control<StandingOrderInput>;
  readonly error: string | undefined;
}) => (
  <div className="mt-3">
    <Controller
      control={control}
      name="weekdays"
      render={({ field }) => (
        <WeekdayChoice
          legend={t`On`}
          chosen={field.value}
          onChoose={(days) => field.onChange(days)}
          error={error}
        />
      )}
    />
  </div>
);

const asTyped = (before: StandingOrderView, date: string, said: (time: string) => string) => ({
  customer: before.customer,
  productCode: before.productCode,
  pieces: before.pieces,
  readyBy: said(before.readyBy),
  weekdays: [...before.weekdays],
  from: date > before.from ? date : before.from,
  version: before.version,
  ...(before.until !== null && { until: before.until }),
});
const fresh = (date: string) => ({
  customer: '',
  productCode: '',
  readyBy: '',
  weekdays: monToFri,
  from: date,
  id: uuid(),
});

/** A standing order, new or changed from a day on; the same class checks it here and on the server. */
export const StandingForm = ({
  before,
  date,
  formulas,
  customers,
  onDone,
}: {
  /** The one that is changed; null for a new one. */
  readonly before: StandingOrderView | null;
  /** The day that is looked at: what is new or changed holds from it on. */
  readonly date: string;
  readonly formulas: readonly Formula[];
  readonly customers: readonly string[];
  readonly onDone: (saved: StandingOrderView) => void;
}) => {
  const save = useSaveStanding();
  const wall = useWallClock();
  const { register, handleSubmit, formState, control, reset, getValues, setFocus } =
    useForm<StandingOrderInput>({
      resolver: timeAsWritten(classValidatorResolver(StandingOrderInput)),
      defaultValues: before ? asTyped(before, date, wall.ofDay) : fresh(date),
    });
  const { errors } = formState;
  const submit = handleSubmit(({ until, ...input }) =>
    save.mutate(
      { id: before?.id ?? null, input: { ...input, ...(until && { until }) } },
      {
        onSuccess: (saved) => {
          onDone(saved);
          // The next one is often of the same customer, time and days.
          if (before) return;
          reset({ ...getValues(), productCode: '', pieces: '' as unknown as number, id: uuid() });
          setFocus('productCode');
        },
      },
    ),
  );
  return (
    <form
      noValidate
      aria-label={before ? t`Change a standing order` : t`Add a standing order`}
      className="rounded-lg border bg-raised p-3"
      onSubmit={(event) => void submit(event)}
    >
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <OrderFields
          listId="standing-customers"
          register={register}
          errorOf={(name) => errors[name]?.message}
          formulas={formulas}
          customers={customers}
        />
        <Field
          label={before ? t`Changed from` : t`From`}
          type="date"
          error={errors.from?.message}
          {...register('from')}
        />
        <Field
          label={t`Until`}
          type="date"
          hint={t`Empty: until it is ended.`}
          error={errors.until?.message}
          {...register('until', { setValueAs: (value: string) => value || undefined })}
        />
      </div>
      <Weekdays control={control} error={errors.weekdays?.message} />
      {save.isError && (
        <p role="alert" className="mt-2 font-medium text-hand">
          <Said>{save.error.message}</Said>
        </p>
      )}
      <div className="mt-3 flex justify-end">
        <Button type="submit" look="primary" disabled={save.isPending}>
          {before ? t`Save the change` : t`Add it`}
        </Button>
      </div>
    </form>
  );
};
