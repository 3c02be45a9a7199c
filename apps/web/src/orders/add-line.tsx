import { t } from '@lingui/core/macro';
import { Plus } from 'lucide-react';
import { useEffect } from 'react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import type { OrderLineInput } from '@jokul/contracts';
import type { Formula } from '@jokul/core';
import { checkLater } from '../lib/check-later';
import { useAddOrder } from '../lib/queries';
import { Button } from '../ui/button';
import { OrderFields } from './order-fields';

interface AddLineProps {
  readonly date: string;
  readonly formulas: readonly Formula[];
  readonly customers: readonly string[];
}

const check = () => import('./order-line-check').then(({ orderLineCheck }) => orderLineCheck);
const resolver = checkLater<OrderLineInput>(check);

/** As it was typed when its form went: the day is changed in the middle of a line, and the page fetches the other one. */
let typed: Partial<OrderLineInput> = {};

/** A new line for the bake list; the same class checks it here and on the server. */
export const AddLine = ({ date, formulas, customers }: AddLineProps) => {
  const add = useAddOrder(date);
  const { register, handleSubmit, formState, reset, getValues, setFocus } = useForm<OrderLineInput>({
    resolver,
    defaultValues: { customer: '', productCode: '', readyBy: '', ...typed },
  });
  // Once the page is there, and before anybody has typed a line.
  useEffect(() => void check().catch(() => undefined), []);
  useEffect(
    () => () => {
      typed = getValues();
    },
    [getValues],
  );
  const { errors } = formState;
  const submit = handleSubmit((line) =>
    add.mutate(line, {
      onSuccess: () => {
        // The next line is often for the same customer and time.
        reset({ ...getValues(), productCode: '', pieces: '' as unknown as number });
        setFocus('productCode');
      },
      onError: (error) => toast.error(error.message, { duration: 10_000 }),
    }),
  );
  return (
    <form
      onSubmit={(event) =>
        void submit(event).catch(() =>
          toast.error(t`The line could not be checked yet. It stays as typed: press Add again in a moment.`),
        )
      }
      noValidate
      className="no-print mt-4 rounded-lg border bg-surface p-3"
      aria-label={t`Add a line`}
    >
      <div className="grid grid-cols-[1.3fr_1.6fr_6rem_7rem_auto] items-start gap-3">
        <OrderFields
          listId="customers"
          register={register}
          errorOf={(name) => errors[name]?.message}
          formulas={formulas}
          customers={customers}
        />
        <div className="pt-6">
          <Button
            type="submit"
            look="primary"
            icon={<Plus size={16} />}
            disabled={add.isPending}
          >{t`Add`}</Button>
        </div>
      </div>
    </form>
  );
};
